import type { Knex } from 'knex';

/**
 * The room, live: what a list of two thousand posts is made of without their texts, the numbered events that listeners
 * hear, what one follows, how one reads, the care that staff take, and private feeds.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- What lists show of a post's latest version.
    alter table post_texts
      add column n int not null default 1,
      add column own_words int not null default 0,
      add column opening text not null default '',
      add column named text[] not null default '{}',
      add column pictured uuid,
      add column carries boolean not null default false;

    create function outline_of(doc jsonb, plain text,
      out opening text, out named text[], out pictured uuid, out carries boolean) language sql immutable as $$
      select left(plain, 200),
        array(select distinct t #>> '{}'
          from jsonb_path_query(doc, 'strict $.**.marks[*] \\? (@.type == "mention").attrs.person', '{}', true) t),
        (jsonb_path_query_first(doc,
          'strict $.** \\? (@.type == "picture" || (@.type == "clip" && @.attrs.video == true)).attrs.file', '{}', true)
          #>> '{}')::uuid,
        jsonb_path_query_first(doc, 'strict $.** \\? (@.type == "picture" || @.type == "clip").type', '{}', true)
          is not null
    $$;

    create or replace function keep_post_text() returns trigger language plpgsql as $$
    begin
      insert into post_texts (course_id, discussion_id, post_id, title, plain, n, own_words, opening, named, pictured, carries)
        select p.course_id, p.discussion_id, p.id, new.title, new.plain, new.n, new.own_words, o.*
        from posts p, outline_of(new.doc, new.plain) o where p.id = new.post_id
      on conflict (course_id, discussion_id, post_id) do update
        set title = excluded.title, plain = excluded.plain, n = excluded.n, own_words = excluded.own_words,
          opening = excluded.opening, named = excluded.named, pictured = excluded.pictured, carries = excluded.carries;
      perform learn_words(new.title || ' ' || new.plain);
      return null;
    end $$;
    update post_texts t set n = v.n, own_words = v.own_words, opening = o.opening, named = o.named,
      pictured = o.pictured, carries = o.carries
    from posts p join lateral (
      select * from post_versions v where v.post_id = p.id order by v.n desc limit 1) v on true,
      outline_of(v.doc, v.plain) o
    where t.post_id = p.id;

    -- The care of staff. A thread is locked at its response.
    alter table posts
      add column pinned_at timestamptz,
      add column locked_at timestamptz check (locked_at is null or kind = 'response'),
      add column hidden_reason text not null default '';
    create table reports (
      id uuid primary key,
      course_id uuid not null,
      discussion_id uuid not null,
      post_id bigint not null,
      person_id uuid not null,
      reason text not null check (length(reason) between 1 and 600),
      reported_at timestamptz not null,
      settled_at timestamptz,
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create unique index reports_open on reports (post_id, person_id) where settled_at is null;
    create index reports_discussion on reports (discussion_id) where settled_at is null;
    create table care_log (
      id bigint generated always as identity primary key,
      course_id uuid not null,
      discussion_id uuid not null,
      post_id bigint not null,
      person_id uuid not null,
      act text not null check (act in
        ('report', 'settle', 'hide', 'show', 'pin', 'unpin', 'lock', 'unlock', 'answer')),
      reason text not null default '',
      done_at timestamptz not null,
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id)
    );
    create index care_log_discussion on care_log (discussion_id, id);
    create function keep_care_log() returns trigger language plpgsql as $$
    begin
      raise exception 'What was done is logged for good.';
    end $$;
    create trigger care_log_kept before update on care_log for each row execute function keep_care_log();

    -- A row says what one chose: to follow a thread (or, without one, the discussion), or not to.
    create table follows (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      thread_id bigint,
      follows boolean not null,
      unique nulls not distinct (person_id, discussion_id, thread_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, discussion_id, thread_id) references posts (course_id, discussion_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    alter table people
      add column reads_as text not null default 'threads' check (reads_as in ('threads', 'headlines', 'time')),
      add column newest_first boolean not null default false;

    create table discussion_feeds (
      person_id uuid not null,
      course_id uuid not null,
      discussion_id uuid not null,
      token text not null unique check (length(token) >= 40),
      made_at timestamptz not null,
      last_read timestamptz,
      primary key (person_id, discussion_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    -- What happened in a discussion, numbered without gaps in the order in which it became visible: the row of counts
    -- is held from the number's making to the commit, so who has heard of one number has missed none before it.
    alter table discussion_counts add column events bigint not null default 0;
    create table room_events (
      course_id uuid not null,
      discussion_id uuid not null,
      n bigint not null,
      post_id bigint not null,
      act text not null check (act in ('shared', 'changed')),
      primary key (discussion_id, n),
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id) on delete cascade
    );

    create function tell_room(course uuid, discussion uuid, post bigint, what text) returns void language plpgsql as $$
    declare number bigint;
    begin
      -- Changed and taken out of its discussion altogether, in one go: there is nothing to tell.
      if not exists (select 1 from posts where id = post) then return; end if;
      insert into discussion_counts (course_id, discussion_id) values (course, discussion) on conflict do nothing;
      update discussion_counts set events = events + 1
        where course_id = course and discussion_id = discussion returning events into number;
      insert into room_events values (course, discussion, number, post, what);
      perform pg_notify('room', discussion::text);
    end $$;

    create function tell_shared() returns trigger language plpgsql as $$
    begin
      perform tell_room(new.course_id, new.discussion_id, new.id, 'shared');
      return null;
    end $$;
    -- At the end of the transaction, like the counting: nobody waits for another's writing.
    create constraint trigger posts_told after insert on posts
      deferrable initially deferred for each row execute function tell_shared();

    create function tell_cared() returns trigger language plpgsql as $$
    begin
      perform tell_room(new.course_id, new.discussion_id, new.id, 'changed');
      return null;
    end $$;
    create constraint trigger posts_told_again after update of withdrawn_at, hidden_at, pinned_at, locked_at on posts
      deferrable initially deferred for each row
      when (old.withdrawn_at is distinct from new.withdrawn_at or old.hidden_at is distinct from new.hidden_at
        or old.pinned_at is distinct from new.pinned_at or old.locked_at is distinct from new.locked_at)
      execute function tell_cared();

    create function tell_edited() returns trigger language plpgsql as $$
    begin
      perform tell_room(p.course_id, p.discussion_id, p.id, 'changed') from posts p where p.id = new.post_id;
      return null;
    end $$;
    create constraint trigger post_versions_told after insert on post_versions
      deferrable initially deferred for each row when (new.n > 1) execute function tell_edited();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
