import type { Knex } from 'knex';

/**
 * Stirs the demo world so that no figure is right by being nought or by being everybody's: posts read here and there,
 * some hidden or withdrawn, readings done, work at drafts noted, a shift to work around. What is stirred follows from
 * the rows' own numbers, so it is the same each time.
 */
export async function unsettle(db: Knex) {
  await db.raw(`
    insert into reads (course_id, discussion_id, person_id, post_id, read_at)
    select p.course_id, p.discussion_id, e.person_id, p.id, p.shared_at
    from posts p join enrolments e on e.course_id = p.course_id and e.role = 'student'
    where p.author_id <> e.person_id and p.private_to is null and p.withdrawn_at is null and p.hidden_at is null
      and hashtext(p.id::text || e.person_id::text) % 3 = 0
    on conflict do nothing`);
  await db.raw(`
    insert into accommodations (course_id, person_id, hours)
    select course_id, person_id, 30 from enrolments where role = 'student' and hashtext(person_id::text) % 5 = 0
    on conflict do nothing`);
  await db.raw(`update posts set hidden_at = shared_at where id % 29 = 3 and withdrawn_at is null`);
  await db.raw(`update posts set withdrawn_at = shared_at where id % 31 = 5 and hidden_at is null`);
  await db.raw(`
    insert into reading_progress (course_id, reading_id, person_id, seconds, read_at)
    select g.course_id, g.id, e.person_id, (g.words * (20 + abs(hashtext(e.person_id::text)) % 30)) / 100, now()
    from readings g join enrolments e on e.course_id = g.course_id and e.role = 'student'
    where hashtext(g.id::text || e.person_id::text) % 2 = 0
    on conflict do nothing`);
  await db.raw(`
    insert into writing_spells
      (person_id, discussion_id, started_at, ended_at, words_at_end, words_added, writing_seconds, proofreading_seconds)
    select e.person_id, d.id, d.opens, d.opens + interval '1 hour', 200, 120 + abs(hashtext(d.id::text)) % 80,
      600 + abs(hashtext(e.person_id::text)) % 900, 120
    from discussions d join enrolments e on e.course_id = d.course_id and e.role = 'student'
    where hashtext(d.id::text || e.person_id::text) % 4 = 0`);
  await db.raw(`
    with c as (
      insert into busy_calendars (id, person_id, name, imported_at, covers_until)
      select gen_random_uuid(), id, 'Shifts', '2026-10-01', '2027-01-01' from people
      where hashtext(id::text) % 2 = 0
      returning id
    )
    insert into busy_times (calendar_id, starts_at, ends_at, title)
    select c.id, t, t + interval '5 hours', 'Shift'
    from c, generate_series('2026-10-05 16:00Z'::timestamptz, '2026-11-20', interval '2 days') t`);
}
