import type { Part } from '../brief/brief';
import { meantParts } from './meaning';
import { ownStretches, type Passage } from './passages';
import { citationsIn } from './sources';
import type { Evidence } from './types';

/** Fewer own words than this under a part's heading are a note, not an answer. */
const ANSWER_MIN_WORDS = 5;

/** So many words are an answer whatever they are; of fewer it is looked whether they say anything. */
const SURELY_SAYS = 40;

const HAS_LETTER = /\p{L}/u;

/** Whether passages say something: five different words, of which none is a number or stands in what only names a source. */
function saysSomething(mine: Passage[], words: number): boolean {
  if (words < ANSWER_MIN_WORDS) return false;
  if (words >= SURELY_SAYS) return true;
  const said = new Set<string>();
  for (const { line, ownWords } of mine) {
    const cited = citationsIn(line);
    for (const w of ownWords)
      if (
        HAS_LETTER.test(w.text) &&
        !cited.some((c) => c.from <= line.pos + w.start && line.pos + w.end <= c.to)
      )
        said.add(w.text.toLowerCase());
  }
  return said.size >= ANSWER_MIN_WORDS;
}

export type PartAnswer = {
  part: Part;
  n: number;
  /** Its heading or number stands in the text. */
  placed: boolean;
  words: number;
  answered: boolean;
  evidence: Evidence[];
};

/**
 * For parts whose headings were taken out, the passages that answer them by what they say. A passage beneath another part's
 * heading belongs to that part first; only what follows its first paragraph may be meant for the next.
 */
function byMeaning(all: Passage[], parts: Part[], placed: (p: Part) => boolean): Map<string, Passage[]> {
  const found = new Map<string, Passage[]>();
  for (let i = 0; i < parts.length; i += 1) {
    const first = parts[i];
    if (!first || placed(first)) continue;
    let end = i;
    while (parts[end] && !placed(parts[end] as Part)) end += 1;
    const before = parts[i - 1]?.id ?? null;
    const open = parts.slice(i, end);
    const passages = all
      .filter((p) => p.role === 'own' && p.part === before && p.ownWords.length >= ANSWER_MIN_WORDS)
      .slice(before === null ? 0 : 1);
    for (const { part, at } of meantParts(
      passages.map((p) => p.line.text),
      open,
    )) {
      const passage = passages[at];
      if (passage) found.set(part.id, [...(found.get(part.id) ?? []), passage]);
    }
    i = end;
  }
  return found;
}

/**
 * For each part of the prompt, whether the text answers it: own words that stand under its heading or number or, where that
 * was taken out, a passage that speaks of it.
 *
 * @example five own words under the first heading and none under the second: answered, and not
 */
export function partAnswers(all: Passage[], parts: Part[]): PartAnswer[] {
  const under = (part: Part) => all.filter((p) => p.part === part.id);
  const meant = byMeaning(all, parts, (part) => under(part).length > 0);
  return parts.map((part, i) => {
    const placed = under(part);
    const mine = placed.length ? placed : (meant.get(part.id) ?? []);
    const words = mine.reduce((n, p) => n + p.ownWords.length, 0);
    return {
      part,
      n: i + 1,
      placed: placed.length > 0,
      words,
      answered: saysSomething(mine, words),
      evidence: mine.flatMap((p) =>
        ownStretches(p).map((s) => ({
          from: p.line.pos + s.start,
          to: p.line.pos + s.end,
          note: placed.length ? `part ${i + 1}` : `part ${i + 1}, by what it says`,
        })),
      ),
    };
  });
}
