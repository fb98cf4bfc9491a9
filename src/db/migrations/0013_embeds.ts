import type { Knex } from 'knex';

/** What media sites said of their pages: asked once, kept, so that no reader's visit is told to them. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table embeds (
      url text primary key check (length(url) <= 2000),
      site text not null,
      title text not null check (length(title) <= 200),
      -- The address of the player, as the site says it.
      frame text not null check (length(frame) <= 2000),
      asked_at timestamptz not null
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
