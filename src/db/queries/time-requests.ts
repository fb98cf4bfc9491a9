import { instant, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };
export type AskedRecord = { askedAt: Instant; answered: 'not-yet' | 'granted' | 'refused' };

/** What became of a person's asking for more time in a discussion; null where they have not asked. */
export const askedForTime = (
  db: Db,
  person: PersonId,
  discussion: DiscussionId,
): Ask<AskedRecord | null> => ({
  query: db('time_requests')
    .where({ person_id: person, discussion_id: discussion })
    .select('asked_at', 'granted'),
  read: ([row]) =>
    row
      ? {
          askedAt: instant(at(row.asked_at)),
          answered: row.granted === null ? 'not-yet' : row.granted ? 'granted' : 'refused',
        }
      : null,
});

/** Asks for more time, in the place of what was asked before. */
export async function putTimeRequest(
  db: Db,
  { course, discussion }: Place,
  person: PersonId,
  reason: string,
  now: Instant,
) {
  await db('time_requests')
    .insert({
      course_id: course,
      discussion_id: discussion,
      person_id: person,
      asked_at: timestamptz(now),
      reason,
    })
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge({ asked_at: timestamptz(now), reason, answered_at: null, granted: null });
}

/** Answers what students asked, where it waits. */
export const answerTimeRequests = (
  db: Db,
  { course, discussion }: Place,
  people: readonly PersonId[],
  granted: boolean,
  now: Instant,
) =>
  db('time_requests')
    .where({ course_id: course, discussion_id: discussion })
    .whereIn('person_id', [...people])
    .whereNull('answered_at')
    .update({ answered_at: timestamptz(now), granted });

/** Who asks for more time in a discussion and waits for an answer, the first first. */
export async function openTimeRequests(db: Db, { course, discussion }: Place) {
  const rows = await db('time_requests as t')
    .join('people as p', 'p.id', 't.person_id')
    .where({ 't.course_id': course, 't.discussion_id': discussion })
    .whereNull('t.answered_at')
    .orderBy('t.asked_at')
    .select('t.person_id', 'p.name', 't.reason', 't.asked_at');
  return rows.map((r) => ({
    person: r.person_id as string,
    name: r.name as string,
    reason: r.reason as string,
    askedAt: instant(r.asked_at),
  }));
}
