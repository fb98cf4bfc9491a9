import {
  discussionId,
  instant,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
} from '@/core/ids';
import type { Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

export type NoteToSelf = { body: string; keptAt: Instant };

/** What a person noted for nobody else in a discussion. There is no other way to ask for one. */
export const noteToSelf = (db: Db, person: PersonId, discussion: DiscussionId): Ask<NoteToSelf | null> => ({
  query: db('notes_to_self')
    .where({ person_id: person, discussion_id: discussion })
    .select('body', 'kept_at'),
  read: ([row]) => (row ? { body: row.body, keptAt: instant(row.kept_at) } : null),
});

export async function putNoteToSelf(
  db: Db,
  place: { course: CourseId; discussion: DiscussionId; person: PersonId },
  note: NoteToSelf,
) {
  await db('notes_to_self')
    .insert({
      course_id: place.course,
      discussion_id: place.discussion,
      person_id: place.person,
      body: note.body,
      kept_at: timestamptz(note.keptAt),
    })
    .onConflict(['person_id', 'course_id', 'discussion_id'])
    .merge(['body', 'kept_at']);
}

/** A note to self with where it stands: a discussion, or the questions of a course, where one notes what is of the whole course. */
export type PlacedNote = NoteToSelf & { discussion: DiscussionId };

/** Everything a person noted for nobody else. */
export const notesToSelf = (db: Db, person: PersonId): Ask<PlacedNote[]> => ({
  query: db('notes_to_self').where({ person_id: person }).select('discussion_id', 'body', 'kept_at'),
  read: (rows) =>
    rows.map((r) => ({
      discussion: discussionId(r.discussion_id),
      body: r.body,
      keptAt: instant(r.kept_at),
    })),
});
