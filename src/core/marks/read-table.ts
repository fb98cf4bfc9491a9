import Papa from 'papaparse';
import type { MarkPart, Scheme } from './mark';

/** Why a line of a table of marks cannot be used. */
export type TableProblem =
  /** It names nobody. */
  | { code: 'nobody' }
  /** The same student stands in an earlier line. */
  | { code: 'doubled'; line: number }
  /** What stands in a column is no number, no level of its criterion or no verdict. */
  | { code: 'bad-value'; column: string; value: string }
  /** A sum says other points than the line comes to. */
  | { code: 'other-sum'; says: number; comesTo: number }
  /** Whom it names is not in the class, or more than one is called so. */
  | { code: 'unknown' }
  | { code: 'several' }
  /** Whoever brings the table has to read that part a second time first. */
  | { code: 'held' };

/** What a line says of one student's mark; null for what it leaves as it is. */
export type TableLine = {
  /** Which row of the file it is, from 1. */
  line: number;
  /** Whom it names: by id, by mail address, or by a name. */
  id: string;
  email: string;
  name: string;
  levels: Record<string, number>;
  points: number | null;
  verdict: MarkPart['verdict'];
  /** What the file says the mark comes to: before the late rule, and in the end. */
  sums: { earned: number | null; points: number | null };
  /** The keeping the file was saved from; null where it does not say. */
  revision: number | null;
  problem: TableProblem | null;
};

export type BroughtTable =
  | { code: 'read'; lines: TableLine[]; /** Lines beyond the most that are read. */ left: number }
  | { code: 'no-columns'; found: string[] }
  | { code: 'empty' };

/** More lines than the largest class has students. */
export const MOST_TABLE_LINES = 2_000;

const HEADS = {
  id: /^id$/iu,
  email: /^(?:e-?mail|mail|(?:e-?)?mail address|address)$/iu,
  name: /^(?:name|full name|student)$/iu,
  earned: /^before the late rule$/iu,
  points: /^(?:points?|marks?|score)$/iu,
  verdict: /^(?:verdict|result)$/iu,
  revision: /^keeping$/iu,
} as const;
type Column = keyof typeof HEADS;

/** A number as a spreadsheet may write it; undefined where it is none. */
function numberIn(text: string): number | undefined {
  if (!/^-?\d+(?:[.,]\d+)?$/u.test(text)) return undefined;
  return Number(text.replace(',', '.'));
}

const VERDICTS: Record<string, MarkPart['verdict']> = {
  done: 'done',
  again: 'again',
  'do again': 'again',
};

/** The column a number is given in: before the late rule, where the file tells the two apart. */
const given = (columns: Record<'earned' | 'points', number>): number =>
  columns.earned >= 0 ? columns.earned : columns.points;

type Columns = Record<Column, number> & { criteria: { id: string; title: string; at: number }[] };

function columnsOf(head: readonly string[], scheme: Scheme): Columns | null {
  const at = (column: Column) => head.findIndex((cell) => HEADS[column].test(cell));
  const criteria =
    scheme.by === 'rubric'
      ? scheme.rubric.criteria.flatMap(({ id, title }) => {
          const found = head.findIndex((cell) => cell.toLowerCase() === title.trim().toLowerCase());
          return found < 0 ? [] : [{ id, title, at: found }];
        })
      : [];
  const columns = {
    id: at('id'),
    email: at('email'),
    name: at('name'),
    earned: at('earned'),
    points: at('points'),
    verdict: at('verdict'),
    revision: at('revision'),
    criteria,
  };
  const says =
    scheme.by === 'rubric'
      ? criteria.length > 0
      : scheme.by === 'points'
        ? given(columns) >= 0
        : scheme.by === 'verdict' && columns.verdict >= 0;
  return says && (columns.id >= 0 || columns.email >= 0 || columns.name >= 0) ? columns : null;
}

