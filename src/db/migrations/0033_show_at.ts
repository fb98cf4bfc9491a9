import type { Knex } from 'knex';

/** When a discussion that is not shown yet shows itself. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table discussions add column show_at timestamptz;
    create index discussions_show_at on discussions (show_at) where show_at is not null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
