import type { Knex } from 'knex';

/** What a person marks of others' posts, and which version of a post a reply was begun on. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table post_marks (
      course_id uuid not null,
      discussion_id uuid not null,
      post_id bigint not null,
      person_id uuid not null,
      kind text not null check (kind in ('well-said', 'bookmark')),
      marked_at timestamptz not null,
      primary key (course_id, discussion_id, kind, person_id, post_id),
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id)
        on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index post_marks_post on post_marks (post_id);

    -- Of a reply: the version of the answered post that was there when the draft was begun.
    alter table drafts add column answered_n int;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
