import type { Knex } from 'knex';

/** One word for one thing: a mark is a grade, so what is read is a read, and what is said of a post by one press a reaction. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table reading_marks rename to reads;
    alter table post_marks rename to reactions;
    alter table reactions rename column marked_at to reacted_at;
    alter table care_log rename to moderation_log;
    alter table room_events rename to discussion_events;
    alter function keep_care_log() rename to keep_moderation_log;
    alter function marks_changed() rename to reads_changed;
    alter function tell_cared() rename to tell_moderated;
    alter function tell_room(uuid, uuid, bigint, text) rename to tell_discussion;

    create or replace function post_sight_changed() returns trigger language plpgsql as $$
    declare
      was boolean := old.withdrawn_at is null and old.hidden_at is null;
      now_is boolean := new.withdrawn_at is null and new.hidden_at is null;
      delta int := case when now_is then 1 else -1 end;
    begin
      if was = now_is then return null; end if;
      perform count_post(new, delta);
      update reading_counts c set
        class_posts = c.class_posts + case when new.private_to is null then delta else 0 end,
        private_posts = c.private_posts + case when new.private_to is not null then delta else 0 end
      from reads m
      where m.post_id = new.id and m.course_id = c.course_id and m.discussion_id = c.discussion_id
        and m.person_id = c.person_id;
      return null;
    end $$;

    create or replace function tell_discussion(course uuid, discussion uuid, post bigint, what text)
      returns void language plpgsql as $$
    declare number bigint;
    begin
      -- Changed and taken out of its discussion altogether, in one go: there is nothing to tell.
      if not exists (select 1 from posts where id = post) then return; end if;
      insert into discussion_counts (course_id, discussion_id) values (course, discussion) on conflict do nothing;
      update discussion_counts set events = events + 1
        where course_id = course and discussion_id = discussion returning events into number;
      insert into discussion_events values (course, discussion, number, post, what);
      perform pg_notify('discussion', discussion::text);
    end $$;
    create or replace function tell_shared() returns trigger language plpgsql as $$
    begin
      perform tell_discussion(new.course_id, new.discussion_id, new.id, 'shared');
      return null;
    end $$;
    create or replace function tell_moderated() returns trigger language plpgsql as $$
    begin
      perform tell_discussion(new.course_id, new.discussion_id, new.id, 'changed');
      return null;
    end $$;
    create or replace function tell_edited() returns trigger language plpgsql as $$
    begin
      perform tell_discussion(p.course_id, p.discussion_id, p.id, 'changed') from posts p where p.id = new.post_id;
      return null;
    end $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
