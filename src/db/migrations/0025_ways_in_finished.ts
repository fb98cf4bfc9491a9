import type { Knex } from 'knex';

/** What only the version before needed: addresses of feeds and signing keys in clear. A key that signed so far only verifies from now on. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop trigger calendar_feeds_hash on calendar_feeds;
    drop trigger discussion_feeds_hash on discussion_feeds;
    drop function hash_feed_token();
    alter table calendar_feeds drop column token, alter column token_hash set not null;
    alter table discussion_feeds drop column token, alter column token_hash set not null;
    alter table signing_keys drop column private_key;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
