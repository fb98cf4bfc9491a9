import { memo } from './runs';
import type { Span } from '../text/quotations';
import { sentences } from '../text/sentences';
import { words, type Word } from '../text/words';

/** A text that everybody has: the prompt, a reading, a classmate's post. What is copied from it is not the writer's own. */
export type Given = { source: string; text: string };

/** A stretch of a line that is no word of the writer's: said before word for word, one word over and over, or somebody else's. */
export type Apart = (Span & { kind: 'repeated' }) | (Span & { kind: 'copied'; source: string });

/** So many words in a row, letter for letter, are a passage and no coincidence. */
const RUN_WORDS = 8;
/** One word so often in a row is no sentence. */
const IN_A_ROW = 3;
/** A sentence of so many words that is said again says nothing again. */
const SAID_AGAIN = 5;
/** In a stretch of so many words, one that is more than half of them makes a list of it. */
const LIST_WORDS = 10;

const fold = (w: Word) => w.text.toLowerCase().replace(/’/gu, "'");

/** Where one word stands again and again: in a row, or as most of a sentence. All but its first go. */
function lists(text: string): Span[] {
  const found: Span[] = [];
  for (const s of sentences(text)) {
    const all = words(s.text).map((w) => ({ ...w, start: w.start + s.start, end: w.end + s.start }));
    const folded = all.map(fold);
    const counts = new Map<string, number>();
    for (const word of folded) counts.set(word, (counts.get(word) ?? 0) + 1);
    const most = [...counts].sort((a, b) => b[1] - a[1])[0];
    const flooded = all.length >= LIST_WORDS && most && most[1] > all.length / 2 ? most[0] : null;
    let seen = false;
    let row = 0;
    all.forEach((w, i) => {
      const word = folded[i] ?? '';
      row = i > 0 && folded[i - 1] === word ? row + 1 : 1;
      const inRow = row >= IN_A_ROW;
      if (inRow || (word === flooded && seen)) found.push({ start: w.start, end: w.end });
      seen ||= word === flooded;
    });
  }
  return found;
}

/** Passages that stand word for word in something given. */
function copied(text: string, runs: ReadonlyMap<string, string>): Apart[] {
  if (runs.size === 0) return [];
  const all = words(text);
  const folded = all.map(fold);
  const key = (i: number) => folded.slice(i, i + RUN_WORDS).join(' ');
  const found: Apart[] = [];
  for (let i = 0; i + RUN_WORDS <= all.length; i += 1) {
    const source = runs.get(key(i));
    if (source === undefined) continue;
    let last = i;
    while (last + 1 + RUN_WORDS <= all.length && runs.has(key(last + 1))) last += 1;
    const [from, to] = [all[i], all[last + RUN_WORDS - 1]];
    if (from && to) found.push({ kind: 'copied', source, start: from.start, end: to.end });
    i = last + RUN_WORDS - 1;
  }
  return found;
}

/**
 * Looks through the lines of a text in their order for what is not the writer's own (rule 9: own words are words of sentences). The
 * second time a sentence stands it is `repeated`; so is a word said over and over; a passage of eight words and more that stands in
 * what everybody has is `copied`.
 *
 * @example notOwn([])('word word word word') // the third and fourth "word", repeated
 */
export function notOwn(given: readonly Given[]): (line: string) => Apart[] {
  const runs = memo(given, () => runsOf(given));
  const said = new Set<string>();
  return (line) => {
    const again = sentences(line).flatMap((s): Span[] => {
      const all = words(s.text);
      const key = all.map(fold).join(' ');
      if (all.length < SAID_AGAIN) return [];
      if (said.has(key)) return [{ start: s.start, end: s.end }];
      said.add(key);
      return [];
    });
    const repeated = [...again, ...lists(line)].map((s): Apart => ({ ...s, kind: 'repeated' }));
    return [...repeated, ...copied(line, runs)].sort((a, b) => a.start - b.start);
  };
}

/**
 * Texts as runs of words, each with where it stands: made once for many looks at a draft.
 * @example a prompt of ten words has three runs of eight
 */
export function runsOf(given: readonly Given[]): Map<string, string> {
  const runs = new Map<string, string>();
  for (const { source, text } of given) {
    const all = words(text).map(fold);
    for (let i = 0; i + RUN_WORDS <= all.length; i += 1)
      runs.set(all.slice(i, i + RUN_WORDS).join(' '), source);
  }
  return runs;
}
