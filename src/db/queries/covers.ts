import type { Knex } from 'knex';
import { personId, postId, type CourseId, type PersonId, type PostId } from '@/core/ids';
import type { Db } from '../connection';
import { versionOf } from './pictures';

/** Somebody who asked under cover, as those are shown who may know. */
export type Covered = { id: PersonId; name: string; picture: string | null };

/** Who asked in these threads, as far as one person may know: in their own, and as staff in those that are covered from the class alone. */
export async function coversFor(
  db: Db,
  course: CourseId,
  reader: { id: PersonId; staff: boolean },
): Promise<Map<PostId, Covered>> {
  const rows = await db('covers as c')
    .join('people as p', 'p.id', 'c.person_id')
    .where('c.course_id', course)
    .where((q) => {
      q.where('c.person_id', reader.id);
      if (reader.staff) q.orWhere('c.from_staff', false);
    })
    .select('c.thread_id', 'p.id', 'p.name', 'p.picture');
  return new Map(
    rows.map((r) => [
      postId(r.thread_id),
      { id: personId(r.id), name: r.name, picture: versionOf(r.picture) },
    ]),
  );
}

/** The numbers of the posts of a person: under their name, and what they asked under cover, which is nobody's to everybody else. */
export const postsOf = (db: Db, person: PersonId): Knex.QueryBuilder =>
  db('posts')
    .where({ author_id: person })
    .select('id')
    .unionAll(
      db('covers as k')
        .join('posts as p', 'p.thread_id', 'k.thread_id')
        .join('courses as c', 'c.id', 'p.course_id')
        .where('k.person_id', person)
        .where('p.author_id', db.ref('c.nobody'))
        .select('p.id'),
    );

/** Whoever asked in a thread under cover, whoever asks this: for what is told to them, and what is theirs to change. */
export async function askedUnderCover(db: Db, post: PostId): Promise<PersonId | null> {
  const row = await db('covers as c')
    .join('posts as p', 'p.thread_id', 'c.thread_id')
    .where('p.id', post)
    .first('c.person_id');
  return row ? personId(row.person_id) : null;
}

/** Somebody without a name, who stands for all of a course that are covered; there is one from the first time on. */
export async function nobodyOf(db: Db, course: CourseId): Promise<PersonId> {
  const { rows } = await db.raw('select nobody_of(?) as id', [course]);
  return personId(rows[0].id);
}

export const insertCover = (
  db: Db,
  cover: { course: CourseId; thread: PostId; person: PersonId; fromStaff: boolean },
) =>
  db('covers').insert({
    course_id: cover.course,
    thread_id: cover.thread,
    person_id: cover.person,
    from_staff: cover.fromStaff,
  });

/** Of each thread that was asked under cover, whether it is covered from staff as well. */
export async function coversFromStaff(db: Db, course: CourseId): Promise<Map<PostId, boolean>> {
  const rows = await db('covers').where({ course_id: course }).select('thread_id', 'from_staff');
  return new Map(rows.map((r) => [postId(r.thread_id), r.from_staff]));
}
