import type { Knex } from 'knex';

/**
 * Who waits for an answer about a released mark: whose last word on something of it is theirs, and is a question. What is said first of a
 * criterion is one, with or without its sign; a word of thanks is none.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create view mark_asks as
    select distinct course_id, discussion_id, person_id from (
      select distinct on (course_id, discussion_id, person_id, about)
        course_id, discussion_id, person_id, author_id, body, opens,
        bool_or(author_id <> person_id) over (partition by course_id, discussion_id, person_id, about) as answered
      from (
        select course_id, discussion_id, person_id, 'criterion ' || criterion as about, author_id, body, made_at, id,
          true as opens from mark_talk
        union all
        select course_id, discussion_id, person_id, comment_id::text, author_id, body, made_at, id,
          false from comment_answers) said
      order by course_id, discussion_id, person_id, about, made_at desc, id desc) last
    where author_id = person_id and (position(chr(63) in body) > 0 or (opens and not answered));
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
