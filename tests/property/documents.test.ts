import fc from 'fast-check';
import { briefSchema } from '@/core/brief/brief';
import { figures } from '@/core/checks/check-draft';
import { runChecks } from '@/core/checks/checks';
import { documentFromParts, documentFromText, textsOfParts, withPartHeadings } from '@/core/document/compose';
import { canonicalJson } from '@/core/posts/canonical';
import { parseDocument } from '@/core/document/document';
import type { BlockNode, Doc, InlineNode } from '@/core/document/nodes';
import { isCarried } from '@/core/document/carried';
import { attachmentsIn } from '@/core/document/attachments';
import { flatten, isBlank, plainText } from '@/core/document/flatten';
import { blocksFromEditor } from '@/core/document/from-editor';
import { outlineOf } from '@/core/document/outline';
import { schema } from '@/core/document/schema';
import { inReadingOrder, threads, type TreePost } from '@/core/posts/thread';
import { postId } from '@/core/ids';
import { countWords } from '@/core/text/words';

const word = fc.constantFrom(
  'river',
  'levee',
  'levee effect',
  'I',
  '“the wall held for sixty years”',
  '(Holt, 2019)',
  'why?',
  '🌊',
  'naïve',
  '2.',
);
const text = fc.array(word, { minLength: 1, maxLength: 12 }).map((w) => w.join(' '));
const inline: fc.Arbitrary<InlineNode[] | undefined> = fc.option(
  fc.array(
    fc.oneof(
      text.map((t): InlineNode => ({ type: 'text', text: t })),
      text.map((t): InlineNode => ({ type: 'text', text: t, marks: [{ type: 'bold' }] })),
      text.map((t): InlineNode => ({
        type: 'text',
        text: t,
        marks: [{ type: 'link', attrs: { href: 'https://tidewell.example/a' } }],
      })),
      text.map((t): InlineNode => ({
        type: 'text',
        text: t,
        marks: [{ type: 'underline' }, { type: 'ink', attrs: { name: 'brick' } }],
      })),
      fc.constant<InlineNode>({ type: 'inlineMath', attrs: { latex: 'Q = vA' } }),
      fc.constant<InlineNode>({ type: 'note', attrs: { text: 'Holt (2019), p. 12.' } }),
      fc.constant<InlineNode>({ type: 'hardBreak' }),
    ),
    { minLength: 1, maxLength: 4 },
  ),
  { nil: undefined },
);
const { block } = fc.letrec<{ block: BlockNode; paragraph: BlockNode }>((tie) => ({
  paragraph: inline.map((content): BlockNode =>
    content ? { type: 'paragraph', content } : { type: 'paragraph' },
  ),
  block: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    tie('paragraph'),
    inline.map((content): BlockNode => ({
      type: 'heading',
      attrs: { level: 3 },
      ...(content ? { content } : {}),
    })),
    fc.constant<BlockNode>({ type: 'horizontalRule' }),
    fc.constant<BlockNode>({
      type: 'picture',
      attrs: { file: '0d9f3a52-6c1e-4a55-9c1b-8f0a4d3b2c11', width: 8, height: 6, alt: 'A levee', size: 50 },
    }),
    fc.constant<BlockNode>({ type: 'blockMath', attrs: { latex: '\\frac{1}{n}' } }),
    text.map((t): BlockNode => ({ type: 'codeBlock', content: [{ type: 'text', text: t }] })),
    fc
      .constantFrom('1', '2')
      .map((part): BlockNode => ({ type: 'partHeading', attrs: { part, text: `Question ${part}` } })),
    fc
      .array(tie('block'), { minLength: 1, maxLength: 3 })
      .map((content): BlockNode => ({ type: 'blockquote', content })),
    fc
      .array(fc.array(tie('block'), { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 3 })
      .map((items): BlockNode => ({
        type: 'bulletList',
        content: items.map((content) => ({ type: 'listItem', content })),
      })),
    fc
      .array(fc.array(tie('paragraph'), { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 })
      .map((rows): BlockNode => ({
        type: 'table',
        content: rows.map((cells) => ({
          type: 'tableRow',
          content: cells.map((cell) => ({ type: 'tableCell', content: [cell] })),
        })),
      })),
  ),
}));
const document = fc
  .array(block, { minLength: 1, maxLength: 6 })
  .map((content): Doc => ({ type: 'doc', content }));
const parts = [
  { id: '1', text: 'Question 1' },
  { id: '2', text: 'Question 2' },
];
const everything = briefSchema.parse({
  parts,
  concepts: [{ term: 'levee effect' }, { term: 'river' }],
  response: {
    words: { min: 5, max: 50 },
    paragraphs: { min: 1 },
    sentences: { min: 1 },
    sources: { min: 1 },
    quotes: { min: 1 },
    concepts: { min: 1 },
    question: { min: 1 },
    title: true,
  },
  replies: { count: 0 },
});

/** The editor's position of every character, counted from the document itself. */
function characters(nodes: BlockNode[], start: number, out: Map<number, string>): number {
  let pos = start;
  for (const node of nodes) {
    if (node.type === 'partHeading' || node.type === 'horizontalRule') pos += 1;
    else if (node.type === 'blockMath') {
      out.set(pos, '\uFFFC');
      pos += 1;
    } else if (node.type === 'paragraph' || node.type === 'heading' || node.type === 'codeBlock') {
      pos += 1;
      const content: InlineNode[] = node.content ?? [];
      for (const c of content) {
        const chars = c.type === 'text' ? c.text : c.type === 'hardBreak' ? '\n' : '\uFFFC';
        for (let i = 0; i < chars.length; i += 1) out.set(pos + i, chars[i] ?? '');
        pos += chars.length;
      }
      pos += 1;
    } else if (isCarried(node)) pos += 1;
    else if (node.type === 'blockquote') pos = characters(node.content, pos + 1, out) + 1;
    else if (node.type === 'table') {
      pos += 1;
      for (const row of node.content) {
        pos += 1;
        for (const cell of row.content) pos = characters(cell.content, pos + 1, out) + 1;
        pos += 1;
      }
      pos += 1;
    } else {
      pos += 1;
      for (const item of node.content) pos = characters(item.content, pos + 1, out) + 1;
      pos += 1;
    }
  }
  return pos;
}

describe('any document', () => {
  it('is read as itself', () =>
    fc.assert(
      fc.property(document, (d) =>
        expect(parseDocument(JSON.parse(JSON.stringify(d)))).toEqual({ ok: true, value: d }),
      ),
    ));

  it('flattens to lines whose positions are the editor’s', () =>
    fc.assert(
      fc.property(document, (d) => {
        const chars = new Map<number, string>();
        characters(d.content, 0, chars);
        for (const line of flatten(d).filter((l) => l.kind !== 'part-heading')) {
          for (let i = 0; i < line.text.length; i += 1) expect(chars.get(line.pos + i)).toBe(line.text[i]);
        }
      }),
    ));

  it('has the editor’s library read the same characters at the positions of its lines', () =>
    fc.assert(
      fc.property(document, (d) => {
        const inEditor = schema.nodeFromJSON(d);
        for (const line of flatten(d).filter((l) => l.kind !== 'part-heading')) {
          const said = inEditor.textBetween(line.pos, line.pos + line.text.length, '\u2029', (leaf) =>
            leaf.type.name === 'hardBreak' ? '\n' : '\uFFFC',
          );
          expect(said).toBe(line.text);
        }
      }),
    ));

  it('comes back from the editor as it went in', () =>
    fc.assert(
      fc.property(document, (d) => {
        const inEditor = schema.nodeFromJSON(d);
        const kept = { type: 'doc', content: inEditor.children.flatMap((n) => blocksFromEditor(n.toJSON())) };
        expect(parseDocument(kept)).toEqual({ ok: true, value: kept });
        // The editor joins neighbouring words of the same marks; all else is as it was.
        expect(schema.nodeFromJSON(kept).eq(inEditor)).toBe(true);
      }),
    ));

  it('has an outline that begins with its own words', () =>
    fc.assert(
      fc.property(document, (d) => {
        const { opening, carries } = outlineOf(d);
        expect(carries).toBe(attachmentsIn(d).some(({ node }) => node.type === 'picture'));
        const first = d.content.find(
          (b) => !['blockquote', 'partHeading'].includes(b.type) && plainText({ type: 'doc', content: [b] }),
        );
        const letters = (said: string) => said.replace(/\s+/gu, '');
        const whole = letters(plainText(first ? { type: 'doc', content: [first] } : d));
        expect(whole.startsWith(letters(opening))).toBe(true);
        expect(opening.length).toBeLessThanOrEqual(200);
      }),
    ));

  it('gives checks whose evidence lies in the text, and counts that never go beyond it', () =>
    fc.assert(
      fc.property(document, (d) => {
        const chars = new Map<number, string>();
        const size = characters(d.content, 0, chars);
        const f = figures(d, parts);
        const total = flatten(d).reduce((n, l) => n + countWords(l.text), 0);
        expect(f.own + f.quoted + f.headings + f.references).toBeLessThanOrEqual(total);
        for (const check of runChecks({ kind: 'response', brief: everything, title: 'x', doc: d })) {
          expect(check.met).toBe(check.missing === null);
          for (const e of check.evidence) {
            expect(e.from).toBeLessThan(e.to);
            expect(e.to).toBeLessThanOrEqual(size);
          }
        }
      }),
    ));

  it('keeps every word when the part headings are brought back', () =>
    fc.assert(
      fc.property(document, (d) => {
        const back = withPartHeadings(parts, d);
        expect(figures(back, []).own).toBe(figures(d, []).own);
        for (const p of parts)
          expect(
            back.content.filter((n) => n.type === 'partHeading' && n.attrs.part === p.id).length,
          ).toBeGreaterThanOrEqual(1);
      }),
    ));

  it('has a canonical form that does not depend on the order of keys', () =>
    fc.assert(
      fc.property(document, (d) => {
        const turned = JSON.parse(JSON.stringify(d), (_k, v) =>
          v && typeof v === 'object' && !Array.isArray(v)
            ? Object.fromEntries(Object.entries(v).reverse())
            : v,
        ) as Doc;
        expect(canonicalJson(turned)).toBe(canonicalJson(d));
      }),
    ));
});

describe('what is typed without scripts', () => {
  const typed = fc.array(text, { minLength: 1, maxLength: 3 }).map((p) => p.join('\n\n'));
  it('comes back as it was typed', () =>
    fc.assert(
      fc.property(typed, typed, (a, b) => {
        expect(textsOfParts(parts, documentFromParts(parts, [a, b]))).toEqual([a, b]);
        expect(textsOfParts([], documentFromText(a))).toEqual([a]);
        expect(isBlank(documentFromText(a))).toBe(false);
      }),
    ));
  it('of any characters makes a document that may be stored', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (s) =>
        expect(parseDocument(documentFromText(s)).ok).toBe(true),
      ),
    ));
});

