import type { CourseId, Instant, PersonId } from '@/core/ids';
import type { SourceItem } from '@/core/sources/item';
import { timestamptz, type Db } from '../connection';

export type SourceRecord = { id: string; item: SourceItem };

/** A person's sources in a course, oldest first. */
export async function sourcesOf(db: Db, person: PersonId, course: CourseId): Promise<SourceRecord[]> {
  return db('sources')
    .where({ person_id: person, course_id: course })
    .orderBy(['added_at', 'id'])
    .select('id', 'item');
}

export async function addSources(
  db: Db,
  place: { person: PersonId; course: CourseId; now: Instant },
  sources: SourceRecord[],
) {
  await db('sources').insert(
    sources.map((s) => ({
      id: s.id,
      course_id: place.course,
      person_id: place.person,
      item: JSON.stringify(s.item),
      added_at: timestamptz(place.now),
    })),
  );
}

export const deleteSource = (db: Db, person: PersonId, id: string) =>
  db('sources').where({ id, person_id: person }).delete();
