import type { Knex } from 'knex';

/** A term's discussions out of a syllabus, to be looked through; and calendars of other places whose dates are asked for again and again. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table intakes add column term jsonb;

    create table followed_calendars (
      id uuid primary key,
      person_id uuid not null references people on delete cascade,
      name text not null,
      -- Whoever knows such an address reads the calendar: it lies here sealed.
      address bytea not null,
      added_at timestamptz not null,
      -- What its server said of the last copy (RFC 9110, 8.8), so that an unchanged one is not sent again.
      etag text,
      modified text,
      asked_at timestamptz,
      read_at timestamptz,
      next_at timestamptz not null,
      trouble text,
      dates jsonb not null default '[]',
      -- Rows that were offered and not wanted, by what they say.
      put_aside jsonb not null default '[]',
      -- How many discussions its dates name that are not here, or stand here with other deadlines.
      offers integer not null default 0
    );
    create index followed_calendars_person on followed_calendars (person_id, added_at);
    create index followed_calendars_next on followed_calendars (next_at);

    alter table intakes add column calendar_id uuid references followed_calendars on delete set null;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