/**
 * Reads a table of marks (RFC 4180; semicolons and tabs as well) as it was saved here or as a college's system writes one: its columns
 * are found by their names, in any order. Of a rubric each criterion's points must be those of one of its levels. An empty cell leaves
 * what stands as it is. Nothing is left out silently.
 *
 * @example readMarksTable('Name,Points\nImani Okoro,17', { by: 'points', of: 20 }) // one line: 17 points
 */
export function readMarksTable(text: string, scheme: Scheme): BroughtTable {
  const bare = text.replace(/^\uFEFF/u, '');
  const { delimiter } = Papa.parse(bare, { preview: 50, skipEmptyLines: 'greedy' }).meta;
  const { data } = Papa.parse<string[]>(bare, { delimiter });
  const rows = data
    .map((cells, i) => ({ cells: cells.map((c) => c.replace(/\s+/gu, ' ').trim()), line: i + 1 }))
    .filter(({ cells }) => cells.some(Boolean));
  const [first, ...students] = rows;
  if (!first || students.length === 0) return { code: 'empty' };
  const columns = columnsOf(first.cells, scheme);
  if (!columns) return { code: 'no-columns', found: first.cells.slice(0, 12) };
  const seen = new Map<string, number>();
  const lines = students.slice(0, MOST_TABLE_LINES).map(({ cells, line }): TableLine => {
    const read = lineOf(cells, columns, scheme, first.cells);
    const key = (read.id || read.email || read.name).toLowerCase();
    const before = seen.get(key);
    if (key && before === undefined) seen.set(key, line);
    const problem =
      key === ''
        ? ({ code: 'nobody' } as const)
        : before !== undefined
          ? ({ code: 'doubled', line: before } as const)
          : read.problem;
    return { ...read, line, problem };
  });
  return { code: 'read', lines, left: Math.max(0, students.length - MOST_TABLE_LINES) };
}

function lineOf(
  cells: readonly string[],
  columns: Columns,
  scheme: Scheme,
  head: readonly string[],
): Omit<TableLine, 'line'> {
  const cell = (i: number) => (i < 0 ? '' : (cells[i] ?? ''));
  const problems: TableProblem[] = [];
  const bad = (i: number) =>
    problems.push({ code: 'bad-value', column: (head[i] ?? '').slice(0, 80), value: cell(i).slice(0, 80) });
  const levels: Record<string, number> = {};
  if (scheme.by === 'rubric')
    for (const { id, at } of columns.criteria) {
      if (cell(at) === '') continue;
      const points = numberIn(cell(at));
      const level = scheme.rubric.criteria
        .find((c) => c.id === id)
        ?.levels.findIndex((l) => l.points === points);
      if (level === undefined || level < 0) bad(at);
      else levels[id] = level;
    }
  let points: number | null = null;
  if (scheme.by === 'points' && cell(given(columns)) !== '') {
    const n = numberIn(cell(given(columns)));
    if (n === undefined || n < 0 || n > 100_000) bad(given(columns));
    else points = n;
  }
  let verdict: MarkPart['verdict'] = null;
  if (scheme.by === 'verdict' && cell(columns.verdict) !== '') {
    verdict = VERDICTS[cell(columns.verdict).toLowerCase()] ?? null;
    if (!verdict) bad(columns.verdict);
  }
  const revision = numberIn(cell(columns.revision));
  return {
    id: cell(columns.id).slice(0, 60),
    email: cell(columns.email).slice(0, 320),
    // A formula that was defused when the table was saved has a quote before it.
    name: cell(columns.name)
      .replace(/^'(?=[=+@-])/u, '')
      .slice(0, 200),
    levels,
    points,
    verdict,
    sums: {
      earned: numberIn(cell(columns.earned)) ?? null,
      points: columns.earned >= 0 || scheme.by === 'rubric' ? (numberIn(cell(columns.points)) ?? null) : null,
    },
    revision: revision !== undefined && Number.isInteger(revision) && revision >= 0 ? revision : null,
    problem: problems[0] ?? null,
  };
}
