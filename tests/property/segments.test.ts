import fc from 'fast-check';
import { sentenceSegments, wordSegments } from '@/core/text/segments';
import { countWords } from '@/core/text/words';

const piece = fc.constantFrom(
  'The river',
  ' rose.',
  ' “Why?”',
  ' It did',
  '\n',
  ' Dr. Holt',
  ' e.g. here',
  ' 3.5',
  '  ',
  ' ́a',
  ' 🌊',
  ' don’t',
  ' naïve!',
  ' U.S. Army',
  '\r\n',
  ' 河は',
);
const text = fc.array(piece, { minLength: 300, maxLength: 900 }).map((p) => p.join(''));

const whole = (granularity: 'word' | 'sentence', said: string) =>
  [...new Intl.Segmenter('en', { granularity }).segment(said)].map((s) => [s.index, s.segment]);
const flat = (found: Iterable<{ index: number; segment: string }>) =>
  [...found].map((s) => [s.index, s.segment]);

describe('a long text that is segmented in stretches', () => {
  it('has the words it has in one piece', () => {
    fc.assert(fc.property(text, (said) => expect(flat(wordSegments(said))).toEqual(whole('word', said))));
  });
  it('has the sentences it has in one piece', () => {
    fc.assert(
      fc.property(text, (said) => expect(flat(sentenceSegments(said))).toEqual(whole('sentence', said))),
    );
  });
  it('loses no letter even where nothing parts it for pages, and is done in a moment', () => {
    const wall = '🌊a'.repeat(40_000);
    expect([...wordSegments(wall)].map((s) => s.segment).join('')).toBe(wall);
    expect(countWords('river '.repeat(60_000))).toBe(60_000);
  });
});
