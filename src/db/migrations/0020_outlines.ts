import type { Knex } from 'knex';

/**
 * What lists show of a text, and what files it carries, is written with it by who writes it, from the one model of a document;
 * no query reads into a stored document any more.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table post_versions add column opening text, add column named text[], add column pictured uuid,
      add column carries boolean;
    alter table post_versions disable trigger post_versions_kept;
    update post_versions v set (opening, named, pictured, carries) =
      (select o.opening, o.named, o.pictured, o.carries from outline_of(v.doc, v.plain) o);
    alter table post_versions enable trigger post_versions_kept;
    alter table post_versions alter column opening set not null, alter column named set not null,
      alter column carries set not null;

    create or replace function keep_post_text() returns trigger language plpgsql as $$
    begin
      insert into post_texts (course_id, discussion_id, post_id, title, plain, n, own_words, opening, named, pictured, carries)
        select p.course_id, p.discussion_id, p.id, new.title, new.plain, new.n, new.own_words,
          new.opening, new.named, new.pictured, new.carries
        from posts p where p.id = new.post_id
      on conflict (course_id, discussion_id, post_id) do update
        set title = excluded.title, plain = excluded.plain, n = excluded.n, own_words = excluded.own_words,
          opening = excluded.opening, named = excluded.named, pictured = excluded.pictured, carries = excluded.carries;
      perform learn_words(new.title || ' ' || new.plain);
      return null;
    end $$;
    drop function outline_of(jsonb, text);
    drop function own_beginning(jsonb, text);

    alter table intakes add column opening text not null default '';
    update intakes set opening = left(coalesce(jsonb_path_query_first(doc, 'strict $.**.text', '{}', true) #>> '{}', ''), 90);

    alter table drafts add column files uuid[] not null default '{}';
    alter table draft_versions add column files uuid[] not null default '{}';
    alter table readings add column files uuid[] not null default '{}';
    alter table discussions add column files uuid[] not null default '{}';
    create function files_in(doc jsonb) returns uuid[] language sql immutable as $$
      select array(select distinct (f #>> '{}')::uuid from jsonb_path_query(doc, 'strict $.**.file', '{}', true) f)
    $$;
    update drafts set files = files_in(doc);
    update draft_versions set files = files_in(doc);
    update readings set files = files_in(doc) where doc is not null;
    update discussions set files = files_in(prompt);
    drop function files_in(jsonb);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
