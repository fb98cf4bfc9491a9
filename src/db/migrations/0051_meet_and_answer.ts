import type { Knex } from 'knex';

/**
 * More of what is asked: hours to meet with slots to sign up for, a corner for anything, answers that staff keep to give again, a line that each student
 * has once, and questions to the staff that everybody may read once their asker says so.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table questions drop constraint questions_kind_check,
      add constraint questions_kind_check check (kind in ('asks', 'tells', 'line', 'hands', 'corner', 'meets')),
      add column line_of uuid,
      -- Staff would like everybody to read it, and wait for its asker's word.
      add column open_wanted_by uuid references people (id) on delete set null,
      add column open_wanted_at timestamptz;
    update questions q set line_of = p.author_id
      from posts p where p.id = q.post_id and q.kind = 'line' and q.number = (
        select min(o.number) from questions o join posts op on op.id = o.post_id
        where o.course_id = q.course_id and o.kind = 'line' and op.author_id = p.author_id);
    create unique index questions_line on questions (course_id, line_of);
    alter table questions add foreign key (course_id, line_of) references enrolments (course_id, person_id)
      on delete set null (line_of);

    -- What one is about to write on a line that is not begun yet answers nothing so far, and is no draft of a question.
    do $$ declare old text; begin
      select conname into old from pg_constraint
        where conrelid = 'drafts'::regclass and contype = 'c' and pg_get_constraintdef(oid) like '%parent_id IS NULL%';
      execute format('alter table drafts drop constraint %I', old);
    end $$;
    alter table drafts add constraint drafts_parent check (kind = 'reply' or parent_id is null);

    alter table question_rules add column corner text not null default '' check (length(corner) <= 40);

    -- When a hand was raised: where names are covered, counts move on by fives.
    alter table raised add column at timestamptz not null default now();

    create table meetings (
      post_id bigint primary key references questions (post_id) on delete cascade,
      course_id uuid not null references courses (id) on delete cascade,
      starts_at timestamptz not null,
      minutes int not null check (minutes between 5 and 600),
      place text not null check (length(place) between 1 and 400),
      -- Into how many equal slots it is parted; none where whoever wants comes.
      slots int not null check (slots between 0 and 60),
      called_off_at timestamptz
    );
    create index meetings_course on meetings (course_id, starts_at);
    create table meeting_slots (
      post_id bigint not null references meetings (post_id) on delete cascade,
      n int not null check (n >= 0),
      course_id uuid not null,
      person_id uuid not null,
      primary key (post_id, n),
      unique (post_id, person_id),
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );

    create table saved_answers (
      id uuid primary key,
      person_id uuid not null references people (id) on delete cascade,
      title text not null check (length(title) between 1 and 200),
      doc jsonb not null check (doc ->> 'type' = 'doc'),
      saved_at timestamptz not null
    );
    create index saved_answers_person on saved_answers (person_id);

    -- Everybody may read from now on what only its asker and the staff did. Its posts are held, so that none goes out of sight meanwhile.
    create function open_thread(thread bigint) returns void language plpgsql as $$
    declare p posts;
    begin
      for p in select * from posts where thread_id = thread and private_to is not null order by id for update loop
        if p.withdrawn_at is null and p.hidden_at is null then
          perform count_post(p, -1);
          p.private_to := null;
          perform count_post(p, 1);
          update reading_counts c set class_posts = c.class_posts + 1, private_posts = c.private_posts - 1
            from reads m
            where m.post_id = p.id and m.course_id = c.course_id and m.discussion_id = c.discussion_id
              and m.person_id = c.person_id;
        end if;
        update posts set private_to = null where id = p.id;
        perform tell_discussion(p.course_id, p.discussion_id, p.id, 'changed');
      end loop;
    end $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
