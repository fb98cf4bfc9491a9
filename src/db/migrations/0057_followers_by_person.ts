import type { Knex } from 'knex';

/** What waits for one follower of a discussion is found by both: by the discussion alone two thousand looked through two thousand each. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop index notices_follow;
    create index notices_follow on notices (discussion_id, person_id) where kind = 'post' and seen_at is null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
