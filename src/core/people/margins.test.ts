import { noteWithMargins, noteWithMark } from './margins';

it('what was written in margins stands under the note, with its reading and its passage', () => {
  expect(
    noteWithMargins('Ask about the gauge.', [
      { reading: 'Levees', passage: ' the  wall\nheld ', body: 'Whose wall?' },
      { reading: 'Levees', passage: null, body: 'An answer to a note of somebody else.' },
    ]),
  ).toBe(
    'Ask about the gauge.\n\nIn the margin of “Levees”, at “the wall held”:\nWhose wall?\n\nIn the margin of “Levees”:\nAn answer to a note of somebody else.',
  );
});

it('where there was no note it begins with them, and never holds more than a note may', () => {
  const one = { reading: 'Levees', passage: 'p'.repeat(5_000), body: 'b'.repeat(5_000) };
  expect(noteWithMargins('', [one])).toMatch(/^In the margin of “Levees”, at “p{200}…”:\nb{5000}$/u);
  expect(
    noteWithMargins(
      'x',
      Array.from({ length: 9 }, () => one),
    ),
  ).toHaveLength(20_000);
});

it('a mark stands under the note as its number or its verdict, and one that is only remarks says nothing', () => {
  expect(noteWithMark('Ask.', { points: 24, of: 30, verdict: null })).toBe(
    'Ask.\n\nThe mark there: 24 of 30.',
  );
  expect(noteWithMark('', { points: null, of: null, verdict: 'again' })).toBe(
    'The mark there: to be done again.',
  );
  expect(noteWithMark('Ask.', { points: null, of: null, verdict: null })).toBe('Ask.');
});
