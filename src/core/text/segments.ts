import { joinWords, type Segment } from './joined';

/** A part of a longer text, and where in it that begins (UTF-16 offset). */
type Stretch = { text: string; start: number };

const STRETCH = 1_000;
const LONGEST = 10_000;

/** A space before a letter is a word boundary whatever stands around it (UAX #29). */
const BEFORE_WORD = /\s(?=\p{L})/gu;
/** So is, for sentences, what ends one before a space and a capital (UAX #29, SB11: nothing of SB6 to SB10 holds there). */
const BEFORE_SENTENCE = /[.?!]\s(?=\p{Lu})|\n/gu;

function cutAt(text: string, boundary: RegExp): Stretch[] {
  if (text.length <= STRETCH) return [{ text, start: 0 }];
  const found: Stretch[] = [];
  let start = 0;
  while (start < text.length) {
    boundary.lastIndex = start + STRETCH;
    const next = boundary.exec(text);
    let end = next ? next.index + next[0].length : text.length;
    // A text without any boundary for so long is not written by a person: it is cut somewhere, between characters.
    if (end - start > LONGEST)
      end = start + LONGEST - (/[\ud800-\udbff]/.test(text[start + LONGEST - 1] ?? '') ? 1 : 0);
    found.push({ text: text.slice(start, end), start });
    start = end;
  }
  return found;
}

const byWord = new Intl.Segmenter('en', { granularity: 'word' });
const bySentence = new Intl.Segmenter('en', { granularity: 'sentence' });

/**
 * Segments stretch by stretch: each step of the platform's segmenter takes time that grows with the whole text it was
 * given, so a text of 60,000 words in one piece takes most of a minute; cut at sure boundaries it gives the same.
 */
function* segments(segmenter: Intl.Segmenter, stretches: Stretch[]): Generator<Segment> {
  for (const { text, start } of stretches)
    for (const { segment, index, isWordLike } of segmenter.segment(text))
      yield { segment, index: start + index, isWordLike };
}

/**
 * The segments of a text by UAX #29's word boundaries, white space and punctuation among them.
 * @example 'a b' has three: 'a', ' ' and 'b'
 */
export const wordSegments = (text: string) => joinWords(segments(byWord, cutAt(text, BEFORE_WORD)));
/**
 * The segments of a text by UAX #29's sentence boundaries, each with the white space after it.
 * @example 'One. Two.' has two: 'One. ' and 'Two.'
 */
export const sentenceSegments = (text: string) => segments(bySentence, cutAt(text, BEFORE_SENTENCE));
