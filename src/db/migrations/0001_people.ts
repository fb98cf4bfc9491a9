import type { Knex } from 'knex';

/** People, how they sign in, and the one row that moves the demo's clock. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table people (
      id uuid primary key,
      name text not null check (length(trim(name)) between 1 and 120),
      email text not null check (email like '_%@_%'),
      password_hash text not null,
      time_zone text not null,
      theme text not null default 'system' check (theme in ('system', 'light', 'dark')),
      demo_rank int,
      last_seen timestamptz,
      previous_visit timestamptz
    );
    create unique index people_email on people (lower(email));

    create table sessions (
      token_hash bytea primary key check (length(token_hash) = 32),
      person_id uuid not null references people on delete cascade,
      started_at timestamptz not null,
      expires_at timestamptz not null check (expires_at > started_at)
    );
    create index sessions_person on sessions (person_id);

    create table sign_in_failures (
      email text not null,
      failed_at timestamptz not null
    );
    create index sign_in_failures_email on sign_in_failures (email, failed_at);

    create table demo_clock (
      only_row boolean primary key default true check (only_row),
      offset_ms bigint not null,
      set_to timestamptz not null
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
