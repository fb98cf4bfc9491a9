import type { Side } from '@/core/brief/brief';
import type { PartPlayed } from '@/core/brief/part-played';
import { personId, type CourseId, type DiscussionId, type PersonId } from '@/core/ids';
import type { Db } from '../connection';

type Played = PartPlayed & { discussion: DiscussionId; person: PersonId };

/** What was given to whom in the discussions of a course, or in one of them. */
export async function partsPlayedIn(
  db: Db,
  course: CourseId,
  only?: { discussion?: DiscussionId; people?: readonly PersonId[] },
): Promise<Played[]> {
  const rows = await db('parts_played')
    .where({ course_id: course })
    .modify((q) => {
      if (only?.discussion) q.where({ discussion_id: only.discussion });
      if (only?.people) q.whereRaw('person_id = any(?)', [[...only.people]]);
    })
    .select('discussion_id', 'person_id', 'side', 'leads');
  return rows.map((r: { discussion_id: string; person_id: string; side: number | null; leads: boolean }) => ({
    discussion: r.discussion_id as DiscussionId,
    person: personId(r.person_id),
    side: r.side as Side | null,
    leads: r.leads,
  }));
}

type Place = { course: CourseId; discussion: DiscussionId };

const put = (
  db: Db,
  { course, discussion }: Place,
  people: readonly string[],
  given: { side?: Side | null; leads?: boolean },
) =>
  people.length === 0
    ? Promise.resolve()
    : db('parts_played')
        .insert(
          people.map((person) => ({
            course_id: course,
            discussion_id: discussion,
            person_id: person,
            ...given,
          })),
        )
        .onConflict(['course_id', 'discussion_id', 'person_id'])
        .merge(Object.keys(given))
        .then(() => undefined);

/** Gives people a side, or takes it from them. */
export const putSide = (db: Db, place: Place, people: readonly string[], side: Side | null) =>
  put(db, place, people, { side });

/** Says who leads a discussion: these, and nobody else. */
export async function putLeads(db: Db, place: Place, people: readonly string[]) {
  await db('parts_played')
    .where({ course_id: place.course, discussion_id: place.discussion })
    .update({ leads: false });
  await put(db, place, people, { leads: true });
}
