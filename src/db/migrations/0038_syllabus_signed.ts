import type { Knex } from 'knex';

/** A syllabus that students sign, each state of it anew; and days on which a course rests. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table syllabi
      add column version int not null default 1 check (version > 0),
      add column to_sign boolean not null default false;
    create table syllabus_signings (
      course_id uuid not null,
      person_id uuid not null,
      version int not null,
      signed_at timestamptz not null,
      primary key (course_id, person_id, version),
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    alter table courses add column holidays jsonb not null default '[]' check (jsonb_typeof(holidays) = 'array');
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
