import type { Knex } from 'knex';

/** The rhythm of a class in a discussion as it was when that closed: kept once, and worked out never again; null where too few took part. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table rhythms (
      course_id uuid not null,
      discussion_id uuid not null,
      rhythm jsonb check (jsonb_typeof(rhythm) = 'object'),
      made_at timestamptz not null,
      primary key (course_id, discussion_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
