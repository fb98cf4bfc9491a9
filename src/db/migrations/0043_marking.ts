import type { Knex } from 'knex';

/**
 * Marks are kept as they are written and seen when they are released: what staff write stands in a table of its own, from which nothing
 * that students see is read. `marks` holds what was released last, `was` what stood there before.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table discussions
      add column marked_by text check (marked_by in ('rubric', 'points', 'verdict', 'remarks')),
      add column marks_at timestamptz;

    create table marking (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      marker_id uuid not null,
      mark jsonb not null check (jsonb_typeof(mark) = 'object'),
      revision integer not null default 1,
      written_at timestamptz not null,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade,
      foreign key (course_id, marker_id) references enrolments (course_id, person_id)
    );

    alter table marks
      add column points numeric check (points >= 0),
      add column verdict text check (verdict in ('done', 'again')),
      add column override jsonb check (jsonb_typeof(override) = 'object'),
      -- How it was marked and what the late rule took, as both were when it was released.
      add column scheme jsonb check (jsonb_typeof(scheme) = 'object'),
      add column late jsonb check (jsonb_typeof(late) = 'object'),
      add column comments jsonb not null default '[]' check (jsonb_typeof(comments) = 'array'),
      add column n integer not null default 1,
      add column was jsonb check (jsonb_typeof(was) = 'object'),
      add column seen_at timestamptz;
    create index marks_person on marks (person_id);

    -- What is said about a comment, by its student and by staff; and whether its student has marked it as understood.
    create table comment_answers (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      comment_id uuid not null,
      id uuid not null,
      author_id uuid not null,
      body text not null check (length(body) between 1 and 4000),
      made_at timestamptz not null,
      primary key (course_id, discussion_id, person_id, comment_id, id),
      foreign key (course_id, discussion_id, person_id) references marks (course_id, discussion_id, person_id) on delete cascade,
      foreign key (course_id, author_id) references enrolments (course_id, person_id)
    );
    create table comments_understood (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      comment_id uuid not null,
      understood_at timestamptz not null,
      primary key (course_id, discussion_id, person_id, comment_id),
      foreign key (course_id, discussion_id, person_id) references marks (course_id, discussion_id, person_id) on delete cascade
    );

    insert into marking (course_id, discussion_id, person_id, marker_id, mark, written_at)
    select course_id, discussion_id, person_id, marker_id,
      jsonb_build_object('levels', levels, 'points', null, 'verdict', null, 'override', null, 'remark', comment,
        'comments', '[]'::jsonb), marked_at
    from marks;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
