import type { Knex } from 'knex';

/** What is said with a mark beside its remark: a text with clips and files, and which files these are. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table marking add column files uuid[] not null default '{}';
    alter table second_readings add column files uuid[] not null default '{}';
    alter table marks add column more jsonb check (jsonb_typeof(more) = 'object'),
      add column files uuid[] not null default '{}';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
