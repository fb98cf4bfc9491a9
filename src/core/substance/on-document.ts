import { passages } from '../checks/passages';
import type { Evidence } from '../checks/types';
import type { Doc } from '../document/nodes';
import type { ReadAnswered } from './answered';
import type { Facet } from './facets';
import { judgeRead, type Verdict } from './judge';
import { repeatOf, type Earlier } from './repeated';

/** Something a draft does, with where in the document it does it. */
export type Doing = Omit<Facet, 'spans'> & { evidence: Evidence[] };
export type Substance = {
  score: number;
  verdict: Verdict;
  /** Words of the draft that were judged: the writer's and what is quoted of the post. */
  words: number;
  doing: Doing[];
  /** Whom an earlier reply of the writer's answered that this one nearly is. */
  repeats: string | null;
};

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
  const { score, verdict, words, facets } = judgeRead(text, read);
  const repeats = repeatOf(text, earlier);
  return {
    score,
    // What is said to one and all takes up nothing of anybody's.
    verdict: repeats && verdict === 'substantive' ? 'fair' : verdict,
    words,
    repeats: repeats?.name ?? null,
    doing: facets.map(({ spans, ...facet }) => ({ ...facet, evidence: spans.flatMap(onDocument) })),
  };
}
