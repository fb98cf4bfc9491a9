import type { Knex } from 'knex';

/**
 * Questions of a course. A question is a post and its answers are replies to it: they stand in a room of their own, one for each
 * course, which is a discussion in all but what is owed. What lists discussions reads the view of that name and never meets
 * these rooms; whoever works in a room by its name reads the table.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table discussions rename to rooms;
    alter table rooms alter column week drop not null;
    alter table rooms add column asks boolean not null default false,
      add constraint rooms_week_of_discussions check (asks or week is not null);
    create unique index rooms_asks on rooms (course_id) where asks;
    create view discussions as
      select course_id, id, slug, week, title, prompt, brief, late, grace_minutes, opens, response_due, replies_due,
        prompt_plain, found, rubric, viewings, files, shown, show_at, text_differs, marked_by, marks_at
      from rooms where not asks;
    -- Whoever serves goes on serving by the view, also before rights are granted anew.
    do $$ declare held record; begin
      for held in select grantee, privilege_type from information_schema.role_table_grants
        where table_schema = current_schema() and table_name = 'rooms' and grantee <> current_user
      loop execute format('grant %s on discussions to %I', held.privilege_type, held.grantee); end loop;
    end $$;

    create function room_to_ask_in(course uuid) returns void language sql as $$
      insert into rooms (course_id, id, slug, title, prompt, brief, late, opens, response_due, replies_due, asks)
      select course, gen_random_uuid(), 'q-' || replace(course::text, '-', ''), 'Questions',
        '{"type": "doc", "content": [{"type": "paragraph"}]}', '{}', '{"rule": "accepted", "days": 1}',
        '2000-01-01', '2999-01-01', '2999-01-01', true
    $$;
    select room_to_ask_in(id) from courses where owner_id is null;
    create function course_begun() returns trigger language plpgsql as $$
    begin
      perform room_to_ask_in(new.id);
      return null;
    end $$;
    create trigger courses_ask after insert on courses for each row when (new.owner_id is null)
      execute function course_begun();

    -- A post under cover is, in this table and for every query there is, that of somebody without a name, who stands for all of a
    -- course that are covered. Who asked is said by covers alone.
    alter table posts add column covered boolean not null default false;
    alter table posts drop constraint posts_check2;
    create table covers (
      course_id uuid not null,
      thread_id bigint primary key,
      person_id uuid not null,
      -- From staff as well, or from the class.
      from_staff boolean not null,
      foreign key (thread_id) references posts (id) on delete cascade deferrable initially deferred,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index covers_person on covers (course_id, person_id);
    alter table courses add column nobody uuid references people (id);
    create function nobody_of(course uuid) returns uuid language plpgsql as $$
    declare somebody uuid := (select nobody from courses where id = course for update);
    begin
      if somebody is not null then return somebody; end if;
      somebody := gen_random_uuid();
      insert into people (id, name, time_zone, former_since) values (somebody, 'A classmate', 'UTC', '2000-01-01');
      insert into enrolments (course_id, person_id, role) values (course, somebody, 'student');
      update courses set nobody = somebody where id = course;
      return somebody;
    end $$;

    create or replace function thread_of_post() returns trigger language plpgsql as $$
    declare asks boolean;
    begin
      if new.parent_id is null then
        new.thread_id := new.id;
        select d.asks into asks from rooms d where d.course_id = new.course_id and d.id = new.discussion_id;
        -- Who sees a question its asker says: everybody, their group, or staff and nobody else.
        if asks then return new; end if;
        -- What staff begin is for everybody.
        select coalesce((d.brief ->> 'grouped')::boolean, false) and e.role = 'student', e.group_id
          into new.grouped, new.group_id
          from rooms d join enrolments e on e.course_id = d.course_id and e.person_id = new.author_id
          where d.course_id = new.course_id and d.id = new.discussion_id;
        if not coalesce(new.grouped, false) then new.grouped := false; new.group_id := null; end if;
      else
        select p.thread_id, p.grouped, p.group_id, p.covered, case when d.asks then p.private_to else new.private_to end
          into new.thread_id, new.grouped, new.group_id, new.covered, new.private_to
          from posts p join rooms d on d.id = p.discussion_id where p.id = new.parent_id;
      end if;
      return new;
    end $$;
    create function may_read_covered(thread bigint, reader uuid) returns boolean language sql stable as $$
      select exists (select 1 from covers c where c.thread_id = thread and c.person_id = reader)
    $$;
    create or replace function may_read_post(p posts, reader uuid, staff boolean) returns boolean language sql stable as $$
      select staff or p.author_id = reader or p.private_to = reader or (p.private_to is null
        and case when p.grouped then may_read_group(p.course_id, p.group_id, p.thread_id, reader) else true end)
        or case when p.covered then may_read_covered(p.thread_id, reader) else false end
    $$;

    create table questions (
      post_id bigint primary key,
      course_id uuid not null,
      discussion_id uuid not null,
      -- By which it is called and reached; numbers are never given twice in a course.
      number int not null,
      kind text not null check (kind in ('asks', 'tells', 'line', 'hands')),
      -- Where it was asked: a discussion, a reading, a check, a mark.
      about jsonb check (jsonb_typeof(about) = 'object'),
      week int,
      label text not null default '' check (length(label) <= 40),
      kept_at timestamptz,
      answered_at timestamptz,
      taken_by uuid,
      merged_into bigint references questions (post_id),
      -- Where it stands among meanings, and of which words that is.
      meaning real[],
      learnt text,
      unique (course_id, number),
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id) on delete cascade,
      foreign key (course_id, taken_by) references enrolments (course_id, person_id) on delete set null (taken_by)
    );
    create index questions_merged on questions (merged_into) where merged_into is not null;
    -- A show of hands, and who raised theirs for what: one row for each choice of each person.
    create table hands (
      post_id bigint primary key references questions (post_id) on delete cascade,
      choices jsonb not null check (jsonb_typeof(choices) = 'array'),
      several boolean not null,
      named boolean not null,
      shown text not null check (shown in ('now', 'voted', 'end')),
      closes_at timestamptz not null
    );
    create table raised (
      post_id bigint not null references hands (post_id) on delete cascade,
      course_id uuid not null,
      person_id uuid not null,
      choice int not null,
      primary key (post_id, person_id, choice),
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    -- Answers of classmates that staff say are right.
    create table confirmations (
      post_id bigint primary key references posts (id) on delete cascade,
      by_id uuid references people (id) on delete set null,
      at timestamptz not null
    );
    -- Whom an earlier question, or a rule, spared asking; counted, and shown to nobody by name.
    create table spared (
      course_id uuid not null,
      person_id uuid not null,
      post_id bigint not null references questions (post_id) on delete cascade,
      at timestamptz not null,
      primary key (post_id, person_id),
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    -- How a course takes questions: whether names may be covered from staff too, and what stands above the private line.
    create table question_rules (
      course_id uuid primary key references courses (id) on delete cascade,
      cover_from_staff boolean not null default false,
      hours text not null default '' check (length(hours) <= 400)
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
