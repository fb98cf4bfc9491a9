import type { Knex } from 'knex';

/** Posts that answer or name somebody who may not read them yet: they hear of them once their seal is open. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table told_when_open (
      person_id uuid not null references people (id) on delete cascade,
      post_id bigint not null references posts (id) on delete cascade,
      primary key (person_id, post_id)
    );
    create index told_when_open_post on told_when_open (post_id);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
