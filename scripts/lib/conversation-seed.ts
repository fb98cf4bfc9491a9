import type { Knex } from 'knex';
import { wallClockAt, daysLater } from '@/core/deadlines/wallclock';
import { instant, personId, type Instant } from '@/core/ids';
import { signInAsDemoPerson } from '@/server/sessions/sessions';

/** A room as large as they come, and the discussion beside it in which nobody has written yet. */
export const ROOM = { students: 300, threads: 60, posts: 2_000, slug: 'big-1', empty: 'big-2' };

const SENTENCE =
  'the levee holds back water that the meadow would have taken and every year the wall is raised a little while the houses behind it grow in number so that the next flood finds more than the last one did';

const BRIEF = {
  parts: [{ id: '1', text: 'What happened?' }],
  concepts: [],
  response: { words: { min: 20 }, advised: [], countQuoted: false },
  replies: {
    count: 2,
    distinctPeers: true,
    words: { min: 10 },
    advised: [],
    countQuoted: false,
    staffCount: false,
  },
  sealed: false,
};

/**
 * Lays out a course with one discussion of 2,000 posts in 60 threads, some of them deep, and an empty one. Texts are of 60 to
 * 240 words. Of one student a third is read. What the triggers keep, they keep.
 *
 * @returns when the responses of both are due
 */
export async function seedConversation(db: Knex, now: Instant): Promise<{ due: Instant }> {
  const wall = `${wallClockAt(now, 'UTC').slice(0, 11)}00:00`;
  await db.transaction(async (tx) => {
    await tx.raw(
      `insert into people (id, name, email, password_hash, time_zone, demo_rank)
       select md5('person ' || i)::uuid, 'Student Number ' || i, 'student.' || i || '@tidewell.example', 'x', 'UTC', i
       from generate_series(1, ?) i`,
      [ROOM.students],
    );
    await tx.raw(
      `insert into courses (id, code, title, time_zone) values (md5('big')::uuid, 'BIG 1', 'A large course', 'UTC')`,
    );
    await tx.raw(`insert into enrolments select md5('big')::uuid, id, 'student' from people`);
    await tx.raw(
      `insert into weeks (course_id, number, title, starts_on, overview)
       values (md5('big')::uuid, 1, 'Week 1', ?::date, 'What this week is about.')`,
      [wall.slice(0, 10)],
    );
    for (const slug of [ROOM.slug, ROOM.empty])
      await tx.raw(
        `insert into discussions (course_id, id, slug, week, title, prompt, brief, late, opens, response_due, replies_due,
           prompt_plain)
         values (md5('big')::uuid, md5(:slug)::uuid, :slug, 1, 'A question to many',
           '{"type":"doc","content":[{"type":"paragraph","content":[{"type":"text","text":"Tell what happened."}]}]}',
           :brief::jsonb, '{"rule":"refused"}', :opens, :due, :closes, 'Tell what happened.')`,
        {
          slug,
          brief: JSON.stringify(BRIEF),
          opens: daysLater(wall, -3),
          due: daysLater(wall, 2),
          closes: daysLater(wall, 4),
        },
      );
    await addPosts(tx, now);
    await tx.raw(
      `insert into reads (course_id, discussion_id, person_id, post_id, read_at)
       select course_id, discussion_id, md5('person 1')::uuid, id, shared_at from posts
       where author_id <> md5('person 1')::uuid and id % 3 = 0`,
    );
  });
  await db.raw('vacuum analyze');
  return { due: instant(Date.parse(`${daysLater(wall, 2)}:00Z`) + 60_000) };
}

/** Posts one after another, each a response or an answer to a post before it: the tree grows as trees do. */
async function addPosts(tx: Knex.Transaction, now: Instant) {
  const begin = new Date(now - 2 * 86_400_000).toISOString();
  const { rows } = await tx.raw(`select coalesce(max(id), 0) as last from posts`);
  const before = Number(rows[0].last);
  // The answered post: mostly one of the first, sometimes the one just before, so that some threads go deep.
  await tx.raw(
    `insert into posts (course_id, discussion_id, id, author_id, kind, parent_id, submission, shared_at)
     select md5('big')::uuid, md5(:slug)::uuid, :before + i, md5('person ' || (i * 7 % :students + 1))::uuid,
       case when i <= :threads then 'response' else 'reply' end::post_kind,
       case when i <= :threads then null when i % 5 = 0 then :before + i - 1 else :before + (i * 13 % least(i - 1, 400)) + 1 end,
       md5('post ' || i)::uuid, :begin::timestamptz + i * interval '40 seconds'
     from generate_series(1, :posts) i`,
    { ...ROOM, before, begin },
  );
  await tx.raw(`select setval(pg_get_serial_sequence('posts', 'id'), :last)`, { last: before + ROOM.posts });
  await tx.raw(
    `insert into post_versions (post_id, n, shared_at, title, doc, plain, own_words, checks, unmet, fingerprint, opening, named, carries)
     select p.id, 1, p.shared_at, case when p.kind = 'response' then 'Response ' || p.id else '' end,
       jsonb_build_object('type', 'doc', 'content', jsonb_build_array(
         jsonb_build_object('type', 'paragraph', 'content',
           jsonb_build_array(jsonb_build_object('type', 'text', 'text', t.first))),
         jsonb_build_object('type', 'paragraph', 'content',
           jsonb_build_array(jsonb_build_object('type', 'text', 'text', t.rest))))),
       t.first || E'\n' || t.rest, 38 * (p.id % 5 + 2), '[]', '{}', md5(p.id::text) || md5(p.id::text), t.first, '{}', false
     from posts p, lateral (select
       'Number ' || p.id || ' looks at the ' || (array['weir', 'meadow', 'ferry', 'culvert', 'towpath'])[p.id % 5 + 1] as first,
       repeat(:sentence || ' ' || p.id || '. ', (p.id % 5 + 2)::int) as rest) t
     where p.discussion_id = md5(:slug)::uuid`,
    { sentence: SENTENCE, slug: ROOM.slug },
  );
}

/** A session of each of the first so many students. */
export async function sessionsOf(db: Knex, now: Instant, students: number): Promise<string[]> {
  const ids: { id: string }[] = await db('people')
    .where({ steward: false })
    .orderBy('demo_rank')
    .limit(students)
    .select('id');
  const cookies: string[] = [];
  for (const { id } of ids) {
    const session = await signInAsDemoPerson({ db, now }, personId(id), 'bench');
    if (!session.ok) throw new Error('nobody to sign in as');
    cookies.push(`pulpit-session=${session.value.token}`);
  }
  return cookies;
}
