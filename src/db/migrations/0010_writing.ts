import type { Knex } from 'knex';

/**
 * What writing needs beyond one draft: its earlier versions, drafts of a change to a shared post, notes to self, the keys
 * that sign receipts, words that are spelt right here, and each student's sources.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create type version_reason as enum ('as-it-went', 'other-window', 'before-restoring', 'withdrawn');

    alter table drafts add column edits bigint references posts (id);
    drop index drafts_response;
    drop index drafts_reply;
    create unique index drafts_place on drafts
      (author_id, discussion_id, kind, coalesce(parent_id, 0), coalesce(edits, 0));

    create table draft_versions (
      id uuid primary key,
      -- Two versions may be of one moment; this is the order in which they were set down.
      turn bigint generated always as identity,
      course_id uuid not null,
      discussion_id uuid not null,
      author_id uuid not null,
      kind post_kind not null,
      parent_id bigint,
      edits bigint references posts (id),
      kept_at timestamptz not null,
      reason version_reason not null,
      title text not null check (length(title) <= 200),
      doc jsonb not null check (doc ->> 'type' = 'doc'),
      words int not null check (words >= 0),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, author_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index draft_versions_place on draft_versions (author_id, discussion_id, kind, kept_at);
    insert into draft_versions
      (id, course_id, discussion_id, author_id, kind, parent_id, edits, kept_at, reason, title, doc, words)
      select gen_random_uuid(), course_id, discussion_id, author_id, kind, parent_id, null, kept_at,
        'other-window', title, doc, 0
      from draft_leftovers order by kept_at;
    drop table draft_leftovers;

    create table notes_to_self (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      body text not null check (length(body) <= 20000),
      kept_at timestamptz not null,
      primary key (person_id, course_id, discussion_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    create table signing_keys (
      id text primary key check (id ~ '^[A-Za-z0-9_-]{8,64}$'),
      public_key jsonb not null,
      -- Null once a key signs no more; what it signed is still verified by the other half.
      private_key jsonb,
      made_at timestamptz not null
    );

    create table known_words (
      id uuid primary key,
      person_id uuid references people on delete cascade,
      course_id uuid references courses on delete cascade,
      word text not null check (length(word) between 1 and 60),
      check ((person_id is null) <> (course_id is null))
    );
    create unique index known_words_person on known_words (person_id, lower(word)) where person_id is not null;
    create unique index known_words_course on known_words (course_id, lower(word)) where course_id is not null;
    alter table people add column spelling text not null default 'en-GB' check (spelling in ('en-GB', 'en-US'));

    create table sources (
      id uuid primary key,
      course_id uuid not null,
      person_id uuid not null,
      -- A bibliographic record in CSL-JSON.
      item jsonb not null check (jsonb_typeof(item) = 'object'),
      added_at timestamptz not null,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index sources_person on sources (person_id, course_id);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
