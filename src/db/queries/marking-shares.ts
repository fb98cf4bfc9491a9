import { personId, type CourseId, type DiscussionId, type PersonId } from '@/core/ids';
import type { Ask } from '../ask';
import type { Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };
const at = ({ course, discussion }: Place) => ({ course_id: course, discussion_id: discussion });

/** Who marks whom in a discussion; nobody where its class is not shared out. */
export const sharesIn = (db: Db, place: Place): Ask<Map<PersonId, PersonId>> => ({
  query: db('marking_shares').where(at(place)).select('person_id', 'marker_id'),
  read: (rows) => new Map(rows.map((r) => [personId(r.person_id), personId(r.marker_id)] as const)),
});

/** Shares a class out, in the place of how it was. */
export async function putShares(db: Db, place: Place, shares: ReadonlyMap<string, string>) {
  await db('marking_shares').where(at(place)).delete();
  if (shares.size)
    await db('marking_shares').insert(
      [...shares].map(([person, marker]) => ({ ...at(place), person_id: person, marker_id: marker })),
    );
}

/** Somebody who teaches a course, and can mark in it. */
export type Marker = { id: PersonId; name: string };

export const markersOf = (db: Db, course: CourseId): Ask<Marker[]> => ({
  query: db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where('e.course_id', course)
    .whereIn('e.role', ['instructor', 'assistant'])
    .whereNull('p.former_since')
    .orderBy(['p.name', 'p.id'])
    .select('p.id', 'p.name'),
  read: (rows) => rows.map((r) => ({ id: personId(r.id), name: r.name })),
});
