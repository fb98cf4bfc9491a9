import type { Knex } from 'knex';

/**
 * Groups of a course, each with a conversation of its own where a discussion asks for it; and what is given to single students in a
 * discussion: a side, the lead. A post of such a discussion belongs to the group its thread was begun in, and stays there when its
 * writer is moved: whoever wrote in a thread goes on reading it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table groups (
      course_id uuid not null references courses on delete cascade,
      id uuid not null,
      name text not null check (length(trim(name)) between 1 and 60),
      primary key (course_id, id),
      unique (course_id, name)
    );
    -- When somebody could work with others: a bit for each morning, afternoon and evening of the week.
    alter table enrolments add column group_id uuid, add column times integer not null default 0 check (times between 0 and 2097151),
      add foreign key (course_id, group_id) references groups (course_id, id);
    create index enrolments_group on enrolments (course_id, group_id) where group_id is not null;

    create table parts_played (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      side smallint check (side in (1, 2)),
      leads boolean not null default false,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index parts_played_person on parts_played (course_id, person_id);

    alter table posts add column grouped boolean not null default false, add column group_id uuid,
      add foreign key (course_id, group_id) references groups (course_id, id);
    create index posts_group on posts (group_id) where group_id is not null;

    create or replace function thread_of_post() returns trigger language plpgsql as $$
    begin
      if new.parent_id is null then
        new.thread_id := new.id;
        -- What staff begin is for everybody.
        select coalesce((d.brief ->> 'grouped')::boolean, false) and e.role = 'student', e.group_id
          into new.grouped, new.group_id
          from discussions d join enrolments e on e.course_id = d.course_id and e.person_id = new.author_id
          where d.course_id = new.course_id and d.id = new.discussion_id;
        if not coalesce(new.grouped, false) then new.grouped := false; new.group_id := null; end if;
      else
        select thread_id, grouped, group_id into new.thread_id, new.grouped, new.group_id
          from posts where id = new.parent_id;
      end if;
      return new;
    end $$;

    -- Apart, so that the question of every day stays one that is answered in its query.
    create function may_read_group(course uuid, of_group uuid, thread bigint, reader uuid) returns boolean
      language sql stable as $$
      select exists (select 1 from enrolments e where e.course_id = course and e.person_id = reader
          -- Who looks on is in no group, and reads what the class reads.
          and (e.role::text = 'observer' or e.group_id is not distinct from of_group))
        or exists (select 1 from posts t where t.thread_id = thread and t.author_id = reader)
    $$;
    create or replace function may_read_post(p posts, reader uuid, staff boolean) returns boolean language sql stable as $$
      select staff or p.author_id = reader or p.private_to = reader or (p.private_to is null
        and case when p.grouped then may_read_group(p.course_id, p.group_id, p.thread_id, reader) else true end)
    $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
