import type { Knex } from 'knex';
import { daysLater, wallClockAt } from '@/core/deadlines/wallclock';
import { instant, type Instant } from '@/core/ids';

/** A large college: so many courses, each with so many students over so many weeks. */
export const SCALE = { courses: 5, students: 300, weeks: 15, nowInWeek: 8, repliesEach: 2 };

const WORDS =
  'the levee holds back water that the meadow would have taken and every year the wall is raised a little while the houses behind it grow in number so that the next flood finds more than the last one did';

/**
 * Lays out the large college by plain SQL, in one transaction: what the triggers keep is filled in at the end in one
 * go, as they would have kept it. Every student is in every course; of one student everything up to last week is read.
 *
 * @returns the mail address of that student
 */
export async function seedScale(db: Knex, now: Instant): Promise<{ email: string; posts: number }> {
  const { courses, students, weeks, nowInWeek, repliesEach } = SCALE;
  const today = new Date(now);
  const monday = daysLater(wallClockAt(now, 'UTC').slice(0, 11) + '00:00', -((today.getUTCDay() + 6) % 7));
  const first = daysLater(monday, -(nowInWeek - 1) * 7).slice(0, 10);
  await db.transaction(async (tx) => {
    await tx.raw('set local session_replication_role = replica');
    await tx.raw(
      `insert into people (id, name, email, password_hash, time_zone, last_seen)
       select md5('person ' || i)::uuid, 'Student Number ' || i, 'student.' || i || '@tidewell.example', 'x',
         'Europe/London', ?::timestamptz from generate_series(1, ?) i`,
      [new Date(now - 86_400_000).toISOString(), students],
    );
    await tx.raw(
      `insert into courses (id, code, title, time_zone)
       select md5('course ' || c)::uuid, 'LRG ' || (100 + c), 'Large course ' || c, 'Europe/London'
       from generate_series(1, ?) c`,
      [courses],
    );
    await tx.raw(`insert into enrolments select c.id, p.id, 'student' from courses c, people p`);
    await tx.raw(
      `insert into weeks (course_id, number, title, starts_on, overview)
       select c.id, w, 'Week ' || w, ?::date + (w - 1) * 7, 'What this week is about.'
       from courses c, generate_series(1, ?) w`,
      [first, weeks],
    );
    await tx.raw(
      `insert into readings (course_id, id, slug, week, position, title, author, words, place)
       select w.course_id, md5('reading ' || w.course_id || w.number)::uuid,
         lower(replace(c.code, ' ', '-')) || '-reading-' || w.number, w.number, 1, 'Chapter ' || w.number, 'N. N.',
         3000, 'reader' from weeks w join courses c on c.id = w.course_id`,
    );
    const brief = {
      parts: [
        { id: '1', text: 'What happened?' },
        { id: '2', text: 'Why?' },
      ],
      concepts: [],
      response: { words: { min: 120 }, advised: [], countQuoted: false },
      replies: {
        count: repliesEach,
        distinctPeers: true,
        words: { min: 40 },
        advised: [],
        countQuoted: false,
        staffCount: false,
      },
      sealed: false,
    };
    await tx.raw(
      `insert into discussions (course_id, id, slug, week, title, prompt, brief, late, opens, response_due,
         replies_due, prompt_plain)
       select w.course_id, md5('discussion ' || w.course_id || w.number)::uuid,
         lower(replace(c.code, ' ', '-')) || '-w' || w.number, w.number, 'A question about week ' || w.number,
         '{"type":"doc","content":[{"type":"paragraph","content":[{"type":"text","text":"Tell what happened and why."}]}]}',
         ?::jsonb, '{"rule":"refused"}', w.starts_on + time '06:00', w.starts_on + 3 + time '23:59',
         w.starts_on + 6 + time '23:59', 'Tell what happened and why.'
       from weeks w join courses c on c.id = w.course_id`,
      [JSON.stringify(brief)],
    );
    await addPosts(tx, now);
    await fillIn(tx, now);
  });
  await db.raw('vacuum analyze');
  const { rows } = await db.raw('select count(*) as n from posts');
  return { email: 'student.1@tidewell.example', posts: Number(rows[0].n) };
}

/** A response of everybody in every week that has begun, and replies to the next students in the list. */
async function addPosts(tx: Knex.Transaction, now: Instant) {
  const { students, repliesEach } = SCALE;
  const at = new Date(now).toISOString();
  await tx.raw(
    `insert into posts (course_id, discussion_id, author_id, kind, submission, shared_at)
     select d.course_id, d.id, md5('person ' || i)::uuid, 'response', md5('response ' || d.id || i)::uuid,
       d.opens at time zone 'UTC' + (i % 30) * interval '1 hour'
     from discussions d, generate_series(1, ?) i
     where d.opens at time zone 'UTC' + (i % 30) * interval '1 hour' < ?::timestamptz order by d.opens, i`,
    [students, at],
  );
  await tx.raw(
    `insert into posts (course_id, discussion_id, author_id, kind, parent_id, submission, shared_at)
     select r.course_id, r.discussion_id, a.id, 'reply', r.id, md5('reply ' || r.id || k)::uuid,
       r.shared_at + (k * 20) * interval '1 hour'
     from posts r
     cross join generate_series(1, ?) k
     join lateral (select split_part(name, ' ', 3)::int as i from people where id = r.author_id) n on true
     join people a on a.id = md5('person ' || ((n.i + k * 7 - 1) % ? + 1))::uuid
     where r.kind = 'response' and r.shared_at + (k * 20) * interval '1 hour' < ?::timestamptz order by r.id, k`,
    [repliesEach, students, at],
  );
  await tx.raw(
    `insert into post_versions (post_id, n, shared_at, title, doc, plain, own_words, checks, unmet, fingerprint, opening, named, carries)
     select p.id, 1, p.shared_at, case when p.kind = 'response' then 'Response ' || p.id else '' end,
       jsonb_build_object('type', 'doc', 'content', jsonb_build_array(jsonb_build_object('type', 'paragraph',
         'content', jsonb_build_array(jsonb_build_object('type', 'text', 'text', t.text))))),
       t.text, 130, '[]', '{}', md5(p.id::text) || md5(p.id::text), left(t.text, 200), '{}', false
     from posts p, lateral (select 'Number ' || p.id || ': ' || repeat(? || '. ', 3) as text) t`,
    [WORDS],
  );
}

/** What the triggers keep, set by set. */
async function fillIn(tx: Knex.Transaction, now: Instant) {
  await tx.raw(`
    insert into post_texts
        (course_id, discussion_id, post_id, title, plain, n, own_words, opening, named, pictured, carries)
      select p.course_id, p.discussion_id, p.id, v.title, v.plain, v.n, v.own_words, v.opening, v.named,
        v.pictured, v.carries
      from posts p join post_versions v on v.post_id = p.id;
    select learn_words(plain) from post_texts limit 50;
    insert into discussion_counts
      select course_id, discussion_id, count(*), count(*) filter (where kind = 'response'), 0 from posts group by 1, 2`);
  const lastMonday = instant(now - 7 * 86_400_000);
  await tx.raw(
    `insert into reads (course_id, discussion_id, person_id, post_id, read_at)
     select course_id, discussion_id, md5('person 1')::uuid, id, shared_at from posts
     where author_id <> md5('person 1')::uuid and shared_at < ?::timestamptz`,
    [new Date(lastMonday).toISOString()],
  );
  await tx.raw(`
    insert into reading_counts
      select course_id, discussion_id, person_id, count(*), 0 from reads group by 1, 2, 3`);
}
