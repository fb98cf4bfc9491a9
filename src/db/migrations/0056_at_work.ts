import type { Knex } from 'knex';

/** Whoever takes jobs from the queue, and when they were last alive: what the gone had in hand is given back. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`create table at_work (id text primary key, seen_at timestamptz not null)`);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
