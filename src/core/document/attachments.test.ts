import { checkDraft } from '../checks/check-draft';
import { briefSchema } from '../brief/brief';
import { proofread } from '../proofread/proofread';
import { attachmentsIn, withKnownFiles } from './attachments';
import { parseDocument } from './document';
import type { BlockNode, Doc } from './nodes';
import { isBlank, plainText } from './flatten';
import { difference } from '../drafts/difference';

const FILE = '0d9f3a52-6c1e-4a55-9c1b-8f0a4d3b2c11';
const picture = (over: object = {}): BlockNode => ({
  type: 'picture',
  attrs: { file: FILE, width: 800, height: 600, alt: 'The levee', ...over },
});
const file = (mediaType = 'application/pdf'): BlockNode => ({
  type: 'file',
  attrs: { file: FILE, name: 'survey.pdf', mediaType, bytes: 1_000 },
});
const said = (text: string): BlockNode => ({ type: 'paragraph', content: [{ type: 'text', text }] });
const doc = (...content: BlockNode[]): Doc => ({ type: 'doc', content });
const read = (d: Doc) =>
  proofread({ doc: d, parts: [], names: [], known: [], speller: null, runs: new Map() }).map((f) => f.kind);
const media = (kind: string, min = 1) =>
  briefSchema.parse({ response: { media: [{ kind, min }] }, replies: { count: 0 } });
const check = (d: Doc, kind: string, min = 1) =>
  checkDraft({ kind: 'response', brief: media(kind, min) }, { title: '', doc: d }).checks.find(
    (c) => c.id === 'media',
  );

describe('what a text carries', () => {
  it('is something, though it is no word', () => {
    expect(isBlank(doc({ type: 'paragraph' }))).toBe(true);
    expect(isBlank(doc(picture()))).toBe(false);
    expect(isBlank(doc({ type: 'blockquote', content: [file()] }))).toBe(false);
    expect(plainText(doc(said('Words.'), picture({ caption: 'Sunday' })))).toBe('Words.');
  });

  it('stands at one place of the editor’s', () => {
    const found = attachmentsIn(doc(said('abc'), picture(), { type: 'blockquote', content: [file()] }));
    expect(found.map((a) => [a.node.type, a.pos])).toEqual([
      ['picture', 5],
      ['file', 7],
    ]);
  });

  it('is refused where it says what no file of ours can be', () => {
    const bad: object[] = [
      { file: '../../etc/passwd' },
      { file: 'javascript:alert(1)' },
      { width: 0 },
      { width: 1e9 },
      { size: 5 },
      { size: 101 },
      { place: 'fixed' },
      { alt: 'x'.repeat(501) },
      { onload: 'alert(1)' },
      { src: 'https://evil.example/x.png' },
    ];
    for (const attrs of bad) expect(parseDocument(doc(picture(attrs))).ok).toBe(false);
    expect(parseDocument(doc(picture({ size: 50, place: 'right', caption: 'Sunday' }))).ok).toBe(true);
  });

  it('keeps its words where it is not the writer’s to carry', () => {
    const known = new Map();
    expect(withKnownFiles(doc(picture({ caption: 'Sunday' }), file()), known)).toEqual(
      doc(said('[Picture: Sunday]'), said('[File: survey.pdf]')),
    );
  });

  it('differs from a text without it', () => {
    const of = (d: Doc) => ({ title: '', doc: d });
    const { stretches } = difference(of(doc(said('One'))), of(doc(said('One'), picture({ alt: '' }))));
    expect(stretches.find((s) => s.kind === 'only-second')?.text).toContain(
      '[Picture: without a description]',
    );
  });
});

describe('what a prompt asks to attach', () => {
  it('is met by a picture, a film, a recording, a file or a link of that kind', () => {
    expect(check(doc(picture()), 'image')).toMatchObject({ have: 1, met: true });
    expect(check(doc(file('image/bmp')), 'image')).toMatchObject({ met: true });
    expect(check(doc(file('video/mp4')), 'video')).toMatchObject({ met: true });
    expect(check(doc(file('audio/ogg')), 'audio')).toMatchObject({ met: true });
    expect(check(doc(file()), 'file')).toMatchObject({ met: true });
    expect(check(doc(file()), 'image')).toMatchObject({
      met: false,
      missing: { code: 'media-missing', media: [{ kind: 'image', by: 1 }] },
    });
  });

  it('takes a link twice for one', () => {
    const link = (text: string): BlockNode => ({
      type: 'paragraph',
      content: [
        { type: 'text', text, marks: [{ type: 'link', attrs: { href: 'https://tidewell.example/a' } }] },
      ],
    });
    expect(check(doc(link('a'), link('b')), 'link', 2)).toMatchObject({ have: 1, met: false });
  });
});

describe('proofreading', () => {
  it('asks for a picture’s description', () => {
    expect(read(doc(said('Look at this.'), picture({ alt: ' ' })))).toEqual(['alt']);
    expect(read(doc(said('Look at this.'), picture()))).toEqual([]);
  });

  it('does not miss an attachment that is there', () => {
    expect(read(doc(said('The map is attached.')))).toEqual(['attachment']);
    expect(read(doc(said('The map is attached.'), file()))).toEqual([]);
  });
});
