import type { Knex } from 'knex';

/**
 * Prompts from courses that are not hosted here. Such a course belongs to the student who brought it in and has nobody
 * else in it who can sign in; everything else about it is a course like the others, so that one ledger, calendar and plan
 * serve both. Classmates whose posts were pasted in are people without an address or a password.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table courses add column owner_id uuid references people on delete cascade;
    alter table courses drop constraint courses_code_key;
    create unique index courses_hosted on courses (code) where owner_id is null;
    create unique index courses_outside on courses (owner_id, code) where owner_id is not null;

    alter table people add column told_by uuid references people on delete cascade;
    alter table people alter column email drop not null;
    alter table people alter column password_hash drop not null;
    alter table people add constraint people_sign_in
      check ((told_by is null) = (email is not null) and (told_by is null) = (password_hash is not null));
    create index people_told_by on people (told_by) where told_by is not null;

    -- When a post that was made elsewhere was noted here; its time is the one it has there.
    alter table posts add column noted_at timestamptz;

    -- Prompts that were brought in and not confirmed yet: nothing that was pasted is lost on the way.
    create table intakes (
      id uuid primary key,
      person_id uuid not null references people on delete cascade,
      doc jsonb not null check (doc ->> 'type' = 'doc'),
      source text not null,
      whole text not null,
      dates jsonb not null,
      troubles jsonb not null,
      taken_at timestamptz not null
    );
    create index intakes_person on intakes (person_id, taken_at);

    -- Where a prompt came from, and the whole of it where it is longer than a prompt can be.
    create table prompt_sources (
      course_id uuid not null,
      discussion_id uuid not null,
      name text not null,
      whole text not null,
      primary key (course_id, discussion_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
