import { NO_PART } from '@/core/brief/part-played';
import { isTime } from '@/core/deadlines/typed';
import { instantOf, wallClockAt, type WallClock } from '@/core/deadlines/wallclock';
import { instant, personId, type Instant } from '@/core/ids';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { ok, type Result } from '@/core/result';
import { accountOf, type Entered, type NotFound } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { roomOf, type ResponseRoom } from '../discussions/response-room';
import { discussionOnDesk, enterDesk } from './enter';

/** Who has done nothing yet, and whom nothing is kept of. */
const NOBODY = personId('00000000-0000-4000-8000-000000000000');

export type Preview = {
  course: EnteredCourse;
  room: ResponseRoom;
  /** The class sees it. */
  shown: boolean;
  /** As of when it is shown, by the course's clock; and moments that are worth a look. */
  at: WallClock;
  moments: { name: 'now' | 'opens' | 'closing' | 'over'; at: WallClock }[];
};

const HOUR_MS = 3_600_000;
const MINUTE_MS = 60_000;

/**
 * A discussion's page as a student meets it who has done nothing yet, as of any moment. It is read with nobody's eyes: nothing of it is
 * noted, neither that it was read nor for how long.
 */
export async function previewPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  name: string,
  wished: WallClock | null,
): Promise<Result<Preview, NotFound>> {
  const door = await enterDesk(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const found = await discussionOnDesk(deps.db, actor, course, name);
  if (!found.ok) return found;
  const { zone } = course;
  const at = wished !== null && isTime(wished) ? wished : wallClockAt(deps.now, zone);
  const then: Deps = { ...deps, now: instantOf(at, zone) };
  const student: Actor = { ...actor, id: NOBODY };
  const record = {
    ...found.value.record,
    role: 'student' as const,
    part: NO_PART,
    group: null,
    excused: false,
    openedOthers: false,
    timetable: { ...found.value.record.timetable, extensions: undefined, moreHours: 0 },
  };
  const entered: Entered = {
    ...accountOf(record, student, [], [], then.now),
    record,
    staff: false,
    onlooker: false,
    own: [],
    drafts: [],
  };
  const schedule = resolveSchedule(record.timetable);
  const wall = (when: Instant) => wallClockAt(when, zone);
  return ok({
    course,
    room: await roomOf(then, student, entered, { reading: null }),
    shown: found.value.shown,
    at,
    moments: [
      { name: 'now', at: wall(deps.now) },
      { name: 'opens', at: wall(schedule.opens) },
      { name: 'closing', at: wall(instant(schedule.response.due - HOUR_MS)) },
      { name: 'over', at: wall(instant(schedule.closes + MINUTE_MS)) },
    ],
  });
}
