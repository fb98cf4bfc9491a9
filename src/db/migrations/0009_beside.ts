import type { Knex } from 'knex';

/**
 * What stands beside a prompt and its readings: margin notes, rubrics with what a student thinks of the own text and what
 * the staff think, viewings to tick off, and recordings of a reading or prompt in an instructor's own voice.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create type note_audience as enum ('class', 'staff', 'self');

    create table margin_notes (
      course_id uuid not null,
      reading_id uuid not null,
      id uuid not null unique,
      author_id uuid not null,
      parent_id uuid,
      audience note_audience not null,
      body text not null check (length(body) <= 5000),
      anchor jsonb,
      made_at timestamptz not null,
      changed_at timestamptz,
      removed_at timestamptz,
      -- The id it had where it was imported from: the same file twice makes one note.
      imported_from text,
      primary key (course_id, reading_id, id),
      foreign key (course_id, reading_id) references readings (course_id, id) on delete cascade,
      foreign key (course_id, author_id) references enrolments (course_id, person_id),
      foreign key (course_id, reading_id, parent_id) references margin_notes (course_id, reading_id, id),
      unique (author_id, reading_id, imported_from),
      check (parent_id is null or anchor is null)
    );
    create index margin_notes_parent on margin_notes (parent_id);

    alter table discussions add column rubric jsonb check (jsonb_typeof(rubric) = 'object');
    alter table discussions add column viewings jsonb not null default '[]' check (jsonb_typeof(viewings) = 'array');

    create table self_estimates (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      levels jsonb not null check (jsonb_typeof(levels) = 'object'),
      made_at timestamptz not null,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    create table marks (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      marker_id uuid not null,
      levels jsonb not null check (jsonb_typeof(levels) = 'object'),
      comment text not null default '' check (length(comment) <= 10000),
      marked_at timestamptz not null,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, marker_id) references enrolments (course_id, person_id)
    );

    create table viewings_done (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      viewing text not null,
      done_at timestamptz not null,
      primary key (course_id, discussion_id, person_id, viewing),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    create table recordings (
      course_id uuid not null references courses on delete cascade,
      id uuid primary key,
      reading_id uuid,
      discussion_id uuid,
      speaker_id uuid not null,
      media_type text not null check (media_type ~ '^audio/[a-z0-9.+-]+$'),
      content bytea not null check (length(content) between 1 and 52428800),
      made_at timestamptz not null,
      foreign key (course_id, reading_id) references readings (course_id, id) on delete cascade,
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, speaker_id) references enrolments (course_id, person_id),
      check ((reading_id is null) <> (discussion_id is null))
    );
    create unique index recordings_reading on recordings (reading_id) where reading_id is not null;
    create unique index recordings_discussion on recordings (discussion_id) where discussion_id is not null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
