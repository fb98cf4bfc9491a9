import type { Knex } from 'knex';

/** What was found on a page that was brought in: its posts beside its prompt; and for which discussion, where it is a newer copy of its page. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table intakes
      add column found jsonb,
      add column into_course uuid,
      add column into_discussion uuid,
      add constraint intakes_into_discussion foreign key (into_course, into_discussion)
        references rooms (course_id, id) on delete cascade;
    create index intakes_into on intakes (into_discussion) where into_discussion is not null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
