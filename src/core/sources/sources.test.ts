import { documentFromText } from '../document/compose';
import { plainText } from '../document/flatten';
import { nameOf, pastedSource, sourceItemSchema } from './item';
import { withReference } from './references';

const entry = (text: string) => [{ type: 'text' as const, text }];

describe('what is pasted onto the shelf', () => {
  it.each([
    ['@book{h, title={The wall}}', 'bibtex'],
    ['[{"title":"The wall"}]', 'csl'],
    ['{"title":"The wall"}', 'csl'],
    ['{"title":', 'none'],
    ['10.1234/abc.def', 'doi'],
    ['doi: 10.1234/abc.def', 'doi'],
    ['https://doi.org/10.1234/abc.def', 'doi'],
    ['https://tidewell.example/wall', 'link'],
    ['javascript:alert(1)', 'none'],
    ['The wall, by M. Holt', 'none'],
  ])('%s is told as %s', (text, kind) => expect(pastedSource(text).kind).toBe(kind));
  it('is kept as far as a shelf needs it, and refused where it has no title or a link that is none', () => {
    expect(sourceItemSchema.parse({ title: 'The wall', volume: 3, note: 'x'.repeat(9_999) })).toEqual({
      type: 'document',
      title: 'The wall',
      volume: '3',
    });
    expect(sourceItemSchema.safeParse({ author: [] }).success).toBe(false);
    expect(sourceItemSchema.safeParse({ title: 'x', URL: 'javascript:alert(1)' }).success).toBe(false);
  });
  it.each([
    ['Holt, Maren', { family: 'Holt', given: 'Maren' }],
    ['Maren Holt', { family: 'Holt', given: 'Maren' }],
    ['Parish Well Survey', { literal: 'Parish Well Survey' }],
    ['Dunmore', { literal: 'Dunmore' }],
  ])('%s is a name', (typed, name) => expect(nameOf(typed)).toEqual(name));
});

describe('the reference list', () => {
  it('is begun at the end, in the alphabet’s order, each entry once', () => {
    let doc = withReference(documentFromText('My text.'), entry('Lind, T. (2020). Meadows.'), 'References');
    doc = withReference(doc, entry('Holt, M. (2019). The wall.'), 'References');
    doc = withReference(doc, entry('Lind, T. (2020). Meadows.'), 'References');
    expect(plainText(doc).split('\n')).toEqual([
      'My text.',
      'References',
      'Holt, M. (2019). The wall.',
      'Lind, T. (2020). Meadows.',
    ]);
  });
  it('that somebody began by hand is gone on with, whatever it is called', () => {
    const doc = documentFromText('My text.\n\nWorks cited\n\nZander, P. (2001). Nets.');
    expect(
      plainText(withReference(doc, entry('Holt, M. (2019). The wall.'), 'References')).split('\n'),
    ).toEqual(['My text.', 'Works cited', 'Holt, M. (2019). The wall.', 'Zander, P. (2001). Nets.']);
  });
});
