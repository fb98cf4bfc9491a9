import type { Knex } from 'knex';

/** What staff prepare before the class sees it: discussions that are not shown yet, and prompts that were taken in for a course; and what students ask them for. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table discussions add column shown boolean not null default true;
    alter table intakes add column course_id uuid references courses on delete cascade;
    create index intakes_course on intakes (course_id) where course_id is not null;

    -- A student asks for more time; who teaches the course answers. Asked again it takes the place of what was asked before.
    create table time_requests (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      asked_at timestamptz not null,
      reason text not null check (length(trim(reason)) between 1 and 600),
      answered_at timestamptz,
      granted boolean,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      check ((answered_at is null) = (granted is null))
    );
    create index time_requests_open on time_requests (course_id) where answered_at is null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
