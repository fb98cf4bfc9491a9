import { sentenceSegments } from '../../text/segments';
import { latin } from '../pattern';

import type { Span } from './types';

const ABBREVIATED = latin(
  /(?:(?<![\p{L}])(?:a\.m|p\.m|e\.g|i\.e|etc|approx|min|max|no|vs|cf|pp?|ch|sec|fig|vol|ed|eds|mr|mrs|ms|dr|prof|st|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|mon|tues?|wed|thurs?|fri|sat|sun)\.)\s*$/iu,
);
const ENDS_ANYWAY = /(?:[ap]\.m|etc|max|min)\.\s*$/iu;

/** No sentence anybody wrote is longer; what is (a table without breaks, a text without stops) is looked at in pieces. */
const LONGEST = 1_500;
function pieces(line: string, span: Span): Span[] {
  const found: Span[] = [];
  let { start } = span;
  while (span.end - start > LONGEST) {
    const space = line.lastIndexOf(' ', start + LONGEST);
    const end = space > start ? space : start + LONGEST;
    found.push({ start, end });
    start = space > start ? end + 1 : end;
  }
  if (start < span.end) found.push({ start, end: span.end });
  return found;
}

/**
 * The sentences of one line, with abbreviations taken for what they are.
 * @example sentencesOf('See Dr. Holt. Write.') // two spans
 */
export function sentencesOf(line: string): Span[] {
  const found: Span[] = [];
  let start = -1;
  for (const s of sentenceSegments(line)) {
    if (start < 0) start = s.index;
    const end = s.index + s.segment.length;
    const rest = line.slice(end);
    const goes = ABBREVIATED.test(s.segment)
      ? !ENDS_ANYWAY.test(s.segment) ||
        /^[^\p{Lu}“"]/u.test(rest) ||
        /^(?:Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)(?:day)?\b/u.test(rest)
      : false;
    if (goes && rest) continue;
    const text = line.slice(start, end);
    const lead = text.length - text.trimStart().length;
    if (text.trim())
      for (const piece of pieces(line, { start: start + lead, end: start + text.trimEnd().length }))
        found.push(piece);
    start = -1;
  }
  return found;
}
