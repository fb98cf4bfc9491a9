import type { Knex } from 'knex';

/**
 * What concerns somebody and how it reaches them. No words of anybody lie here: ids, numbers and codes, and what was written is
 * looked up by whoever may read it when it is shown or sent.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table notices (
      id bigint generated always as identity primary key,
      person_id uuid not null,
      course_id uuid not null,
      kind text not null check (kind in ('reply', 'name', 'answer', 'mark', 'change', 'post', 'announcement', 'report',
        'request', 'deadline', 'draft', 'mail')),
      -- What it tells of: nobody is told of one thing twice.
      key text not null,
      -- What it is about: notices of one topic stand on one line.
      topic text not null,
      discussion_id uuid,
      post_id bigint,
      -- Of new posts where one follows: those that are not read yet, and how many there were.
      waiting bigint[] not null default '{}',
      posts int not null default 0,
      by_id uuid,
      about jsonb not null default '{}' check (jsonb_typeof(about) = 'object'),
      at timestamptz not null,
      last_at timestamptz not null,
      way text not null check (way in ('once', 'gathered', 'daily', 'here')),
      -- When it is sent; null where it is only here.
      due_at timestamptz,
      seen_at timestamptz,
      -- The mail it went with.
      mail_id uuid references mails (id) on delete set null,
      unique (person_id, key),
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id) on delete cascade,
      foreign key (course_id, by_id) references enrolments (course_id, person_id) on delete set null (by_id)
    );
    create index notices_unseen on notices (person_id) where seen_at is null;
    create index notices_page on notices (person_id, last_at desc);
    create index notices_due on notices (due_at) where seen_at is null and mail_id is null and due_at is not null;
    create index notices_post on notices (post_id) where post_id is not null;
    create index notices_follow on notices (discussion_id) where kind = 'post' and seen_at is null;
    create index notices_mail on notices (mail_id) where mail_id is not null;
    create index notices_key on notices (course_id, key) where kind = 'announcement';

    -- Posts whose followers have not been told yet.
    create table posts_to_tell (
      post_id bigint primary key references posts (id) on delete cascade
    );

    create table notice_rules (
      person_id uuid primary key references people (id) on delete cascade,
      rules jsonb not null check (jsonb_typeof(rules) = 'object')
    );
    -- Mail to this address came back: none is sent until its owner says so.
    alter table people add column mail_off_at timestamptz, add column mail_off_why text not null default '';

    alter table follows add column way text check (way in ('once', 'gathered', 'daily', 'here')),
      alter column follows drop not null;

    -- What an announcement's readers have been told of.
    alter table announcements add column told_at timestamptz;
    update announcements set told_at = posted_at where posted_at <= now();
    create index announcements_untold on announcements (posted_at) where told_at is null;

    -- A mail that was tried to the end, or that its receiver's server will not have.
    alter table mails add column given_up_at timestamptz;

    -- Devices that listen while Pulpit is closed, for as long as the session lasts that they were told in.
    create table push_devices (
      id uuid primary key,
      person_id uuid not null references people (id) on delete cascade,
      session bytea not null references sessions (token_hash) on delete cascade,
      endpoint text not null unique check (length(endpoint) <= 1000),
      p256dh text not null,
      auth text not null,
      made_at timestamptz not null
    );
    create index push_devices_person on push_devices (person_id);
    -- The keys that say to push services who sends (RFC 8292), sealed; one pair an installation.
    create table push_keys (
      only_one boolean primary key default true check (only_one),
      public text not null,
      private bytea not null
    );

    -- Seen here by reading it there: whatever way a post was read, its notices are seen.
    create function notices_read() returns trigger language plpgsql as $$
    begin
      update notices n set seen_at = r.read_at from added r
        where n.person_id = r.person_id and n.post_id = r.post_id and n.seen_at is null;
      update notices n set
          waiting = array(select w from unnest(n.waiting) w where w <> all (r.ids)),
          seen_at = case when n.waiting <@ r.ids then r.at end
        from (select person_id, array_agg(post_id) as ids, max(read_at) as at from added group by 1) r
        where n.person_id = r.person_id and n.kind = 'post' and n.seen_at is null and n.waiting && r.ids;
      return null;
    end $$;
    create trigger reads_seen after insert on reads
      referencing new table as added for each statement execute function notices_read();

    create function announcement_notices_read() returns trigger language plpgsql as $$
    begin
      update notices set seen_at = new.read_at
        where person_id = new.person_id and key = 'announcement ' || new.announcement_id and seen_at is null;
      return null;
    end $$;
    create trigger announcement_reads_seen after insert on announcement_reads
      for each row execute function announcement_notices_read();

    -- A post that goes out of sight is told of no more, and not anew when it comes back.
    create function notices_gone() returns trigger language plpgsql as $$
    begin
      delete from notices where post_id = new.id and kind in ('reply', 'name');
      update notices set waiting = array_remove(waiting, new.id),
          seen_at = case when waiting <@ array[new.id] then coalesce(new.withdrawn_at, new.hidden_at) end
        where discussion_id = new.discussion_id and kind = 'post' and seen_at is null and waiting @> array[new.id];
      return null;
    end $$;
    create trigger posts_unnoticed after update of withdrawn_at, hidden_at on posts for each row
      when (old.withdrawn_at is null and old.hidden_at is null
        and (new.withdrawn_at is not null or new.hidden_at is not null))
      execute function notices_gone();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
