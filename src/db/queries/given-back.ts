import { instant, personId, type CourseId, type DiscussionId, type Instant, type PersonId } from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import type { MarkKey } from './comment-answers';

/** A part that was given back to be marked again, on the release that asked for it. */
export type GivenBack = { person: PersonId; n: number; at: Instant; said: string };

const read = (r: { person_id: string; n: number; at: string; said: string }): GivenBack => ({
  person: personId(r.person_id),
  n: r.n,
  at: instant(Number(r.at)),
  said: r.said,
});

/** What was given back in a discussion: by everybody, or by one student. */
export const givenBackIn = (
  db: Db,
  place: { course: CourseId; discussion: DiscussionId; person?: PersonId },
): Ask<GivenBack[]> => ({
  query: db('parts_given_back')
    .where({ course_id: place.course, discussion_id: place.discussion })
    .modify((q) => {
      if (place.person) q.where('person_id', place.person);
    })
    .select('person_id', 'n', 'said', db.raw('round(extract(epoch from given_at) * 1000) as at')),
  read: (rows) => rows.map(read),
});

/** Gives a part back on a release; given back again, it is the later. */
export const putGivenBack = (db: Db, key: MarkKey, given: { n: number; at: Instant; said: string }) =>
  db('parts_given_back')
    .insert({
      course_id: key.course,
      discussion_id: key.discussion,
      person_id: key.person,
      n: given.n,
      given_at: timestamptz(given.at),
      said: given.said,
    })
    .onConflict(['course_id', 'discussion_id', 'person_id', 'n'])
    .merge(['given_at', 'said']);
