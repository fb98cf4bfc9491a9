import { countWords } from './words';

export type Span = { start: number; end: number };

/** A quotation is at least this long; shorter ones are single terms set off by the writer, and the writer's own. */
const QUOTATION_MIN_WORDS = 3;

const PAIRS = [
  /“([^“”]+)”/gu,
  /„([^„“”]+)[“”]/gu,
  /«([^«»]+)»/gu,
  /"([^"]+)"/gu,
  // Single marks only where they stand around words, so that an apostrophe opens or closes nothing.
  /(?<![\p{L}\p{N}])‘([^‘]+?)’(?![\p{L}\p{N}])/gu,
];

/**
 * The passages of a paragraph that stand between quotation marks and have three words or more, marks included,
 * in order and without overlap. A mark that is never closed quotes nothing.
 *
 * @example quotations('She says “the wall held for sixty years” and I agree') // [{ start: 9, end: 40 }]
 */
export function quotations(paragraph: string): Span[] {
  const all = PAIRS.flatMap((pair) =>
    [...paragraph.matchAll(pair)]
      .filter((m) => countWords(m[1] ?? '') >= QUOTATION_MIN_WORDS)
      .map((m) => ({ start: m.index, end: m.index + m[0].length })),
  ).sort((a, b) => a.start - b.start || b.end - a.end);
  const kept: Span[] = [];
  for (const span of all) {
    const last = kept[kept.length - 1];
    if (!last || span.start >= last.end) kept.push(span);
  }
  return kept;
}