describe('what is no document', () => {
  it.each([
    ['nothing', null],
    ['text', '<p>hello</p>'],
    ['an unknown node', { type: 'doc', content: [{ type: 'iframe', attrs: { src: 'https://x.example' } }] }],
    ['an attribute too many', { type: 'doc', content: [{ type: 'paragraph', attrs: { style: 'x' } }] }],
    [
      'a script link',
      {
        type: 'doc',
        content: [
          {
            type: 'paragraph',
            content: [
              { type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }] },
            ],
          },
        ],
      },
    ],
    [
      'a data link',
      {
        type: 'doc',
        content: [
          {
            type: 'paragraph',
            content: [
              { type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'data:text/html,x' } }] },
            ],
          },
        ],
      },
    ],
    ['no content', { type: 'doc', content: [] }],
  ])('%s is refused', (_name, value) => {
    expect(parseDocument(value)).toMatchObject({ ok: false, failure: { code: 'document-malformed' } });
  });
  it('a bomb is refused at once', () => {
    let deep: unknown = { type: 'paragraph' };
    for (let i = 0; i < 20_000; i += 1) deep = { type: 'blockquote', content: [deep] };
    expect(parseDocument({ type: 'doc', content: [deep] })).toEqual({
      ok: false,
      failure: { code: 'document-too-large' },
    });
    const wide = {
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: 'x'.repeat(500_000) }] }],
    };
    expect(parseDocument(wide)).toEqual({ ok: false, failure: { code: 'document-too-large' } });
  });
});

describe('threads', () => {
  it('hold every post whose parents are there, once, parents before replies', () =>
    fc.assert(
      fc.property(fc.array(fc.nat(9), { maxLength: 10 }), fc.nat(10), (parents, hidden) => {
        const all: TreePost[] = parents.map((p, i) => ({
          id: postId(i + 1),
          parent: i === 0 || p === 0 || p > i ? null : postId(p),
          sharedAt: i,
        }));
        const posts = all.filter((p) => p.id !== hidden);
        const shown = threads(posts)
          .flatMap(inReadingOrder)
          .map((b) => b.post.id);
        const reachable = (p: TreePost): boolean => {
          if (p.parent === null) return true;
          const up = posts.find((x) => x.id === p.parent);
          return up !== undefined && reachable(up);
        };
        expect([...shown].sort((a, b) => a - b)).toEqual(posts.filter(reachable).map((p) => p.id));
      }),
    ));
});
