import type { Knex } from 'knex';

/** What was put right of what was read of a prompt, given with a clear yes: by whom, where and at what hour is not kept. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table corrections (
      id uuid primary key default gen_random_uuid(),
      given_on date not null,
      field text not null check (length(field) between 1 and 60),
      words text not null check (length(words) <= 600),
      read text not null check (length(read) <= 600),
      meant text not null check (length(meant) <= 600),
      sure real not null check (sure between 0 and 1)
    );
    create index corrections_given on corrections (given_on desc, field, id);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
