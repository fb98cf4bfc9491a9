import { passages } from '../checks/passages';
import type { Evidence } from '../checks/types';
import type { Doc } from '../document/nodes';
import type { ReadAnswered } from './answered';
import { told, type Facet } from './facets';
import { judgeRead, type Measures, type Verdict } from './judge';
import { repeatOf, type Earlier } from './repeated';
import { weigh } from './weigh';

/** Something a draft does, with where in the document it does it. */
export type Doing = Omit<Facet, 'spans'> & { evidence: Evidence[] };
export type Substance = {
  score: number;
  verdict: Verdict;
  /** Words of the draft that were judged: the writer's and what is quoted of the post. */
  words: number;
  /** What it is told to do, and all that was found in it. */
  doing: Doing[];
  found: Doing[];
  /** What was judged, and its measures by words; none of a text without any. */
  text: string;
  measures: Measures | null;
  /** Whom an earlier reply of the writer's answered that this one nearly is. */
  repeats: string | null;
};

/** What is said to one and all takes up nothing of anybody's. */
const unlessRepeated = (verdict: Verdict, repeats: unknown): Verdict =>
  repeats && verdict === 'substantive' ? 'fair' : verdict;

/**
 * What is said of a draft once its meaning is known, too; that may be the meaning of a few words ago.
 * @example weighed(substance, meant).verdict // 'substantive', where by its words alone it was 'fair'
 */
export function weighed(substance: Substance, meant: readonly number[]): Substance {
  if (!substance.measures) return substance;
  const { score, verdict } = weigh(substance.measures, meant);
  return {
    ...substance,
    score,
    doing: told(substance.found, score),
    verdict: unlessRepeated(verdict, substance.repeats),
  };
}

/**
 * Judges a draft where it stands: its headings and its list of sources are no part of what it says.
 * @example a draft that is only headings is judged as one without a word
 */
export function substanceOf(doc: Doc, read: ReadAnswered, earlier: readonly Earlier[] = []): Substance {
  const lines = passages(doc)
    .filter((p) => p.role !== 'reference' && p.line.kind !== 'heading' && p.line.text.trim() !== '')
    .map((p) => p.line);
  let text = '';
  const starts = lines.map(({ text: line, pos }) => {
    const start = text.length;
    text += `${line}\n`;
    return { start, end: start + line.length, pos };
  });
  // A stretch that runs over lines is marked line by line.
  const onDocument = (span: { start: number; end: number }): Evidence[] =>
    starts.flatMap((l) => {
      const from = Math.max(l.start, span.start);
      const to = Math.min(l.end, span.end);
      return from < to ? [{ from: l.pos + from - l.start, to: l.pos + to - l.start }] : [];
    });
  const { score, verdict, words, facets, measures } = judgeRead(text, read);
  const repeats = repeatOf(text, earlier);
  const found = facets.map(({ spans, ...facet }) => ({ ...facet, evidence: spans.flatMap(onDocument) }));
  return {
    score,
    verdict: unlessRepeated(verdict, repeats),
    words,
    text,
    measures,
    repeats: repeats?.name ?? null,
    doing: told(found, score),
    found,
  };
}
