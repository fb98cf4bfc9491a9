import type { Knex } from 'knex';

/**
 * What makes marking quicker and fairer: remarks one writes again and again, shares of a class for those who mark, second readings, and what
 * a student asks about their mark or gives back to be marked again.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table kept_remarks (
      person_id uuid not null references people on delete cascade,
      key smallint not null check (key between 1 and 9),
      body text not null check (length(body) between 1 and 600),
      primary key (person_id, key)
    );

    create table marking_shares (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      marker_id uuid not null,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, marker_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index marking_shares_marker on marking_shares (course_id, marker_id);

    -- Another mark for the same part, by another reader; null until something is written. Settled is the pair of keepings it was settled on.
    create table second_readings (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      reader_id uuid not null,
      mark jsonb check (jsonb_typeof(mark) = 'object'),
      revision integer not null default 0,
      written_at timestamptz,
      settled_first integer,
      settled_second integer,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, reader_id) references enrolments (course_id, person_id)
    );
    create index second_readings_reader on second_readings (course_id, reader_id);

    -- What is asked about a released mark and answered: about a criterion by its id, or about the whole mark.
    create table mark_talk (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      criterion text not null check (length(criterion) <= 60),
      id uuid not null,
      author_id uuid not null,
      body text not null check (length(body) between 1 and 4000),
      made_at timestamptz not null,
      primary key (course_id, discussion_id, person_id, criterion, id),
      foreign key (course_id, discussion_id, person_id) references marks (course_id, discussion_id, person_id) on delete cascade,
      foreign key (course_id, author_id) references enrolments (course_id, person_id)
    );

    -- A part that was to be done again, given back with what was changed: on which release, and when.
    create table parts_given_back (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      n integer not null,
      given_at timestamptz not null,
      said text not null default '' check (length(said) <= 600),
      primary key (course_id, discussion_id, person_id, n),
      foreign key (course_id, discussion_id, person_id) references marks (course_id, discussion_id, person_id) on delete cascade
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
