import fc from 'fast-check';
import { joinWords } from '@/core/text/joined';
import { sentenceSegments, wordSegments } from '@/core/text/segments';
import { countWords, words } from '@/core/text/words';

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
  it('has just the words that the platform’s segmenter has, whatever they are made of', () => {
    const letters = fc.constantFrom(
      ...'a Z 9 _ . , ; : ! ? … \' " ’ ‘ “ ” ( ) [ ] - – — / & @ # % \u0301 \u200d \u00a0 é 河 は 🌊 ٣ ـ'.split(
        ' ',
      ),
      ' ',
      ' ',
      ' ',
      '\n',
      '\t',
    );
    const said = fc.oneof(text, fc.string({ unit: letters, maxLength: 120 }), fc.string({ maxLength: 80 }));
    fc.assert(
      fc.property(said, (typed) => {
        const platform = [...new Intl.Segmenter('en', { granularity: 'word' }).segment(typed)]
          .filter((s) => s.isWordLike)
          .map((s) => ({ text: s.segment, start: s.index, end: s.index + s.segment.length }));
        expect(words(typed)).toEqual(platform);
        expect(countWords(typed)).toBe(platform.length);
      }),
      { numRuns: 1_500 },
    );
  });
  it('has the standard’s words where a browser parts them at a full stop or a colon between letters', () => {
    const around = fc.constantFrom(
      ..."a Z 9 . : . : _ ' - / é e\u0301 א カ 河 ก ٣ \u200d \ufe55 \uff0e \uff1a".split(' '),
      ' ',
    );
    fc.assert(
      fc.property(fc.string({ unit: around, maxLength: 40 }), (typed) => {
        const platform = [...new Intl.Segmenter('en', { granularity: 'word' }).segment(typed)];
        const parted = platform.flatMap(({ segment, index, isWordLike }) => {
          // What is no word to the platform ("a.a_" and a joiner) is none however it is parted.
          if (!isWordLike) return [{ segment, index, isWordLike: false }];
          let at = index;
          return segment.split(/(?<=\p{L}\p{M}*)([.:\ufe55\uff0e\uff1a])(?=\p{L})/u).map((piece, i) => {
            at += piece.length;
            return { segment: piece, index: at - piece.length, isWordLike: i % 2 === 0 && isWordLike };
          });
        });
        expect([...joinWords(parted)].map(({ segment, index }) => [index, segment])).toEqual(flat(platform));
      }),
      { numRuns: 2_500 },
    );
  });
  it('loses no letter even where nothing parts it for pages, and is done in a moment', () => {
    const wall = '🌊a'.repeat(40_000);
    expect([...wordSegments(wall)].map((s) => s.segment).join('')).toBe(wall);
    expect(countWords('river '.repeat(60_000))).toBe(60_000);
  });
});
