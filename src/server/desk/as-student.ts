import { briefFor, NO_PART } from '@/core/brief/part-played';
import { ledger } from '@/core/counting/ledger';
import type { Ledger } from '@/core/counting/types';
import { resolveSchedule, type Schedule } from '@/core/deadlines/schedule';
import type { DiscussionId, Instant, PersonId } from '@/core/ids';
import { leavesIn } from '@/db/queries/class';
import type { DiscussionRecord } from '@/db/queries/discussions';
import type { OwnPostRecord } from '@/db/queries/own-posts';
import { partsPlayedIn } from '@/db/queries/parts-played';
import type { Db } from '@/db/connection';
import { ledgerInputOf } from '../access/enter';
import type { EnteredCourse } from '../courses/enter';

type Student = { id: PersonId; moreHours: number };

type Leaves = Awaited<ReturnType<typeof leavesIn>>;
type Played = Awaited<ReturnType<typeof partsPlayedIn>>[number];
type Place = { discussion: DiscussionId; person: PersonId };

/** What in a course is other for some of its students than for everybody: extensions, excusals, sides, the lead. */
export type Own = {
  extended: (place: Place) => Leaves['extended'][number] | undefined;
  isExcused: (place: Place) => boolean;
  played: (place: Place) => Played | undefined;
};

/** Found by place, so that a class of hundreds is not gone through for each of its students. */
function byPlace<T extends Place>(all: readonly T[]): (place: Place) => T | undefined {
  const keyOf = ({ discussion, person }: Place) => `${discussion} ${person}`;
  const known = new Map(all.map((x) => [keyOf(x), x]));
  return known.size === 0 ? () => undefined : (place) => known.get(keyOf(place));
}

/** That of some of them, or of all. */
export async function ownOf(
  db: Db,
  course: Pick<EnteredCourse, 'id'>,
  students?: readonly Student[],
): Promise<Own> {
  const ids = students?.map((s) => s.id);
  // One after the other: this may be asked within a change, which has one connection.
  const { extended, excused } = await leavesIn(db, course.id, ids);
  const played = await partsPlayedIn(db, course.id, ids && { people: ids });
  const excusal = byPlace(excused);
  return {
    extended: byPlace(extended),
    isExcused: (place) => excusal(place) !== undefined,
    played: byPlace(played),
  };
}

/** A discussion as one student meets it, made of how its staff do. */
export function recordFor(record: DiscussionRecord, { id, moreHours }: Student, own: Own): DiscussionRecord {
  const place = { discussion: record.id, person: id };
  const more = own.extended(place);
  const { side, leads } = own.played(place) ?? NO_PART;
  return {
    ...record,
    role: 'student',
    brief: briefFor(record.brief, { side, leads }),
    part: { side, leads },
    excused: own.isExcused(place),
    timetable: {
      ...record.timetable,
      moreHours,
      extensions: { response: more?.response, replies: more?.replies },
    },
  };
}

/** What counts of what a student shared in a discussion, by the deadlines and the part that are theirs. */
export type StudentAccount = {
  record: DiscussionRecord;
  schedule: Schedule;
  ledger: Ledger;
  own: readonly OwnPostRecord[];
};

/** That account, by the ledger that counts for themselves. */
export function studentAccount(
  discussion: DiscussionRecord,
  student: Student,
  own: Own,
  posts: readonly OwnPostRecord[],
  now: Instant,
): StudentAccount {
  const record = recordFor(discussion, student, own);
  const schedule = resolveSchedule(record.timetable);
  const account = ledger(ledgerInputOf(record, schedule, student.id, posts, [], now));
  return { record, schedule, ledger: account, own: posts };
}
