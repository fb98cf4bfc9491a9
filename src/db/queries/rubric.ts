import type { CourseId, DiscussionId, Instant, PersonId } from '@/core/ids';
import type { Levels } from '@/core/rubric/rubric';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** What a person thinks of the own text by the rubric, before it is shared. */
export const selfEstimateOf = (db: Db, person: PersonId, discussion: DiscussionId): Ask<Levels | null> => ({
  query: db('self_estimates').where({ person_id: person, discussion_id: discussion }).select('levels'),
  read: ([row]) => row?.levels ?? null,
});

export async function putSelfEstimate(
  db: Db,
  key: { course: CourseId; discussion: DiscussionId; person: PersonId },
  levels: Levels,
  at: Instant,
) {
  const row = {
    course_id: key.course,
    discussion_id: key.discussion,
    person_id: key.person,
    levels: JSON.stringify(levels),
    made_at: timestamptz(at),
  };
  await db('self_estimates')
    .insert(row)
    .onConflict(['course_id', 'discussion_id', 'person_id'])
    .merge(['levels', 'made_at']);
}
