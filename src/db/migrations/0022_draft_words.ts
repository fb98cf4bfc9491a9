import type { Knex } from 'knex';

/** How many words a draft has is kept with it: nobody counts a long text again to say what of it went. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table drafts add column words int not null default 0 check (words >= 0);
    update drafts set words = (select count(*) from jsonb_path_query(doc, 'strict $.**.text', '{}', true) t,
      regexp_split_to_table(t #>> '{}', '\\s+') w where w <> '');
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
