import { briefFor, NO_PART } from '@/core/brief/part-played';
import type { PersonId } from '@/core/ids';
import { leavesIn } from '@/db/queries/class';
import type { DiscussionRecord } from '@/db/queries/discussions';
import { partsPlayedIn } from '@/db/queries/parts-played';
import type { Db } from '@/db/connection';
import type { EnteredCourse } from '../courses/enter';

type Student = { id: PersonId; moreHours: number };

/** What in a course is other for some of its students than for everybody: extensions, excusals, sides, the lead. */
export type Own = Awaited<ReturnType<typeof leavesIn>> & {
  played: Awaited<ReturnType<typeof partsPlayedIn>>;
};

/** That of some of them, or of all. */
export async function ownOf(
  db: Db,
  course: Pick<EnteredCourse, 'id'>,
  students?: readonly Student[],
): Promise<Own> {
  const ids = students?.map((s) => s.id);
  // One after the other: this may be asked within a change, which has one connection.
  const leaves = await leavesIn(db, course.id, ids);
  const played = await partsPlayedIn(db, course.id, ids && { people: ids });
  return { ...leaves, played };
}

/** A discussion as one student meets it, made of how its staff do. */
export function recordFor(record: DiscussionRecord, { id, moreHours }: Student, own: Own): DiscussionRecord {
  const isHere = (x: { discussion: string; person: string }) => x.discussion === record.id && x.person === id;
  const more = own.extended.find(isHere);
  const { side, leads } = own.played.find(isHere) ?? NO_PART;
  return {
    ...record,
    role: 'student',
    brief: briefFor(record.brief, { side, leads }),
    part: { side, leads },
    excused: own.excused.some(isHere),
    timetable: {
      ...record.timetable,
      moreHours,
      extensions: { response: more?.response, replies: more?.replies },
    },
  };
}
