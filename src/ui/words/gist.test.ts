import { gistOf } from './gist';

const check = (id: 'words' | 'parts' | 'sources' | 'concepts' | 'title', have: number, min: number) => ({
  id,
  have,
  need: { min },
  met: have >= min,
  required: true,
});

test('the line at the foot says the words, and the first two things that are missing', () => {
  const checks = [check('words', 117, 250), check('parts', 2, 3), check('sources', 0, 1)];
  expect(gistOf(checks, null, '')).toEqual({
    words: { have: 117, need: 250 },
    rest: ['2 of 3 questions', '0 of 1 sources'],
  });
});

test('of more than two things that are missing it says how many are left', () => {
  const checks = [
    check('words', 9, 8),
    check('parts', 2, 3),
    check('sources', 0, 1),
    check('concepts', 0, 2),
  ];
  expect(gistOf(checks, null, '').rest).toEqual(['2 of 3 questions', '0 of 1 sources', '1 more to do']);
});

test('where nothing is missing it says so, and not as long as there are too few words', () => {
  expect(gistOf([check('words', 260, 250), check('title', 1, 1)], null, '').rest).toEqual([
    'nothing is missing',
  ]);
  expect(gistOf([check('words', 117, 250), check('title', 1, 1)], null, '').rest).toEqual([]);
});

test('of a reply it says first what it does', () => {
  const substance = {
    words: 49,
    verdict: 'substantive',
    repeats: null,
    doing: [
      { kind: 'point', weighs: 'for' },
      { kind: 'reason', weighs: 'for' },
      { kind: 'praise', weighs: 'against' },
    ],
  } as unknown as Parameters<typeof gistOf>[1];
  expect(gistOf([check('words', 49, 40)], substance, 'Kwame').rest).toEqual([
    'A point of Kwame’s, Reason',
    'nothing is missing',
  ]);
});
