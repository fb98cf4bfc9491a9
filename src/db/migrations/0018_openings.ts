import type { Knex } from 'knex';

/** The beginning of a post, as lists show it, is of its own words: a quotation at its head does not run into them. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create function own_beginning(doc jsonb, plain text) returns text language sql immutable as $$
      select left(coalesce((
        select string_agg(t #>> '{}', '' order by o)
        from (
          select b from jsonb_array_elements(doc -> 'content') with ordinality e (b, i)
          where b ->> 'type' not in ('blockquote', 'partHeading') and jsonb_path_exists(b, 'strict $.**.text')
          order by i limit 1) first (b),
          jsonb_path_query(b, 'strict $.**.text', '{}', true) with ordinality x (t, o)), plain), 200)
    $$;

    create or replace function outline_of(doc jsonb, plain text,
      out opening text, out named text[], out pictured uuid, out carries boolean) language sql immutable as $$
      select own_beginning(doc, plain),
        array(select distinct t #>> '{}'
          from jsonb_path_query(doc, 'strict $.**.marks[*] \\? (@.type == "mention").attrs.person', '{}', true) t),
        (jsonb_path_query_first(doc,
          'strict $.** \\? (@.type == "picture" || (@.type == "clip" && @.attrs.video == true)).attrs.file', '{}', true)
          #>> '{}')::uuid,
        jsonb_path_query_first(doc, 'strict $.** \\? (@.type == "picture" || @.type == "clip").type', '{}', true)
          is not null
    $$;

    update post_texts x set opening = own_beginning(v.doc, v.plain)
      from post_versions v where v.post_id = x.post_id and v.n = x.n;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
