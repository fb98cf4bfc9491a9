import type { Knex } from 'knex';

/**
 * Who has been given a classmate's post of a sealed discussion: from then on the own response cannot be withdrawn. Who had
 * read or answered before is known from reading marks and replies.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table seal_openings (
      course_id uuid not null,
      discussion_id uuid not null,
      person_id uuid not null,
      opened_at timestamptz not null,
      primary key (course_id, discussion_id, person_id),
      foreign key (course_id, discussion_id) references discussions (course_id, id) on delete cascade,
      foreign key (course_id, person_id) references enrolments (course_id, person_id) on delete cascade
    );
    create index seal_openings_person on seal_openings (course_id, person_id);

    insert into seal_openings (course_id, discussion_id, person_id, opened_at)
      select p.course_id, p.discussion_id, r.person_id, min(r.at)
      from (
        select m.post_id, m.person_id, m.read_at as at from reading_marks m
        union all
        select q.parent_id, q.author_id, q.shared_at from posts q where q.parent_id is not null
      ) r
      join posts p on p.id = r.post_id and p.author_id <> r.person_id
      join discussions d on d.id = p.discussion_id and (d.brief ->> 'sealed')::boolean
      join courses c on c.id = p.course_id and c.owner_id is null
      join enrolments e on e.course_id = p.course_id and e.person_id = r.person_id and e.role = 'student'
      group by 1, 2, 3;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations only go forward.');
}
