import { briefFor, NO_PART } from '@/core/brief/part-played';
import type { Balance, Ledger, LedgerInput } from '@/core/counting/types';
import { resolveSchedule, type Schedule } from '@/core/deadlines/schedule';
import { groupBy } from '@/core/group';
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
  const known = new Map(
    [...groupBy(all, (x) => x.discussion)].map(([id, there]) => [
      id,
      new Map(there.map((x) => [x.person, x])),
    ]),
  );
  return ({ discussion, person }) => known.get(discussion)?.get(person);
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

/** A discussion as one student meets it, with the deadlines that are theirs. */
export type Met = { record: DiscussionRecord; schedule: Schedule };

/** How each student meets a discussion: whoever meets it as the others do shares one answer with them, for classes of hundreds. */
export function meetingOf(discussion: DiscussionRecord, own: Own): (student: Student) => Met {
  const usual = new Map<number, Met>();
  const met = (student: Student): Met => {
    const record = recordFor(discussion, student, own);
    return { record, schedule: resolveSchedule(record.timetable) };
  };
  return (student) => {
    const place = { discussion: discussion.id, person: student.id };
    if (own.extended(place) || own.played(place) || own.isExcused(place)) return met(student);
    const found = usual.get(student.moreHours) ?? met(student);
    usual.set(student.moreHours, found);
    return found;
  };
}

/** What counts of what a student shared in a discussion, by the deadlines and the part that are theirs. */
export type StudentAccount<Account extends Balance = Ledger> = Met & {
  ledger: Account;
  own: readonly OwnPostRecord[];
};

/**
 * That account, by the ledger that counts for themselves.
 *
 * @param by `ledger` for all of it, `balance` where what each post counts as is not wanted
 */
export function studentAccount<Account extends Balance>(
  by: (input: LedgerInput) => Account,
  met: Met,
  student: PersonId,
  posts: readonly OwnPostRecord[],
  now: Instant,
): StudentAccount<Account> {
  const { record, schedule } = met;
  const input = ledgerInputOf(record, schedule, student, [], [], now);
  // Nothing of it leaves the server: the posts need not be copied down to what counting needs.
  input.posts = posts;
  return { record, schedule, ledger: by(input), own: posts };
}
