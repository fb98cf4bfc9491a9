import type { Knex } from 'knex';

/** What a course says to whoever begins it, in its staff's words. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table courses
      add column beginning jsonb check (beginning is null or beginning ->> 'type' = 'doc'),
      add column beginning_files uuid[] not null default '{}';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
