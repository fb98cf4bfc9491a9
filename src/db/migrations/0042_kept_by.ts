import type { Knex } from 'knex';

/** Which page kept a draft last, and which of its keeps that was: a page's own earlier words are not another window's. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`alter table drafts add column kept_by jsonb`);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
