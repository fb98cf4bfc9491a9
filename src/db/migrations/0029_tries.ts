import type { Knex } from 'knex';

/** Tries as the limiter counts them. What counted them before is dropped when no version that asks for it runs any more. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table tries (
      -- A hash: whose address, or which network, nobody reads here.
      key varchar(255) primary key,
      points integer not null default 0,
      -- Milliseconds since 1970, as the limiter writes them.
      expire bigint
    );
    create index tries_expire on tries (expire);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
