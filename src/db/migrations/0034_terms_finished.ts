import type { Knex } from 'knex';

/** Takes away what only the version before needs: that a code is there once for ever, and tries as they were counted. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop index courses_hosted;
    drop table sign_in_tries;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
