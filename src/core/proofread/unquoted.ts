import { words, type Word } from '../text/words';
import type { Passage } from '../checks/passages';
import type { Finding } from './finding';

/** So many words in a row, letter for letter, are a passage and no coincidence. */
const RUN_WORDS = 8;

export type ReadingText = { title: string; text: string };

const fold = (w: Word) => w.text.toLowerCase().replace(/’/gu, "'");

/**
 * The readings as runs of words: made once for many looks at a draft.
 * @example a reading of fewer words than a run gives none
 */
export function readingRuns(readings: readonly ReadingText[]): Map<string, string> {
  const runs = new Map<string, string>();
  for (const reading of readings) {
    const all = words(reading.text).map(fold);
    for (let i = 0; i + RUN_WORDS <= all.length; i += 1)
      runs.set(all.slice(i, i + RUN_WORDS).join(' '), reading.title);
  }
  return runs;
}

/**
 * Passages of a reading that stand in the writer's own text without quotation marks.
 * @example a long sentence of chapter 6 without quotation marks gives one finding that names the chapter
 */
export function unquoted(all: readonly Passage[], runs: ReadonlyMap<string, string>): Finding[] {
  if (runs.size === 0) return [];
  return all.flatMap((p) => {
    if (p.role !== 'own') return [];
    const own = p.ownWords;
    const found: Finding[] = [];
    for (let i = 0; i + RUN_WORDS <= own.length; i += 1) {
      const title = runs.get(
        own
          .slice(i, i + RUN_WORDS)
          .map(fold)
          .join(' '),
      );
      if (title === undefined) continue;
      let end = i + RUN_WORDS;
      while (
        end < own.length &&
        runs.has(
          own
            .slice(end - RUN_WORDS + 1, end + 1)
            .map(fold)
            .join(' '),
        )
      )
        end += 1;
      const [first, last] = [own[i], own[end - 1]];
      if (first && last) {
        const text = p.line.text.slice(first.start, last.end);
        found.push({
          kind: 'unquoted',
          from: p.line.pos + first.start,
          to: p.line.pos + last.end,
          text,
          fixes: [`“${text}”`],
          about: title,
        });
      }
      i = end - 1;
    }
    return found;
  });
}
