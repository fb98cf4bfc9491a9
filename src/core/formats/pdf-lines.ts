import type { PageLine, Run } from './pdf-page';
import { withTables } from './pdf-tables';

/** Two runs are on one line when their baselines are nearer than this share of their size. */
const SAME_LINE = 0.5;
/** A gap between lines wider than this times the usual one begins a paragraph. */
const PARAGRAPH_GAP = 1.35;
/** Of lines that begin with a day each is one of its own. */
const DATED =
  /^(?:(?:mon|tue|wed|thu|fri|sat|sun)\w*\.?,?\s+)?(?:(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\w*\.?\s+\d{1,2}\b|\d{1,2}[/.]\d{1,2}\b)/iu;
const MARK = /^(?:[-•▪◦‣*–]|\(?(?:\d{1,2}|[a-z])[.)])\s/iu;

type Baseline = { runs: Run[]; y: number; size: number; n: number };

/** Lines are looked for among those of their stretch of the page, this high in points: a page may have as many lines as runs. */
const STRETCH = 8;

/** Runs by the line they stand on: of several that are near enough the one that came first. */
function baselinesOf(runs: readonly Run[]): Baseline[] {
  const lines: Baseline[] = [];
  const stretches = new Map<number, Baseline[]>();
  let largest = 0;
  /** Where letters are taller than all that was found so far is high, everything is looked through. */
  const around = (from: number, to: number): Iterable<Baseline[]> =>
    to - from < stretches.size
      ? Array.from({ length: to - from + 1 }, (_, i) => stretches.get(from + i) ?? [])
      : stretches.values();
  const nearTo = (run: Run): Baseline | undefined => {
    const reach = Math.max(largest, run.size) * SAME_LINE;
    let found: Baseline | undefined;
    for (const stretch of around(
      Math.floor((run.y - reach) / STRETCH),
      Math.floor((run.y + reach) / STRETCH),
    ))
      for (const line of stretch) {
        const near = Math.abs(line.y - run.y) < Math.max(line.size, run.size) * SAME_LINE;
        if (near && line.n < (found?.n ?? Infinity)) found = line;
      }
    return found;
  };
  for (const run of runs) {
    if (run.text === '') continue;
    const line = nearTo(run);
    if (line) {
      line.runs.push(run);
      continue;
    }
    const begun = { runs: [run], y: run.y, size: run.size, n: lines.length };
    const at = Math.floor(run.y / STRETCH);
    lines.push(begun);
    const stretch = stretches.get(at);
    if (stretch) stretch.push(begun);
    else stretches.set(at, [begun]);
    largest = Math.max(largest, run.size);
  }
  return lines;
}

function linesOf(runs: readonly Run[]): PageLine[] {
  return baselinesOf(runs)
    .sort((a, b) => b.y - a.y)
    .map((line) => {
      const inOrder = line.runs.sort((a, b) => a.x - b.x);
      let text = '';
      let end = -Infinity;
      for (const run of inOrder) {
        const apart =
          run.x - end > run.size * 0.2 && text !== '' && !/\s$/u.test(text) && !/^\s/u.test(run.text);
        text += `${apart ? ' ' : ''}${run.text}`;
        end = run.x + run.width;
      }
      return {
        text: text.replace(/\s+/gu, ' ').trim(),
        y: line.y,
        x: inOrder[0]?.x ?? 0,
        size: line.size,
        runs: inOrder.filter((r) => r.text.trim() !== ''),
      };
    })
    .filter((l) => l.text !== '');
}

/** What browsers and word processors print at the head and foot of every page. */
const FURNITURE =
  /^(?:page\s*)?\d{1,3}(?:\s*(?:\/|of)\s*\d{1,3})?$|^(?:https?:\/\/|file:\/\/)\S+(?:\s+\d{1,3}\s*\/\s*\d{1,3})?$/iu;

/** Lines that stand at the same place of most pages, numbers aside: running heads. */
function withoutFurniture(pages: PageLine[][]): PageLine[][] {
  const key = (l: PageLine) => `${Math.round(l.y / 4)} ${l.text.replace(/\d+/gu, '#')}`;
  const seen = new Map<string, number>();
  for (const page of pages) for (const k of new Set(page.map(key))) seen.set(k, (seen.get(k) ?? 0) + 1);
  const many = Math.max(3, Math.ceil(pages.length * 0.6));
  return pages.map((page) =>
    page.filter((l, i) => {
      const edge = i < 2 || i >= page.length - 2;
      return !(edge && (FURNITURE.test(l.text) || (seen.get(key(l)) ?? 0) >= many));
    }),
  );
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/**
 * The text of printed pages as it is read: lines of a paragraph joined, words that a line's end cut put together again,
 * list items and paragraphs apart, and no running heads, page numbers or addresses.
 *
 * @example two lines "The riv-" and "er rose." are 'The river rose.'
 */
export function textOfPages(pages: readonly (readonly Run[])[]): string {
  const clean = withoutFurniture(pages.map(linesOf)).map(withTables);
  const gaps = clean.flatMap((page) => page.slice(1).map((l, i) => (page[i]?.y ?? 0) - l.y));
  const usual = median(gaps.filter((g) => g > 0));
  const widest = clean.flat().reduce((longest, l) => Math.max(longest, l.text.length), 0);
  let text = '';
  let before: PageLine | null = null;
  for (const line of clean.flat()) {
    const gap: number = before ? before.y - line.y : 0;
    const samePage = gap > 0;
    const resized = before !== null && Math.abs(line.size - before.size) > 0.8;
    const shortBefore = before !== null && before.text.length < widest * 0.6;
    const apart = samePage ? gap > usual * PARAGRAPH_GAP || resized : /[.?!:]$/u.test(before?.text ?? '');
    if (before === null) text = line.text;
    else if (line.row || before.row) text += `${line.row && before.row ? '\n' : '\n\n'}${line.text}`;
    else if (apart) text += `\n\n${line.text}`;
    else if (MARK.test(line.text) || shortBefore || (DATED.test(line.text) && DATED.test(before.text)))
      text += `\n${line.text}`;
    else if (/\p{Ll}-$/u.test(text) && /^\p{Ll}/u.test(line.text)) text = text.slice(0, -1) + line.text;
    else text += ` ${line.text}`;
    before = line;
  }
  return text;
}
