import type { Knex } from 'knex';

/** What a course page shows beside its discussions: overviews, readings, files, the syllabus, and who read what. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table weeks add column overview text not null default '';

    create table readings (
      course_id uuid not null,
      id uuid not null,
      slug text not null unique check (slug ~ '^[a-z0-9]+(-[a-z0-9]+)*$'),
      week int not null,
      position int not null check (position > 0),
      title text not null check (length(trim(title)) > 0),
      author text not null,
      words int not null check (words > 0),
      -- Null for a text that is not in Pulpit: then "place" says where it is found.
      doc jsonb check (doc ->> 'type' = 'doc'),
      plain text not null default '',
      place text not null default '',
      primary key (course_id, id),
      unique (course_id, week, position),
      foreign key (course_id, week) references weeks (course_id, number),
      check (doc is not null or place <> '')
    );

    create table reading_progress (
      course_id uuid not null,
      reading_id uuid not null,
      person_id uuid not null,
      seconds int not null default 0 check (seconds >= 0),
      read_at timestamptz,
      primary key (person_id, course_id, reading_id),
      foreign key (course_id, reading_id) references readings (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    create table week_files (
      course_id uuid not null,
      id uuid not null,
      week int not null,
      position int not null check (position > 0),
      name text not null check (name ~ '^[^/\\\\[:cntrl:]]{1,120}$'),
      title text not null,
      media_type text not null check (media_type ~ '^[a-z]+/[a-z0-9.+-]+$'),
      content bytea not null check (length(content) <= 26214400),
      primary key (course_id, id),
      unique (course_id, week, position),
      foreign key (course_id, week) references weeks (course_id, number)
    );

    create table syllabi (
      course_id uuid primary key references courses on delete cascade,
      syllabus jsonb not null check (jsonb_typeof(syllabus) = 'object'),
      changed_at timestamptz not null
    );

    create table announcement_reads (
      course_id uuid not null,
      announcement_id uuid not null,
      person_id uuid not null,
      read_at timestamptz not null,
      primary key (course_id, announcement_id, person_id),
      foreign key (course_id, announcement_id) references announcements (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index announcement_reads_person on announcement_reads (person_id);
    alter table announcements add constraint announcement_said
      check (length(trim(title)) between 1 and 200 and length(trim(body)) between 1 and 10000);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
