import type { Knex } from 'knex';

/** In how many things a prompt's text says other than its brief, as it was read when either was changed last. */
export async function up(db: Knex): Promise<void> {
  await db.raw(
    `alter table discussions add column text_differs int not null default 0 check (text_differs >= 0)`,
  );
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
