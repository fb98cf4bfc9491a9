import type { Knex } from 'knex';

/** What staff prepare before the class sees it: discussions that are not shown yet, and prompts that were taken in for a course. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table discussions add column shown boolean not null default true;
    alter table intakes add column course_id uuid references courses on delete cascade;
    create index intakes_course on intakes (course_id) where course_id is not null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
