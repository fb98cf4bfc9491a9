import type { NamedDate } from '../calendar/dates-named';
import { namesDiscussion, namesOther, sideSaid } from './discussion-words';
import { COURSE } from './course-said';
import type { TermRow } from './term';

/** The entries of one discussion stand no further apart than this. */
const APART_MS = 15 * 86_400_000;
const AROUND =
  /\s*[[(]?\b(?:is |are )?(?:due|deadline|closes|ends|available until|to be submitted)\b[\])]?[:\s-]*|\s*[[(]?\b(?:your )?(?:initial|original|first|main)?\s*(?:posts?|response|repl(?:y|ies)(?: to (?:classmates|peers|others|two|three|posts))*|peer (?:responses|replies)|responses to (?:classmates|peers))\b[\])]?/giu;
const MOST_TITLE = 160;

/** What an entry is about, without which of the two it is and without its course. */
const stemOf = (title: string) =>
  title
    .replace(/[[(]\s*\p{Lu}{2,5}[ -]?\d{2,4}[^\])]*[\])]/gu, ' ')
    .replace(AROUND, ' ')
    .replace(/\(\s*\)|\[\s*\]/gu, ' ')
    .replace(/\s+/gu, ' ')
    .replace(/\s+([:,.?!])/gu, '$1')
    .replace(/^[\s:,;.–—|-]+|[\s:,;–—|-]+$/gu, '')
    .trim();
const bare = (stem: string) =>
  stem
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

const isDiscussion = ({ title, about = '' }: NamedDate) =>
  namesDiscussion(title) ||
  (!namesOther(title) &&
    (namesDiscussion(about) || /\brepl(?:y|ies)\b|\b(?:first|initial) post\b/iu.test(title)));

const ms = (wall: string) => Date.parse(`${wall}:00Z`);

/**
 * The discussions among the entries of a calendar: those that say so, or whose description does. Two entries of one name are its two deadlines, by
 * what each says it is for, and else in their order.
 * @example calendarRows([{ title: 'Discussion 3: replies due', wall: '2026-10-18T23:59' }]) // one, of which the response's day is not known
 */
export function calendarRows(dates: readonly NamedDate[]): TermRow[] {
  const groups: { stem: string; entries: NamedDate[] }[] = [];
  for (const entry of dates.filter(isDiscussion)) {
    const stem = stemOf(entry.title);
    const known = groups.find(
      (g) =>
        bare(g.stem) === bare(stem) &&
        g.entries.length < 2 &&
        Math.abs(ms(entry.wall) - ms(g.entries.at(-1)?.wall ?? entry.wall)) <= APART_MS,
    );
    if (known) known.entries.push(entry);
    else groups.push({ stem, entries: [entry] });
  }
  return groups.map(({ stem, entries }) => {
    const sides = entries.map((e) => sideSaid(e.title.replace(stem, '')));
    const of = (side: 'response' | 'replies') => entries[sides.indexOf(side)]?.wall;
    const open = entries.filter((_, i) => sides[i] === null).map((e) => e.wall);
    const response = of('response') ?? open.shift() ?? null;
    const week = Number(/\b(?:week|module|unit)\s*#?\s*(\d{1,2})\b/iu.exec(stem)?.[1]);
    return {
      title: (stem || (entries[0]?.title ?? '')).slice(0, MOST_TITLE),
      week: week >= 1 && week <= 60 ? week : null,
      responseDue: response,
      repliesDue: of('replies') ?? open.shift() ?? null,
      said: entries.map((e) => e.title).join('\n'),
      usual: false,
    };
  });
}

/**
 * The course that most entries of a calendar name; empty where none does.
 * @example courseOfEntries([{ title: 'Discussion 1 [GEO 115]', wall: '2026-10-15T23:59' }]) // 'GEO 115'
 */
export function courseOfEntries(dates: readonly NamedDate[]): string {
  const counts = new Map<string, number>();
  for (const { title } of dates) {
    const code = COURSE.exec(title)?.[1];
    if (code) counts.set(code, (counts.get(code) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
}
