import type { PageLine, Run } from './pdf-page';

/** A gap between two runs of a line that is no space between words, in sizes of its letters. */
const WIDE = 0.8;
/** And one that can be both. */
const NARROW = 0.15;
/** Where two runs begin one below the other, in points. */
const ALIGNED = 2;
/** So many lines have a cell in a column, and so many rows are a table. */
const LEAST = 3;

/** A page has no more lines than this in one table. */
const MOST_LINES = 400;

const aligned = (a: number, b: number) => Math.abs(a - b) < ALIGNED;

/** Where runs begin that another one stands before, and whether the gap between them is wide. */
const startsOf = ({ runs }: PageLine): { x: number; wide: boolean }[] =>
  runs.flatMap((run, i) => {
    const before = runs[i - 1];
    const gap = before ? run.x - (before.x + before.width) : 0;
    return gap > run.size * NARROW ? [{ x: run.x, wide: gap > run.size * WIDE }] : [];
  });

/** The places at which cells begin on a page, beside the first of each line: many lines have one there, and not all of them close to what stands before. */
function columnsOf(lines: readonly PageLine[]): number[] {
  const starts: { x: number; n: number; wide: boolean }[] = [];
  for (const { x, wide } of lines.flatMap(startsOf)) {
    const known = starts.find((s) => aligned(s.x, x));
    if (known) Object.assign(known, { n: known.n + 1, wide: known.wide || wide });
    else starts.push({ x, n: 1, wide });
  }
  return starts
    .filter((s) => s.n >= LEAST && s.wide)
    .map((s) => s.x)
    .sort((a, b) => a - b);
}

const join = (texts: readonly string[]) => texts.join(' ').replace(/\s+/gu, ' ').trim();

/** What a line says in each column: a run that begins where a column does goes on there. */
function cellsOf(line: PageLine, columns: readonly number[]): string[] {
  const cells: string[][] = columns.map(() => []);
  let at = 0;
  for (const run of line.runs) {
    const column = columns.findIndex((c) => aligned(c, run.x));
    if (column >= 0) at = column;
    // What begins further on without a column of its own is of the one it stands in.
    else while (at + 1 < columns.length && (columns[at + 1] ?? Infinity) <= run.x) at += 1;
    cells[at]?.push(run.text);
  }
  return cells.map(join);
}

/** Lines of one table stand no further apart than this, in sizes of their letters. */
const NEXT = 3;

/** Whether a line goes on with a table whose columns these are: it has a cell beside the first, begins beside it, or is no wider than it. */
const isOf = (line: PageLine, before: PageLine | undefined, columns: readonly number[]) => {
  const [left = 0, second = Infinity] = columns;
  if (before && before.y - line.y > line.size * NEXT) return false;
  const beside =
    line.x >= second - ALIGNED || line.runs.some((r) => columns.slice(1).some((c) => aligned(c, r.x)));
  const end = Math.max(...line.runs.map((r: Run) => r.x + r.width));
  return beside || (line.x >= left - ALIGNED && end < second);
};

/** The lines of one table as rows: a line that begins at the left begins one, and each of the others goes with the nearer. */
function rowsOf(lines: readonly PageLine[], columns: readonly number[]): PageLine[] {
  const [left = 0] = columns;
  const begins = lines.filter((l, i) => {
    if (!aligned(l.x, left)) return false;
    const above = lines[i - 1];
    // A first cell in the middle of its row stands between the lines of the others.
    const between = above !== undefined && !aligned(above.x, left) && above.y - l.y < l.size;
    return between || cellsOf(l, columns).filter(Boolean).length > 1;
  });
  if (begins.length < LEAST) return [...lines];
  const rows = begins.map((first) => ({ first, cells: columns.map((): string[] => []) }));
  for (const line of lines) {
    const nearest = rows.reduce((best, row) =>
      Math.abs(row.first.y - line.y) < Math.abs(best.first.y - line.y) ? row : best,
    );
    cellsOf(line, columns).forEach((cell, i) => cell && nearest.cells[i]?.push(cell));
  }
  return rows.map(({ first, cells }) => ({ ...first, row: true, text: cells.map(join).join('\t') }));
}

/**
 * The lines of a page, with those of its tables put together to rows whose cells have tabs between them: a printed table is nothing but runs that
 * begin one below the other.
 * @example lines "1   Wells" and two like it, aligned, are the rows "1\tWells", …
 */
export function withTables(lines: readonly PageLine[]): PageLine[] {
  const beside = columnsOf(lines);
  if (beside.length === 0) return [...lines];
  const found: PageLine[] = [];
  let table: PageLine[] = [];
  let left = Infinity;
  const end = () => {
    const used = beside.filter(
      (c) => c > left + ALIGNED && table.some((l) => l.runs.some((r) => aligned(r.x, c))),
    );
    found.push(
      ...(table.length >= LEAST && table.length <= MOST_LINES ? rowsOf(table, [left, ...used]) : table),
    );
    table = [];
    left = Infinity;
  };
  const take = (line: PageLine) => {
    table.push(line);
    left = Math.min(left, line.x);
  };
  for (const line of lines) {
    const starts = line.runs.some((r) => beside.some((c) => aligned(c, r.x)));
    const from = Math.min(left, line.x);
    const goesOn =
      table.length > 0 && isOf(line, table.at(-1), [from, ...beside.filter((c) => c > from + ALIGNED)]);
    if (!goesOn) end();
    if (goesOn || starts) take(line);
    else found.push(line);
  }
  end();
  return found;
}
