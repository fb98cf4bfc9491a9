import type { MarkRow, MarksSort, MarksTable } from '@/contract/marks';
import { balanceOf } from '@/core/counting/summary';
import { ok, type Result } from '@/core/result';
import { scoreOf, type Scheme } from '@/core/marks/mark';
import { spreadOf } from '@/core/marks/spread';
import { ask } from '@/db/ask';
import { markersOf } from '@/db/queries/marking-shares';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { marksFor, type Marked } from './class-marks';

function rowOf(
  scheme: Scheme,
  { student, ledger, mark, late, state, written, marker, second }: Marked,
  names: ReadonlyMap<string, string>,
): MarkRow {
  const score = scoreOf(scheme, mark, late);
  const whole = score.open === 0;
  return {
    id: student.id,
    name: student.name,
    email: student.email,
    balance: balanceOf(ledger),
    state,
    levels:
      scheme.by === 'rubric'
        ? scheme.rubric.criteria.map((c) => c.levels[mark.levels[c.id] ?? -1]?.points ?? null)
        : [],
    earned: whole ? score.earned : null,
    taken: whole ? score.taken : 0,
    points: whole ? score.points : null,
    verdict: scheme.by === 'verdict' ? mark.verdict : null,
    mark: { levels: mark.levels, points: mark.points, verdict: mark.verdict },
    override: mark.override,
    late,
    revision: written?.revision ?? 0,
    marker: marker && (names.get(marker) ?? null),
    second: second && { reader: second.reader.name, stage: second.stage },
  };
}

const STATES: MarkRow['state'][] = ['held', 'unwritten', 'begun', 'written', 'changed', 'released'];

/** What a column is sorted by; nothing said comes last, whichever way round. */
function valueOf(row: MarkRow, column: string): number | null {
  if (column === 'points') return row.points;
  if (column === 'state') return STATES.indexOf(row.state);
  return row.levels[Number(column.slice(1))] ?? null;
}

function sorted(rows: MarkRow[], sort: MarksSort): MarkRow[] {
  const back = sort.startsWith('-') ? -1 : 1;
  const column = sort.replace('-', '');
  if (column === 'name') return back === 1 ? rows : [...rows].reverse();
  return [...rows].sort((a, b) => {
    const [x, y] = [valueOf(a, column), valueOf(b, column)];
    if (x === null || y === null) return Number(x === null) - Number(y === null);
    return (x - y) * back;
  });
}

/** So many lines stand on a page. */
const AT_A_TIME = 40;

/** The marks of a discussion as a table: the class by criteria, as they are written, released or not; a page of it, or all. */
export async function marksTable(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  sort: MarksSort,
  asked: number | 'all' = 'all',
): Promise<Result<MarksTable, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const found = await discussionOnDesk(deps.db, actor, door.value, name);
  if (!found.ok) return found;
  const { record } = found.value;
  const { scheme, all } = await marksFor(deps, deps.db, actor, door.value, record);
  const markers = await ask(markersOf(deps.db, door.value.id));
  const names = new Map(markers.map((m) => [m.id as string, m.name]));
  const rows = all.map((m) => rowOf(scheme, m, names));
  const pages = asked === 'all' ? 1 : Math.max(1, Math.ceil(rows.length / AT_A_TIME));
  const page = asked === 'all' ? 1 : Math.min(Math.max(1, asked), pages);
  const inOrder = sorted(rows, sort);
  return ok({
    course: door.value,
    discussion: { slug: name, title: record.title, week: record.week.number },
    scheme,
    rows: asked === 'all' ? inOrder : inOrder.slice((page - 1) * AT_A_TIME, page * AT_A_TIME),
    total: rows.length,
    page,
    pages,
    markers,
    spread: spreadOf(rows.flatMap((r) => r.points ?? [])),
    sort,
  });
}
