import type { Knex } from 'knex';

/** More hours that hold for a whole term, and announcements that are for some people alone. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table accommodations (
      course_id uuid not null,
      person_id uuid not null,
      hours integer not null check (hours between 1 and 336),
      reason text not null default '' check (length(reason) <= 600),
      primary key (course_id, person_id),
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    -- One that is for chosen people names them; every other is for the whole course.
    alter table announcements add column chosen boolean not null default false;
    create table announcement_people (
      course_id uuid not null,
      announcement_id uuid not null,
      person_id uuid not null,
      primary key (course_id, announcement_id, person_id),
      foreign key (course_id, announcement_id) references announcements (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index announcement_people_person on announcement_people (course_id, person_id);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
