import { scoreOf, type Late, type Mark, type MarkPart, type Scheme } from './mark';
import type { TableLine, TableProblem } from './read-table';

/** A mark as it stands when a table is brought. */
export type Standing = { mark: Mark; late: Late | null; revision: number };

/** What a line of a table would do to a mark that stands. */
export type TableChange =
  | { code: 'same' }
  /** It is changed; `over` where it was written on since the file was saved, so that one has to say which shall stand. */
  | { code: 'change'; part: MarkPart; before: number | null; after: number | null; over: boolean }
  | { code: 'problem'; problem: TableProblem };

const partOf = ({ levels, points, verdict }: Mark): MarkPart => ({ levels, points, verdict });

/**
 * What a line of a table would do to the mark of whom it names. An empty cell leaves what stands. A sum that fits neither the mark as it
 * stands nor as it would become is a mistake somewhere, and nothing of the line is taken.
 *
 * @example a line with 15 points over a mark of 17 that nobody touched since: { code: 'change', before: 17, after: 15, over: false, … }
 */
export function tableChange(
  line: TableLine,
  { mark, late, revision }: Standing,
  scheme: Scheme,
): TableChange {
  if (line.problem) return { code: 'problem', problem: line.problem };
  const part: MarkPart = {
    levels: { ...mark.levels, ...line.levels },
    points: line.points ?? mark.points,
    verdict: line.verdict ?? mark.verdict,
  };
  const before = scoreOf(scheme, mark, late);
  const after = scoreOf(scheme, { ...mark, ...part }, late);
  const over = line.revision !== null && line.revision !== revision;
  // Where the mark was written on since, an old sum is that of the mark as it was then.
  for (const sum of ['earned', 'points'] as const) {
    const says = line.sums[sum];
    const comesTo = after[sum];
    if (
      !over &&
      says !== null &&
      comesTo !== null &&
      after.open === 0 &&
      says !== comesTo &&
      says !== before[sum]
    )
      return { code: 'problem', problem: { code: 'other-sum', says, comesTo } };
  }
  if (sameParts(partOf(mark), part)) return { code: 'same' };
  return {
    code: 'change',
    part,
    before: before.open === 0 ? before.points : null,
    after: after.open === 0 ? after.points : null,
    over,
  };
}

const sameParts = (a: MarkPart, b: MarkPart): boolean =>
  a.points === b.points &&
  a.verdict === b.verdict &&
  Object.keys({ ...a.levels, ...b.levels }).every((id) => a.levels[id] === b.levels[id]);

/** Somebody of the class, as a line may name them. */
export type Named = { id: string; email: string | null; name: string };

/**
 * Whom a line names: by id, by mail address, else by the one name. What is named twice in different ways is the id's.
 * @example a line with the name of two students: { code: 'several' }
 */
export function whoIs<P extends Named>(
  line: Pick<TableLine, 'id' | 'email' | 'name'>,
  people: readonly P[],
): P | Extract<TableProblem, { code: 'unknown' | 'several' }> {
  if (line.id) return people.find((p) => p.id === line.id.toLowerCase()) ?? { code: 'unknown' };
  const same = (a: string | null, b: string) => a !== null && a.toLowerCase() === b.toLowerCase();
  const [one, ...more] = people.filter((p) =>
    line.email ? same(p.email, line.email) : same(p.name, line.name),
  );
  return one ? (more.length ? { code: 'several' } : one) : { code: 'unknown' };
}
