import type { Knex } from 'knex';

/** How somebody likes clock and week to be shown, and their picture; the college's mark, and how much may be kept. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table people
      add column clock text not null default '24' check (clock in ('12', '24')),
      add column week_begins smallint not null default 1 check (week_begins between 1 and 7),
      add column picture text check (picture ~ '^[0-9a-f]{64}$');
    create index people_picture on people (picture) where picture is not null;
    alter table college
      add column mark text check (mark ~ '^[0-9a-f]{64}$'),
      add column person_mb int not null default 500 check (person_mb between 1 and 100000),
      add column course_mb int not null default 20480 check (course_mb between 1 and 10000000);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
