import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';

/** A place in a prompt that names one of its readings, in the document's positions. */
export type Mention = { from: number; to: number; slug: string };

const NAMED =
  /\b(chapters?|ch\.|chap\.|units?|parts?|lessons?|sections?|readings?|articles?)\s*(\d{1,3})\b/giu;
const KINDS: Record<string, string> = { 'ch.': 'chapter', 'chap.': 'chapter' };
const kindOf = (word: string) => {
  const lower = word.toLowerCase();
  return KINDS[lower] ?? lower.replace(/s$/u, '');
};
/** A title of one short word names too many things to be a mention of the reading. */
const LEAST_TITLE = 8;

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/gu, '\\$&').replace(/['’]/gu, "['’]");

/** What a reading goes by: its whole title, and what stands behind "Chapter 6:". */
const titlesOf = (title: string) =>
  [title, title.replace(/^[^:]{1,20}:\s*/u, '')].filter((t) => t.length >= LEAST_TITLE);

/**
 * Where a prompt names its readings, by number ("chapter 6" for the reading "Chapter 6: …") or by title, in order and none over
 * another.
 *
 * @example "see chapter 6" in a prompt names the reading "Chapter 6: Levees"
 */
export function mentionsOf(doc: Doc, readings: readonly { slug: string; title: string }[]): Mention[] {
  const numbered = new Map<string, string>();
  for (const { slug, title } of readings) {
    NAMED.lastIndex = 0;
    const m = NAMED.exec(title);
    if (m && m.index === 0) numbered.set(`${kindOf(m[1] ?? '')} ${m[2]}`, slug);
  }
  const found: Mention[] = [];
  for (const line of flatten(doc)) {
    const here: Mention[] = [];
    const add = (index: number, length: number, slug: string) => {
      const from = line.pos + index;
      const to = from + length;
      if (!here.some((m) => from < m.to && to > m.from)) here.push({ from, to, slug });
    };
    for (const { slug, title } of readings) {
      for (const name of titlesOf(title)) {
        for (const m of line.text.matchAll(
          new RegExp(`(?<![\\p{L}\\p{N}])${escaped(name)}(?![\\p{L}\\p{N}])`, 'giu'),
        ))
          add(m.index, m[0].length, slug);
      }
    }
    for (const m of line.text.matchAll(NAMED)) {
      const slug = numbered.get(`${kindOf(m[1] ?? '')} ${m[2]}`);
      if (slug) add(m.index, m[0].length, slug);
    }
    found.push(...here.sort((a, b) => a.from - b.from));
  }
  return found;
}
