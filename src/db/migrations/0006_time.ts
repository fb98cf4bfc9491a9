import type { Knex } from 'knex';

/** A person's time: the calendar others may read by a secret address, what they are busy with, and how they work. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table calendar_feeds (
      person_id uuid primary key references people on delete cascade,
      token text not null unique check (length(token) >= 32),
      made_at timestamptz not null,
      last_read timestamptz
    );

    -- What the feed last said of each entry, so that SEQUENCE grows when, and only when, an entry changes.
    create table feed_entries (
      person_id uuid not null references people on delete cascade,
      uid text not null,
      content_hash text not null check (content_hash ~ '^[0-9a-f]{64}$'),
      sequence int not null default 0 check (sequence >= 0),
      changed_at timestamptz not null,
      primary key (person_id, uid)
    );

    create table busy_calendars (
      id uuid primary key,
      person_id uuid not null references people on delete cascade,
      name text not null check (length(trim(name)) between 1 and 200),
      imported_at timestamptz not null,
      covers_until timestamptz not null,
      problems jsonb not null default '[]'
    );
    create index busy_calendars_person on busy_calendars (person_id);

    create table busy_times (
      calendar_id uuid not null references busy_calendars on delete cascade,
      starts_at timestamptz not null,
      ends_at timestamptz not null check (ends_at > starts_at),
      title text not null
    );
    create index busy_times_calendar on busy_times (calendar_id, starts_at);

    create table planning_habits (
      person_id uuid primary key references people on delete cascade,
      habits jsonb not null check (jsonb_typeof(habits) = 'object')
    );

    -- One stretch of work on one draft without a longer pause: what the estimates are learnt from.
    create table writing_spells (
      id bigint generated always as identity primary key,
      person_id uuid not null references people on delete cascade,
      discussion_id uuid not null references discussions (id) on delete cascade,
      started_at timestamptz not null,
      ended_at timestamptz not null check (ended_at >= started_at),
      words_at_end int not null check (words_at_end >= 0),
      words_added int not null default 0 check (words_added >= 0),
      writing_seconds int not null default 0 check (writing_seconds >= 0),
      proofreading_seconds int not null default 0 check (proofreading_seconds >= 0)
    );
    create index writing_spells_person on writing_spells (person_id, ended_at);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
