import type { Knex } from 'knex';

/** Drafts that students in trouble hand to the staff, who give them back or let them count as of a moment they name. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table handed_over (
      id uuid primary key,
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      kind post_kind not null,
      parent_id bigint,
      title text not null check (length(title) <= 200),
      doc jsonb not null check (doc ->> 'type' = 'doc'),
      files uuid[] not null default '{}',
      said text not null check (length(trim(said)) between 1 and 600),
      handed_at timestamptz not null,
      answered_at timestamptz,
      answered_by uuid references people on delete set null,
      reason text not null default '' check (length(reason) <= 600),
      -- Let count: the moment as of which, and the post it became.
      as_of timestamptz,
      post_id bigint,
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, discussion_id, parent_id) references posts (course_id, discussion_id, id) on delete cascade,
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id) on delete cascade,
      check ((kind = 'reply') = (parent_id is not null)),
      check ((as_of is null) = (post_id is null)),
      check (as_of is null or answered_at is not null)
    );
    create index handed_over_person on handed_over (course_id, person_id);
    create index handed_over_open on handed_over (course_id, discussion_id) where answered_at is null;
    create index handed_over_parent on handed_over (parent_id) where parent_id is not null;
    create index handed_over_by on handed_over (answered_by) where answered_by is not null;
    create unique index handed_over_post on handed_over (post_id) where post_id is not null;

    alter table moderation_log drop constraint if exists care_log_act_check,
      add constraint moderation_log_act_check check (act in
        ('report', 'settle', 'hide', 'show', 'pin', 'unpin', 'lock', 'unlock', 'answer', 'accept'));
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
