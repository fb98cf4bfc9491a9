import fc from 'fast-check';
import { documentOf } from '../formats/as-document';
import { inOrder, joinedAt, mergedWith, promptOf, splitAt, together, type Block } from './blocks';
import { plainText } from '../document/flatten';

const block = (author: string, text: string, more: Partial<Block> = {}): Block => ({
  kind: 'response',
  author,
  staff: false,
  wall: null,
  to: null,
  because: null,
  title: '',
  doc: documentOf(text),
  ...more,
});
const THREAD = [
  block('', 'What do you hear?', { kind: 'prompt' }),
  block('Noor Vasquez', 'A tap.\n\nAnd a fridge.'),
  block('Kwame Sorley', 'Which of them first?', { kind: 'reply', to: 1 }),
  block('Noor Vasquez', 'The tap.', { kind: 'reply', to: 2 }),
];
const texts = (blocks: readonly Block[]) => blocks.map((b) => plainText(b.doc));
const overs = (blocks: readonly Block[]) => blocks.map((b) => b.to);

test('a block that is split leaves what answers it with its first part, and joined again all is as it was', () => {
  const split = splitAt(THREAD, 1, 1);
  expect(texts(split)).toEqual([
    'What do you hear?',
    'A tap.',
    'And a fridge.',
    'Which of them first?',
    'The tap.',
  ]);
  expect(overs(split)).toEqual([null, null, null, 1, 3]);
  expect(joinedAt(split, 2)).toEqual(THREAD);
});

test('a block that is joined takes what answered it along, and nothing answers itself', () => {
  const joined = joinedAt(THREAD, 3);
  expect(texts(joined)).toEqual([
    'What do you hear?',
    'A tap.\nAnd a fridge.',
    'Which of them first?\nThe tap.',
  ]);
  expect(overs(joined)).toEqual([null, null, 1]);
});

test('what is neither prompt nor post is left out, and what answered it answers what that answered', () => {
  const without = THREAD.map((b, i) => (i === 2 ? { ...b, kind: 'other' as const } : b));
  expect(inOrder(without)).toEqual([
    { block: 1, to: null },
    { block: 3, to: 1 },
  ]);
});

test('whoever has no name stays out, and what answers them becomes a response', () => {
  const nameless = THREAD.map((b, i) => (i === 1 ? { ...b, author: ' ' } : b));
  expect(inOrder(nameless)).toEqual([
    { block: 2, to: null },
    { block: 3, to: 2 },
  ]);
});

test('whatever is said to answer what, each post comes after the one it answers, once', () => {
  const said = fc.array(
    fc.record({
      kind: fc.constantFrom('prompt', 'response', 'reply', 'other'),
      to: fc.option(fc.nat(9), { nil: null }),
      author: fc.constantFrom('', 'Noor Vasquez', 'Kwame Sorley'),
    }),
    { maxLength: 10 },
  );
  fc.assert(
    fc.property(said, (all) => {
      const blocks = all.map((s) => block(s.author, 'x', { kind: s.kind as Block['kind'], to: s.to }));
      const order = inOrder(blocks);
      const places = order.map((p) => p.block);
      expect(new Set(places).size).toBe(places.length);
      for (const [i, { to }] of order.entries()) if (to !== null) expect(places.slice(0, i)).toContain(to);
    }),
  );
});

test('the prompt is what is called so, under the title', () => {
  expect(plainText(promptOf({ title: 'Noise', course: '', blocks: THREAD }))).toBe(
    'Noise\nWhat do you hear?',
  );
});

test('several pages are one discussion, with the prompt of the first', () => {
  const page = { title: 'Noise', course: '', blocks: THREAD };
  const both = together([page, page]);
  expect(both?.blocks.filter((b) => b.kind === 'prompt')).toHaveLength(1);
  expect(both?.blocks[6]?.to).toBe(5);
});

describe('a newer copy', () => {
  const LONG = 'In Harrowmouth the sexton decided, and the mill, the school and the court took it from him.';
  const stands = [
    { id: 7, author: 'Anselm Price', wall: '2026-10-05T13:41', plain: LONG },
    { id: 8, author: 'Bo Akintola', wall: '2026-10-06T12:00', plain: 'I agree.' },
  ];
  const what = (...blocks: Block[]) => mergedWith(blocks, stands).map((m) => [m.what, m.post]);

  test('knows the same text again, also under a name that was put right', () => {
    expect(what(block('Anselm Price', LONG), block('Bo Akintola', 'I agree.'))).toEqual([
      ['known', 7],
      ['known', 8],
    ]);
    expect(what(block('A. Pryce', LONG))).toEqual([['known', 7]]);
  });

  test('takes a short text of somebody else for a new one', () => {
    expect(what(block('Greta Lindqvist', 'I agree.'))).toEqual([['new', null]]);
  });

  test('knows a text that was changed by most of its words, or by the minute', () => {
    expect(what(block('Anselm Price', `${LONG} Until noon.`))).toEqual([['changed', 7]]);
    expect(what(block('Anselm Price', 'Something else altogether.', { wall: '2026-10-05T13:41' }))).toEqual([
      ['changed', 7],
    ]);
    expect(what(block('Anselm Price', 'Something else altogether.', { wall: '2026-10-05T13:42' }))).toEqual([
      ['new', null],
    ]);
  });

  test('never takes one post for two', () => {
    expect(what(block('Bo Akintola', 'I agree.'), block('Bo Akintola', 'I agree.'))).toEqual([
      ['known', 8],
      ['new', null],
    ]);
  });
});
