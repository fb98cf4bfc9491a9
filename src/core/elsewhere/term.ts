import type { WallClock } from '../deadlines/wallclock';
import type { Doc } from '../document/nodes';
import type { FieldProblem, Fields } from '../outside/fields';
import { rulesOfFields } from '../outside/rules-of-fields';

/** One discussion of a term, as a syllabus or a calendar says it. */
export type TermRow = {
  title: string;
  week: number | null;
  responseDue: WallClock | null;
  repliesDue: WallClock | null;
  /** The words it was read from, each on a line. */
  said: string;
  /** The days come from what is said of every week, and not from this one's own words. */
  usual: boolean;
};
/** What a syllabus says of a term's discussions. */
export type Term = {
  course: string;
  rows: TermRow[];
  /** What every one of them asks, as the fields of a brief, and the words that say so. */
  rules: Fields;
  rulesSaid: string[];
  /** What the text may ask, and not surely enough to be filled in. */
  asked: { field: string; value: string; quote: string }[];
};

/** The same as somebody looks through it: which rows become discussions, and in which zone their times are. */
export type TermSaid = Omit<Term, 'rows'> & { zone: string; rows: (TermRow & { take: boolean })[] };

/**
 * A term as somebody begins to look through it: every row is taken.
 * @example asked(term, 'Europe/Dublin').zone // 'Europe/Dublin'
 */
export const asked = (term: Term, zone: string): TermSaid => ({
  ...term,
  zone,
  rows: term.rows.map((row) => ({ ...row, take: true })),
});

/**
 * One row with what is asked in all of them, as the fields of a brief.
 * @example fieldsOfRow(term, row).title // the row's
 */
export const fieldsOfRow = (term: Omit<TermSaid, 'rows'>, row: TermRow): Fields => ({
  ...term.rules,
  title: row.title,
  course: term.course,
  zone: term.zone,
  week: row.week === null ? '' : String(row.week),
  responseDue: row.responseDue ?? '',
  repliesDue: row.repliesDue ?? '',
});

/**
 * What is wrong with each row that is taken; nothing with those that are not.
 * @example termProblems({ ...term, rows: [] }) // []
 */
export const termProblems = (term: TermSaid): FieldProblem[][] =>
  term.rows.map((row) => {
    const read = row.take ? rulesOfFields(fieldsOfRow(term, row)) : null;
    return read && !read.ok ? read.failure.problems : [];
  });

/**
 * What a row says, for a calendar that says it again.
 * @example keyOfRow(row) // 'wells 2026-09-10T23:59 '
 */
export const keyOfRow = (row: Pick<TermRow, 'title' | 'responseDue' | 'repliesDue'>) =>
  [[...wordsOf(row.title)].join(' '), row.responseDue ?? '', row.repliesDue ?? ''].join(' ');

/**
 * The prompt of a discussion that a plan names before anybody has seen it: what the plan says, as a quotation and nothing else.
 * @example isAwaited(planned('Week 3: Wells')) // true
 */
export const planned = (said: string): Doc => ({
  type: 'doc',
  content: [
    {
      type: 'blockquote',
      content: said
        .split('\n')
        .map((text) => ({ type: 'paragraph', content: [{ type: 'text', text: text || ' ' }] })),
    },
  ],
});
/**
 * Whether a discussion's prompt is still to be brought in: all that is here is what a plan said.
 * @example isAwaited({ type: 'doc', content: [{ type: 'paragraph' }] }) // false
 */
export const isAwaited = (prompt: Doc) =>
  prompt.content.length === 1 && prompt.content[0]?.type === 'blockquote';

/** A text is the plan of a term from so many discussions on. */
const PLAN = 2;

/**
 * Whether the discussions that a text names are a plan of several weeks, and not one prompt that speaks of itself more than once: they stand in
 * different weeks, or are due on different days. `dated` asks for the days.
 * @example isPlan([row], false) // false
 */
export const isPlan = (rows: readonly TermRow[], dated: boolean): boolean => {
  const days = new Set(rows.flatMap((r) => (r.responseDue === null ? [] : [r.responseDue])));
  const weeks = new Set(rows.flatMap((r) => (r.week === null ? [] : [r.week])));
  return days.size >= PLAN || (!dated && weeks.size >= PLAN);
};

/** A discussion that is here already, as one that is brought in is held against it. */
export type StandingRow = {
  slug: string;
  title: string;
  week: number;
  responseDue: WallClock;
  repliesDue: WallClock;
};
/** What a row is to those that are here: new, the same, or one whose deadlines are others. */
export type Against = { what: 'new' | 'known' | 'moved'; standing: StandingRow | null };

/** The words of a title by which it is known again; numbers are among them. */
const wordsOf = (title: string) =>
  new Set(
    title
      .toLowerCase()
      .normalize('NFKD')
      .match(/[\p{L}\p{N}]+/gu)
      ?.filter((w) => !FILLING.has(w)) ?? [],
  );
const FILLING = new Set(
  'discussion forum board the a an of and in on for to week module unit post posts'.split(' '),
);
const numbersOf = (words: ReadonlySet<string>) => [...words].filter((w) => /^\d+$/u.test(w)).join(' ');

/** From so much of their words in common on two titles are one. */
const SAME_TITLE = 0.6;

function alike(a: string, b: string): number {
  const [x, y] = [wordsOf(a), wordsOf(b)];
  if (x.size === 0 || y.size === 0) return 0;
  const both = [...x].filter((w) => y.has(w)).length;
  // "Discussion 3" and "Discussion 4" share all but what tells them apart.
  const [m, n] = [numbersOf(x), numbersOf(y)];
  return m && n && m !== n ? 0 : both / Math.min(x.size, y.size);
}

/**
 * What each row is to the discussions of its course that are here. Each of them stands for one row at most.
 * @example rowsAgainst([row], []) // [{ what: 'new', standing: null }]
 */
export function rowsAgainst(rows: readonly TermRow[], standing: readonly StandingRow[]): Against[] {
  const taken = new Set<string>();
  const match = (row: TermRow, fits: (s: StandingRow) => boolean) =>
    standing.find((s) => !taken.has(s.slug) && fits(s));
  return rows.map((row) => {
    const found =
      match(
        row,
        (s) => alike(row.title, s.title) >= SAME_TITLE && (row.week === null || row.week === s.week),
      ) ?? match(row, (s) => alike(row.title, s.title) === 1);
    if (!found) return { what: 'new', standing: null };
    taken.add(found.slug);
    const moved =
      (row.responseDue !== null && row.responseDue !== found.responseDue) ||
      (row.repliesDue !== null && row.repliesDue !== found.repliesDue);
    return { what: moved ? 'moved' : 'known', standing: found };
  });
}
