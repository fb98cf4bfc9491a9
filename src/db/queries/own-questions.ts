import type { Knex } from 'knex';
import type { PersonId } from '@/core/ids';
import { QUESTIONS_KEPT } from '@/core/people/own-questions';
import type { Db } from '../connection';
import { postsOf } from './covers';
import type { rowsOf } from './own-courses';

type DiscussionRow = Awaited<ReturnType<typeof rowsOf>>['discussions'][number];

/** The rooms in which questions are asked of these courses, where this person wrote or noted something in them. */
export const questionRooms = (db: Db, person: PersonId, courses: Knex.QueryBuilder): Knex.QueryBuilder =>
  db('rooms as d')
    .whereIn('d.course_id', courses)
    .where('d.asks', true)
    .where((q) =>
      q
        .whereIn('d.id', db('posts').whereIn('id', postsOf(db, person)).select('discussion_id'))
        .orWhereIn(
          'd.id',
          db('drafts').where({ author_id: person }).whereNull('edits').select('discussion_id'),
        )
        .orWhereIn('d.id', db('notes_to_self').where({ person_id: person }).select('discussion_id')),
    )
    .select('d.id');

/**
 * What a person asked and answered in courses, each as a discussion of its own that asks for nothing: in the week in which they began, open from
 * that day to the day of their last word.
 */
export async function questionsAsDiscussions(
  db: Db,
  person: PersonId,
  rooms: Knex.QueryBuilder,
): Promise<DiscussionRow[]> {
  const rows = await db('rooms as d')
    .join('courses as c', 'c.id', 'd.course_id')
    .leftJoin('notes_to_self as n', (j) =>
      j.on('n.discussion_id', 'd.id').andOn('n.person_id', db.raw('?', [person])),
    )
    .crossJoin(
      db.raw(
        `lateral (
         select min(at) at time zone c.time_zone as first, max(at) at time zone c.time_zone as last from (
           select shared_at as at from posts where discussion_id = d.id and id in (?)
           union all select kept_at from drafts where discussion_id = d.id and author_id = ?
           union all select n.kept_at) said) w`,
        [postsOf(db, person), person],
      ),
    )
    .joinRaw(
      `cross join lateral (
         select number, starts_on from weeks where course_id = d.course_id
         order by starts_on <= w.first::date desc, case when starts_on <= w.first::date then starts_on end desc, starts_on limit 1) k`,
    )
    .whereIn('d.id', rooms)
    .select(
      'd.*',
      'k.number as week',
      db.raw(`to_char(k.starts_on, 'YYYY-MM-DD') as starts_on`),
      db.raw(`date_trunc('day', w.first) as opens`),
      db.raw(`date_trunc('day', w.last) + interval '23 hours 59 minutes' as response_due`),
      db.raw(`date_trunc('day', w.last) + interval '23 hours 59 minutes' as replies_due`),
      db.raw('null as source_name, null as source_whole'),
      'n.body as note',
      'n.kept_at as note_at',
    );
  return rows.map((row) => ({ ...row, ...QUESTIONS_KEPT }));
}
