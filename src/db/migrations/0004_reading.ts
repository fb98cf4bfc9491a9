import type { Knex } from 'knex';

/**
 * What each person has read, and the counts that make "unread" cheap. A mark says that a person has read a post.
 * Counting unread posts on every page would read the whole class's work, so the database keeps two running figures in
 * step with the rows they stand for: how many posts a discussion has in sight, and how many of those a person has
 * marked. A test recomputes both the slow way.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table discussion_counts (
      course_id uuid not null,
      discussion_id uuid not null,
      class_posts int not null default 0 check (class_posts >= 0),
      responses int not null default 0 check (responses >= 0),
      private_posts int not null default 0 check (private_posts >= 0),
      primary key (course_id, discussion_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade
    );
    create index posts_private on posts (private_to, discussion_id) where private_to is not null;

    create table reading_marks (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      post_id bigint not null,
      read_at timestamptz not null,
      primary key (course_id, discussion_id, person_id, post_id),
      foreign key (course_id, discussion_id, post_id) references posts (course_id, discussion_id, id)
        on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index reading_marks_post on reading_marks (post_id);

    create table reading_counts (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      class_posts int not null default 0 check (class_posts >= 0),
      private_posts int not null default 0 check (private_posts >= 0),
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index reading_counts_person on reading_counts (person_id);

    insert into discussion_counts
      select course_id, discussion_id, count(*) filter (where private_to is null),
        count(*) filter (where private_to is null and kind = 'response'),
        count(*) filter (where private_to is not null)
      from posts where withdrawn_at is null and hidden_at is null group by 1, 2;

    -- A post came into sight (1) or went out of it (-1).
    create function count_post(p posts, delta int) returns void language sql as $$
      insert into discussion_counts as c (course_id, discussion_id, class_posts, responses, private_posts)
      values (p.course_id, p.discussion_id, 0, 0, 0)
      on conflict do nothing;
      update discussion_counts set
        class_posts = class_posts + case when p.private_to is null then delta else 0 end,
        responses = responses + case when p.private_to is null and p.kind = 'response' then delta else 0 end,
        private_posts = private_posts + case when p.private_to is not null then delta else 0 end
      where course_id = p.course_id and discussion_id = p.discussion_id;
    $$;

    create function post_shared() returns trigger language plpgsql as $$
    begin
      if new.withdrawn_at is null and new.hidden_at is null then perform count_post(new, 1); end if;
      return null;
    end $$;
    -- At the end of the transaction: the row of counts is everybody's, and must not be held while one shares.
    create constraint trigger posts_counted after insert on posts
      deferrable initially deferred for each row execute function post_shared();

    create function post_sight_changed() returns trigger language plpgsql as $$
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
      from reading_marks m
      where m.post_id = new.id and m.course_id = c.course_id and m.discussion_id = c.discussion_id
        and m.person_id = c.person_id;
      return null;
    end $$;
    create trigger posts_sight after update of withdrawn_at, hidden_at on posts
      for each row execute function post_sight_changed();

    -- The posts are locked for share, so that a post hidden at the same moment is counted once and not twice.
    create function marks_changed() returns trigger language plpgsql as $$
    declare delta int := case when tg_op = 'INSERT' then 1 else -1 end;
    begin
      with sight as (
        select m.course_id, m.discussion_id, m.person_id, p.private_to
        from changed m join posts p
          on p.course_id = m.course_id and p.discussion_id = m.discussion_id and p.id = m.post_id
        where p.withdrawn_at is null and p.hidden_at is null
        order by p.id for share of p
      )
      insert into reading_counts as c (course_id, discussion_id, person_id, class_posts, private_posts)
      select course_id, discussion_id, person_id, 0, 0 from sight group by 1, 2, 3
      on conflict do nothing;

      update reading_counts c set
        class_posts = c.class_posts + delta * s.class_posts, private_posts = c.private_posts + delta * s.private_posts
      from (
        select m.course_id, m.discussion_id, m.person_id,
          count(*) filter (where p.private_to is null)::int as class_posts,
          count(*) filter (where p.private_to is not null)::int as private_posts
        from changed m join posts p
          on p.course_id = m.course_id and p.discussion_id = m.discussion_id and p.id = m.post_id
        where p.withdrawn_at is null and p.hidden_at is null
        group by 1, 2, 3
      ) s
      where c.course_id = s.course_id and c.discussion_id = s.discussion_id and c.person_id = s.person_id;
      return null;
    end $$;
    create trigger reading_marks_added after insert on reading_marks
      referencing new table as changed for each statement execute function marks_changed();
    create trigger reading_marks_removed after delete on reading_marks
      referencing old table as changed for each statement execute function marks_changed();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
