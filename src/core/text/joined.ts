import type { Segment } from './segments';

/**
 * What may stand inside a word between two letters (UAX #29, WB6 and WB7) and is a boundary to some browsers nevertheless:
 * "example.org" is one word to the standard and two to them. Of such marks these are the ones in doubt.
 */
const IN_DOUBT = /^[.:\ufe55\uff0e\uff1a]$/u;

/** Letters that the standard takes for no ALetter: each may be a word. */
const IDEOGRAPH = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]/u;
const LAST_LETTER = /(\p{Alphabetic})[\p{M}\p{Cf}]*$/u;
const FIRST_LETTER = /^\p{Alphabetic}/u;

const isLetter = (found: string | undefined) => found !== undefined && !IDEOGRAPH.test(found);
const endsInLetter = (text: string) => isLetter(LAST_LETTER.exec(text)?.[1]);
const startsWithLetter = (text: string) => isLetter(FIRST_LETTER.exec(text)?.[0]);

/**
 * The segments of a text as the standard has them, whatever the platform makes of a full stop or a colon between letters: the same
 * text has the same number of words on every browser and on the server.
 *
 * @example joinWords(['a', '.', 'b']) // ['a.b']
 */
export function* joinWords(segments: Iterable<Segment>): Generator<Segment> {
  let word: Segment | null = null;
  let mark: Segment | null = null;
  for (const next of segments) {
    if (word && mark) {
      if (next.isWordLike && startsWithLetter(next.segment)) {
        word = { ...word, segment: word.segment + mark.segment + next.segment };
        mark = null;
        continue;
      }
      yield word;
      yield mark;
      word = mark = null;
    } else if (word && IN_DOUBT.test(next.segment) && endsInLetter(word.segment)) {
      mark = next;
      continue;
    } else if (word) {
      yield word;
      word = null;
    }
    if (next.isWordLike) word = next;
    else yield next;
  }
  if (word) yield word;
  if (mark) yield mark;
}
