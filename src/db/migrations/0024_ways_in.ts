import type { Knex } from 'knex';

/**
 * More ways in: a second factor with recovery codes, passkeys, and a college's own single sign-on. Whatever lets somebody in is kept as a
 * hash, and what has to be read again (the secret of a second factor, the key that signs receipts) sealed with a key that is not here.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table second_factors (
      person_id uuid primary key references people on delete cascade,
      sealed_secret bytea not null check (length(sealed_secret) between 40 and 200),
      made_at timestamptz not null,
      -- Only what was shown to work once is asked for.
      confirmed_at timestamptz,
      -- The last step of half a minute whose code was taken: no code is taken twice.
      last_step bigint not null default 0
    );
    create table recovery_codes (
      person_id uuid not null references people on delete cascade,
      code_hash bytea not null check (length(code_hash) = 32),
      used_at timestamptz,
      primary key (person_id, code_hash)
    );

    create table passkeys (
      id text primary key check (length(id) between 1 and 1400),
      person_id uuid not null references people on delete cascade,
      public_key bytea not null,
      counter bigint not null,
      transports text[] not null,
      name text not null check (length(trim(name)) between 1 and 100),
      made_at timestamptz not null,
      used_at timestamptz
    );
    create index passkeys_person on passkeys (person_id);

    -- Somebody is half way in: what is still asked of them, and what the answer has to fit.
    create table half_ways (
      token_hash bytea primary key check (length(token_hash) = 32),
      step text not null check (step in ('second', 'passkey', 'new-passkey', 'sign-on')),
      person_id uuid references people on delete cascade,
      expected jsonb not null default '{}' check (jsonb_typeof(expected) = 'object'),
      expires_at timestamptz not null
    );
    create index half_ways_expire on half_ways (expires_at);
    create index half_ways_person on half_ways (person_id);

    -- Who somebody is where the college signs them in: a subject never changes, an address may.
    create table sign_on_subjects (
      issuer text not null check (length(issuer) between 1 and 500),
      subject text not null check (length(subject) between 1 and 255),
      person_id uuid not null references people on delete cascade,
      linked_at timestamptz not null,
      primary key (issuer, subject),
      unique (person_id, issuer)
    );

    alter table college
      add column sign_on boolean not null default true,
      add column sign_on_new boolean not null default false;

    alter table signing_keys add column sealed_private bytea;

    alter table calendar_feeds add column token_hash bytea unique, alter column token drop not null;
    update calendar_feeds set token_hash = sha256(convert_to(token, 'UTF8'));
    alter table discussion_feeds add column token_hash bytea unique, alter column token drop not null;
    update discussion_feeds set token_hash = sha256(convert_to(token, 'UTF8'));
    -- A process of the version before writes no hash.
    create function hash_feed_token() returns trigger language plpgsql as $$
    begin
      if new.token is not null then new.token_hash := sha256(convert_to(new.token, 'UTF8')); end if;
      return new;
    end $$;
    create trigger calendar_feeds_hash before insert or update on calendar_feeds
      for each row execute function hash_feed_token();
    create trigger discussion_feeds_hash before insert or update on discussion_feeds
      for each row execute function hash_feed_token();

    alter type course_role add value 'observer';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
