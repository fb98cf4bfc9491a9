import type { Knex } from 'knex';

/** What somebody says is broken: in a prompt or a reading, what stands in it or what it links to. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table troubles (
      id uuid primary key,
      course_id uuid not null,
      discussion_id uuid,
      reading_id uuid,
      person_id uuid not null,
      said text not null check (length(trim(said)) between 1 and 600),
      said_at timestamptz not null,
      settled_at timestamptz,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, reading_id) references readings (course_id, id) on delete cascade,
      check ((discussion_id is null) <> (reading_id is null))
    );
    create index troubles_open on troubles (course_id) where settled_at is null;
    create index troubles_person on troubles (person_id);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
