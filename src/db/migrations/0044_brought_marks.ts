import type { Knex } from 'knex';

/** A table of marks that somebody brought, until it is taken over or left. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table brought_marks (
      id uuid primary key,
      course_id uuid not null,
      discussion_id uuid not null,
      brought_by uuid not null references people on delete cascade,
      file_name text not null check (length(file_name) <= 300),
      lines jsonb not null check (jsonb_typeof(lines) = 'array'),
      brought_at timestamptz not null,
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade
    );
    create index brought_marks_discussion on brought_marks (course_id, discussion_id);
    create index brought_marks_by on brought_marks (brought_by);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
