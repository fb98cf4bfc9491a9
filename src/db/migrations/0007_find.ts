import type { Knex } from 'knex';

/**
 * What the find palette searches. Of each post only the latest version is searched; the vocabulary holds every word
 * that stands anywhere, so that a mistyped one finds its neighbours by trigrams.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create extension if not exists pg_trgm;

    create table post_texts (
      course_id uuid not null,
      discussion_id uuid not null,
      post_id bigint not null unique references posts (id) on delete cascade,
      title text not null,
      plain text not null,
      found tsvector generated always as (
        setweight(to_tsvector('english', title), 'A') || setweight(to_tsvector('english', plain), 'B')) stored,
      primary key (course_id, discussion_id, post_id)
    );
    create index post_texts_found on post_texts using gin (found);

    create table search_words (word text primary key);
    create index search_words_near on search_words using gin (word gin_trgm_ops);

    create function learn_words(said text) returns void language sql as $$
      insert into search_words
      select distinct w from unnest(tsvector_to_array(to_tsvector('simple', said))) w
      where length(w) between 3 and 40 and w ~ '^[[:alpha:]]+$'
      order by w
      on conflict do nothing;
    $$;

    create function keep_post_text() returns trigger language plpgsql as $$
    begin
      insert into post_texts (course_id, discussion_id, post_id, title, plain)
        select course_id, discussion_id, id, new.title, new.plain from posts where id = new.post_id
      on conflict (course_id, discussion_id, post_id) do update
        set title = excluded.title, plain = excluded.plain;
      perform learn_words(new.title || ' ' || new.plain);
      return null;
    end $$;
    create trigger post_versions_found after insert on post_versions
      for each row execute function keep_post_text();

    insert into post_texts (course_id, discussion_id, post_id, title, plain)
      select p.course_id, p.discussion_id, p.id, v.title, v.plain
      from posts p join lateral (
        select title, plain from post_versions v where v.post_id = p.id order by n desc limit 1) v on true;
    select learn_words(title || ' ' || plain) from post_texts;

    alter table discussions add column prompt_plain text not null default '';
    alter table discussions add column found tsvector generated always as (
      setweight(to_tsvector('english', title), 'A') || setweight(to_tsvector('english', prompt_plain), 'B')) stored;
    create index discussions_found on discussions using gin (found);
    update discussions set prompt_plain = coalesce((
      select string_agg(t #>> '{}', ' ')
      from jsonb_path_query(jsonb_build_array(prompt, brief -> 'parts'), 'strict $.**.text', '{}', true) t), '');
    alter table readings add column found tsvector generated always as (
      setweight(to_tsvector('english', title || ' ' || author), 'A')
      || setweight(to_tsvector('english', plain), 'B')) stored;
    create index readings_found on readings using gin (found);

    create function learn_discussion() returns trigger language plpgsql as $$
    begin
      perform learn_words(new.title || ' ' || new.prompt_plain);
      return null;
    end $$;
    create trigger discussions_learnt after insert or update of title, prompt_plain on discussions
      for each row execute function learn_discussion();
    create function learn_reading() returns trigger language plpgsql as $$
    begin
      perform learn_words(new.title || ' ' || new.author || ' ' || new.plain);
      return null;
    end $$;
    create trigger readings_learnt after insert or update of title, author, plain on readings
      for each row execute function learn_reading();
    create function learn_person() returns trigger language plpgsql as $$
    begin
      perform learn_words(new.name);
      return null;
    end $$;
    create trigger people_learnt after insert or update of name on people
      for each row execute function learn_person();
    select learn_words(name) from people;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
