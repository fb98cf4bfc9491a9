import type { First, MarkerShare, MarkingLook, MarkingPage } from '@/contract/marks';
import type { PersonId } from '@/core/ids';
import { ok, type Result } from '@/core/result';
import { covered } from '@/core/marks/covered';
import { WAYS, type Scheme } from '@/core/marks/mark';
import { askTogether } from '@/db/ask';
import { markersOf, type Marker } from '@/db/queries/marking-shares';
import { keptRemarks } from '@/db/queries/kept-remarks';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { discussionOnDesk, enterDesk } from '../desk/enter';
import { lineOf, marksFor, type Marked } from './class-marks';
import { asSecond, studentOf } from './one-student';

const hasShared = ({ ledger }: Marked) => ledger.verdicts.length > 0;
const WRITTEN: ReadonlySet<Marked['state']> = new Set(['written', 'released', 'changed']);
const isWritten = (m: Marked) => WRITTEN.has(m.state);
const isOpen = (m: Marked) => !isWritten(m) && m.state !== 'held';
const cameBack = (m: Marked) => m.back !== null && m.state === 'released';
const IS_FIRST: Record<First, (m: Marked) => boolean> = {
  waiting: (m) => (isOpen(m) || cameBack(m)) && hasShared(m),
  asked: (m) => m.asks,
  back: cameBack,
};

/** The class with a number in the place of each name, in an order that says nothing. */
function behindNumbers(all: readonly Marked[], seed: string): Marked[] {
  const of = new Map(all.map((m) => [m.student.id, m]));
  return covered(
    all.map((m) => m.student),
    seed,
  ).flatMap((student) => {
    const marked = of.get(student.id);
    return marked ? [{ ...marked, student }] : [];
  });
}

/** Whose second readings are somebody's, each with what that reader writes. */
const secondsOf = (scheme: Scheme, all: readonly Marked[], reader: PersonId): Marked[] =>
  all.flatMap((m) => (m.second?.reader.id === reader ? [asSecond(scheme, m, m.second)] : []));

/** Those of a class who are in somebody's share; all, where nobody is. */
function shareOf(all: readonly Marked[], marker: PersonId): Marked[] {
  const theirs = all.filter((m) => m.marker === marker);
  return theirs.length ? theirs : [...all];
}

const sharesOf = (all: readonly Marked[], markers: readonly Marker[]): MarkerShare[] =>
  markers.map(({ id, name }) => {
    const theirs = all.filter((m) => m.marker === id);
    return { id, name, share: theirs.length, written: theirs.filter(isWritten).length };
  });

/** So many stand in the strip on either side of whoever is looked at: of a large class not all are drawn with every student. */
const BESIDE = 30;

function around(all: readonly Marked[], at: number, scheme: Scheme) {
  const from = Math.max(0, Math.min(at - BESIDE, all.length - 2 * BESIDE - 1));
  const to = Math.min(all.length, from + 2 * BESIDE + 1);
  const beyond = (n: number, nearest: Marked | undefined) =>
    n > 0 && nearest ? { n, nearest: nearest.student.id } : null;
  return {
    lines: all.slice(from, to).map((m) => lineOf(scheme, m)),
    earlier: beyond(from, all[from - 1]),
    later: beyond(all.length - to, all[to]),
  };
}

/** All marks as they are usually looked at. */
export const USUAL_LOOK: MarkingLook = { covered: false, everybody: false, second: false };

/** The class of a discussion above, one student's part and mark below: the one who was asked for, or the first who waits. */
export async function markingPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  asked: string | null,
  look: MarkingLook = USUAL_LOOK,
  first: First = 'waiting',
): Promise<Result<MarkingPage, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const found = await discussionOnDesk(deps.db, actor, course, name);
  if (!found.ok) return found;
  const { record } = found.value;
  const { scheme, all: byName } = await marksFor(deps, deps.db, actor, course, record);
  const { markers, remarks } = await askTogether(deps.db, {
    markers: markersOf(deps.db, course.id),
    remarks: keptRemarks(deps.db, actor.id),
  });
  const seconds = secondsOf(scheme, byName, actor.id);
  const mine = look.second ? seconds : look.everybody ? byName : shareOf(byName, actor.id);
  const seen = look.covered ? behindNumbers(mine, record.id) : mine;
  // Whoever shared something first: there is little to read of the others.
  const all = [...seen].sort((a, b) => Number(hasShared(b)) - Number(hasShared(a)));
  const opened = all.findIndex(asked ? (m) => m.student.id === asked : IS_FIRST[first]);
  // Nobody who shared something waits: then who shared nothing, and has no mark yet.
  const at = Math.max(0, opened < 0 ? all.findIndex(isOpen) : opened);
  const one = all[at];
  return ok({
    course,
    discussion: { slug: name, title: record.title, week: record.week.number },
    look,
    seconds: seconds.length,
    shared: byName.some((m) => m.marker !== null),
    markers: sharesOf(byName, markers),
    remarks,
    now: deps.now,
    scheme,
    way: record.way,
    ways: WAYS.filter(
      (way) =>
        (way !== 'rubric' || record.rubric !== null) &&
        (way !== 'points' || record.classBrief.points !== undefined),
    ),
    releaseAt: record.releaseAt,
    ...around(all, at, scheme),
    total: all.length,
    written: all.filter(isWritten).length,
    released: all.filter((m) => m.released !== null).length,
    ready: all.filter((m) => m.ready).length,
    one: one ? await studentOf(deps, actor, record, scheme, one) : null,
    before: all[at - 1]?.student.id ?? null,
    after: all[at + 1]?.student.id ?? null,
  });
}
