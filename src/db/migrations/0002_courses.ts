import type { Knex } from 'knex';

/** Courses, who is in them, their weeks, discussions and announcements. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create type course_role as enum ('student', 'instructor', 'assistant');

    create table courses (
      id uuid primary key,
      code text not null unique,
      title text not null,
      time_zone text not null
    );

    create table enrolments (
      course_id uuid not null references courses on delete cascade,
      person_id uuid not null references people on delete cascade,
      role course_role not null,
      primary key (course_id, person_id)
    );
    create index enrolments_person on enrolments (person_id);

    create table weeks (
      course_id uuid not null references courses on delete cascade,
      number int not null check (number between 1 and 60),
      title text not null,
      starts_on date not null,
      primary key (course_id, number)
    );

    create table discussions (
      course_id uuid not null,
      id uuid not null unique,
      slug text not null unique check (slug ~ '^[a-z0-9]+(-[a-z0-9]+)*$'),
      week int not null,
      title text not null check (length(trim(title)) > 0),
      prompt jsonb not null,
      brief jsonb not null check (jsonb_typeof(brief) = 'object'),
      late jsonb not null check (late ->> 'rule' in ('refused', 'accepted', 'penalty')),
      grace_minutes int not null default 0 check (grace_minutes between 0 and 1440),
      opens timestamp not null,
      response_due timestamp not null,
      replies_due timestamp not null,
      primary key (course_id, id),
      foreign key (course_id, week) references weeks (course_id, number),
      check (opens < response_due),
      check (response_due <= replies_due)
    );
    create index discussions_week on discussions (course_id, week);

    create table extensions (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      response_due timestamp,
      replies_due timestamp,
      reason text not null default '',
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      check (response_due is not null or replies_due is not null)
    );

    create table excusals (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      reason text not null default '',
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    create table announcements (
      course_id uuid not null,
      id uuid not null,
      author_id uuid not null,
      title text not null,
      body text not null,
      posted_at timestamptz not null,
      primary key (course_id, id),
      foreign key (course_id, author_id) references enrolments (course_id, person_id)
    );
    create index announcements_time on announcements (course_id, posted_at);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
