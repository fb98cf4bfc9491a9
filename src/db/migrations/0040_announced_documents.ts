import type { Knex } from 'knex';

/** An announcement may be a text of the full editor, with files and clips; its plain words stay beside it for whoever reads only those. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table announcements
      add column doc jsonb check (doc is null or doc ->> 'type' = 'doc'),
      add column files uuid[] not null default '{}',
      drop constraint announcement_said,
      add constraint announcement_said check (length(trim(title)) between 1 and 200
        and length(body) <= 10000 and (doc is not null or length(trim(body)) > 0));
    create index announcements_files on announcements using gin (files) where files <> '{}';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
