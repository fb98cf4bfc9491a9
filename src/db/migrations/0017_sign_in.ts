import type { Knex } from 'knex';

/**
 * How often somebody tried to sign in, by address, by network, by both, and by a device that is known; which devices a person has
 * signed in from; and who belongs to the demo and may not sign in where there is none.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table sign_in_tries (
      try_id uuid not null,
      -- A hash: whose address, or which network, nobody reads here.
      key bytea not null check (length(key) = 32),
      tried_at timestamptz not null,
      primary key (try_id, key)
    );
    create index sign_in_tries_key on sign_in_tries (key, tried_at);
    create index sign_in_tries_at on sign_in_tries (tried_at);
    drop table sign_in_failures;

    create table known_devices (
      person_id uuid not null references people on delete cascade,
      token_hash bytea not null check (length(token_hash) = 32),
      known_since timestamptz not null,
      primary key (person_id, token_hash)
    );

    alter table people add column demo boolean not null default false;
    update people set demo = true
      where password_hash in (select password_hash from people where demo_rank is not null);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
