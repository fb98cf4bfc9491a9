/** What the platform's segmenter gives, with the place in the whole text. */
export type Segment = { segment: string; index: number; isWordLike?: boolean | undefined };

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
 * @example the segments 'a', '.' and 'b' are one, 'a.b'
 */
export function* joinWords(segments: Iterable<Segment>): Generator<Segment> {
  // What may yet be joined: a word, or a word and a mark after it.
  let held: Segment[] = [];
  for (const next of segments) {
    const [word, mark] = held;
    if (word && mark && next.isWordLike && startsWithLetter(next.segment)) {
      held = [{ ...word, segment: word.segment + mark.segment + next.segment }];
    } else if (word && !mark && IN_DOUBT.test(next.segment) && endsInLetter(word.segment)) {
      held = [word, next];
    } else {
      yield* held;
      held = [];
      if (next.isWordLike) held = [next];
      else yield next;
    }
  }
  yield* held;
}
