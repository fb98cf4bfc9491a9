import type { Knex } from 'knex';

/**
 * What makes an installation somebody's own: the college, its stewards and what they did, invitations and the single-use keys that
 * go out with them, rosters that were brought, codes of courses, and the mail that is to leave.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table college (
      only_row boolean primary key default true check (only_row),
      name text not null check (length(trim(name)) between 1 and 200),
      time_zone text not null,
      help_telephone text not null default '' check (length(help_telephone) <= 100),
      help_mail text not null default '' check (length(help_mail) <= 320),
      help_hours text not null default '' check (length(help_hours) <= 200),
      -- Whether anybody may make an account for prompts of their own, in no course here.
      alone boolean not null default false,
      named_at timestamptz not null
    );

    alter table people drop constraint people_name_check;
    alter table people add constraint people_name_check check (length(trim(name)) between 1 and 200);
    -- Who signs in by another way has no password here.
    alter table people drop constraint people_sign_in;
    alter table people add constraint people_sign_in
      check ((told_by is null) = (email is not null) and (told_by is null or password_hash is null));
    alter table people
      add column steward boolean not null default false,
      add column said_as text not null default '' check (length(said_as) <= 200),
      add column made_at timestamptz,
      add column ended_at timestamptz;
    create index people_stewards on people (id) where steward;

    alter table sessions
      add column id uuid not null default gen_random_uuid() unique,
      add column agent text not null default '' check (length(agent) <= 300),
      add column seen_at timestamptz;
    update sessions set seen_at = started_at;
    alter table sessions alter column seen_at set not null;
    create index sessions_expire on sessions (expires_at);

    create table steward_log (
      id bigint generated always as identity primary key,
      done_at timestamptz not null,
      steward_id uuid references people on delete set null,
      act text not null check (length(act) between 1 and 40),
      person_id uuid references people on delete set null,
      course_id uuid references courses on delete set null,
      detail jsonb not null default '{}' check (jsonb_typeof(detail) = 'object')
    );
    create function keep_steward_log() returns trigger language plpgsql as $$
    begin
      -- People and courses may go; what was done stays.
      if tg_op = 'DELETE' or (new.done_at, new.act, new.detail) is distinct from (old.done_at, old.act, old.detail) then
        raise exception 'What stewards did is logged for good.';
      end if;
      return new;
    end $$;
    create trigger steward_log_kept before update or delete on steward_log
      for each row execute function keep_steward_log();

    create table invitations (
      id uuid primary key,
      name text not null check (length(name) <= 200),
      email text not null check (email like '_%@_%' and length(email) <= 320),
      course_id uuid references courses on delete cascade,
      role course_role,
      steward boolean not null default false,
      invited_by uuid references people on delete set null,
      made_at timestamptz not null,
      asked_at timestamptz not null,
      taken_back_at timestamptz,
      accepted_at timestamptz,
      accepted_by uuid references people on delete set null,
      check ((course_id is null) = (role is null))
    );
    create index invitations_email on invitations (lower(email)) where accepted_at is null and taken_back_at is null;
    create index invitations_course on invitations (course_id);

    -- A hash: nobody who reads this table can use what it lets in.
    create table one_time_keys (
      key_hash bytea primary key check (length(key_hash) = 32),
      purpose text not null check (purpose in ('first-run', 'invitation', 'password', 'address')),
      person_id uuid references people on delete cascade,
      invitation_id uuid references invitations on delete cascade,
      address text check (length(address) <= 320),
      made_at timestamptz not null,
      expires_at timestamptz not null check (expires_at > made_at),
      used_at timestamptz
    );
    create index one_time_keys_expire on one_time_keys (expires_at);
    create index one_time_keys_person on one_time_keys (person_id);
    create index one_time_keys_invitation on one_time_keys (invitation_id);

    -- No text: it is written when it leaves, so that no key of a link ever lies here.
    create table mails (
      id uuid primary key,
      kind text not null check (length(kind) between 1 and 40),
      to_address text not null check (length(to_address) <= 320),
      about jsonb not null default '{}' check (jsonb_typeof(about) = 'object'),
      made_at timestamptz not null,
      -- Somebody is sending it since then.
      taken_at timestamptz,
      sent_at timestamptz,
      tries int not null default 0,
      trouble text not null default ''
    );
    create index mails_made on mails (made_at);

    create table rosters (
      id uuid primary key,
      course_id uuid not null references courses on delete cascade,
      brought_by uuid not null references people on delete cascade,
      file_name text not null check (length(file_name) <= 300),
      lines jsonb not null check (jsonb_typeof(lines) = 'array'),
      brought_at timestamptz not null,
      taken_at timestamptz
    );
    create index rosters_course on rosters (course_id);

    create table course_codes (
      course_id uuid primary key references courses on delete cascade,
      code text not null unique check (length(code) between 6 and 40),
      approval boolean not null,
      made_at timestamptz not null
    );
    create table join_requests (
      course_id uuid not null references courses on delete cascade,
      person_id uuid not null references people on delete cascade,
      asked_at timestamptz not null,
      decided_at timestamptz,
      granted boolean,
      primary key (course_id, person_id)
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
