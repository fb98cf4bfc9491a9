import {
  courseId,
  discussionId,
  instant,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { NoticeKind, Way } from '@/core/notices/kinds';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** A notice as it is laid down. */
export type NewNotice = {
  person: PersonId;
  course: CourseId;
  kind: NoticeKind;
  /** What it tells of: nobody is told of one thing twice. */
  key: string;
  topic: string;
  discussion: DiscussionId | null;
  post: PostId | null;
  by: PersonId | null;
  /** Ids, numbers and codes; never words that somebody wrote. */
  about: Record<string, string | number | boolean | null>;
  way: Way;
  due: Instant | null;
};

const CHUNK = 1_000;

/**
 * Lays notices down, in the transaction of what they tell of. Of what somebody was told already nothing comes of it.
 *
 * @returns how many there are more
 */
export async function insertNotices(db: Db, notices: readonly NewNotice[], now: Instant): Promise<number> {
  let made = 0;
  for (let i = 0; i < notices.length; i += CHUNK) {
    const rows = notices.slice(i, i + CHUNK).map((n) => ({
      person_id: n.person,
      course_id: n.course,
      kind: n.kind,
      key: n.key,
      topic: n.topic,
      discussion_id: n.discussion,
      post_id: n.post,
      by_id: n.by,
      about: n.about,
      way: n.way,
      due_at: n.due && new Date(n.due).toISOString(),
    }));
    const { rowCount } = await db.raw(
      `insert into notices (person_id, course_id, kind, key, topic, discussion_id, post_id, by_id, about, way, due_at, at, last_at)
       select r.*, ?::timestamptz, ?::timestamptz from jsonb_to_recordset(?::jsonb) as r(person_id uuid, course_id uuid, kind text,
         key text, topic text, discussion_id uuid, post_id bigint, by_id uuid, about jsonb, way text, due_at timestamptz)
       order by r.person_id on conflict (person_id, key) do nothing`,
      [timestamptz(now), timestamptz(now), JSON.stringify(rows)],
    );
    made += rowCount;
  }
  return made;
}

/** Somebody's posts to tell of, where they follow. */
export type FollowNotice = {
  person: PersonId;
  course: CourseId;
  discussion: DiscussionId;
  posts: readonly PostId[];
  way: Way;
  due: Instant | null;
};

/**
 * Tells followers of posts: what is not sent yet of the same discussion and way, and is not older than a day, grows; else a new notice begins. So a storm of
 * posts is one notice, and one mail. What somebody has read by now is not told of.
 */
export async function tellFollowers(db: Db, told: readonly FollowNotice[], now: Instant) {
  for (let i = 0; i < told.length; i += CHUNK) {
    const rows = told.slice(i, i + CHUNK).map((t) => ({
      person_id: t.person,
      course_id: t.course,
      discussion_id: t.discussion,
      posts: t.posts,
      way: t.way,
      due_at: t.due && new Date(t.due).toISOString(),
    }));
    await db.raw(
      `with told as (
         select * from (
           select r.*, array(
             select p::bigint from jsonb_array_elements_text(r.posts) p where not exists (
               select 1 from reads m where m.course_id = r.course_id and m.discussion_id = r.discussion_id
                 and m.person_id = r.person_id and m.post_id = p::bigint)
               -- Whom it concerns was told of it already.
               and not exists (select 1 from notices d where d.person_id = r.person_id and d.key = 'post ' || p)) as ids
           from jsonb_to_recordset(?::jsonb)
             as r(person_id uuid, course_id uuid, discussion_id uuid, posts jsonb, way text, due_at timestamptz)) r
         where cardinality(ids) > 0 order by person_id),
       open as (
         select n.id, t.* from told t join lateral (
           select id from notices n where n.person_id = t.person_id and n.discussion_id = t.discussion_id and n.kind = 'post'
             and n.seen_at is null and n.mail_id is null and n.way = t.way and n.at > ?::timestamptz - interval '1 day'
           order by n.id desc limit 1 for update) n on true),
       grown as (
         update notices n set waiting = n.waiting || o.ids, posts = n.posts + cardinality(o.ids), last_at = ?::timestamptz
         from open o where n.id = o.id returning n.person_id, n.discussion_id)
       insert into notices (person_id, course_id, kind, key, topic, discussion_id, waiting, posts, way, due_at, at, last_at)
       select t.person_id, t.course_id, 'post', 'follow ' || t.ids[1], 'follow ' || t.discussion_id, t.discussion_id, t.ids,
         cardinality(t.ids), t.way, t.due_at, ?::timestamptz, ?::timestamptz
       from told t where not exists (select 1 from open o where o.person_id = t.person_id and o.discussion_id = t.discussion_id
         and o.way = t.way)
       on conflict (person_id, key) do nothing`,
      [JSON.stringify(rows), ...Array.from({ length: 4 }, () => timestamptz(now))],
    );
  }
}

export type NoticeRecord = {
  id: number;
  course: { id: CourseId; code: string; slug: string | null; title: string };
  kind: NoticeKind;
  topic: string;
  /** Where it happened; `asks` for the questions of a course, which are of no week. */
  discussion: {
    id: DiscussionId;
    slug: string;
    title: string;
    week: number | null;
    sealed: boolean;
    asks: boolean;
  } | null;
  post: PostId | null;
  /** Of new posts: those not read yet. */
  waiting: PostId[];
  posts: number;
  by: { id: PersonId; name: string } | null;
  about: Record<string, string | number | boolean | null>;
  at: Instant;
  lastAt: Instant;
  way: Way;
  due: Instant | null;
  sent: boolean;
  seenAt: Instant | null;
};

const records = (db: Db) =>
  db('notices as n')
    .join('courses as c', 'c.id', 'n.course_id')
    .leftJoin('rooms as d', (j) => j.on('d.course_id', 'n.course_id').andOn('d.id', 'n.discussion_id'))
    .leftJoin('people as b', 'b.id', 'n.by_id')
    .select(
      'n.id',
      'n.course_id',
      'c.code',
      'c.slug as course_slug',
      'c.title as course_title',
      'n.kind',
      'n.topic',
      'n.discussion_id',
      'd.slug',
      'd.title',
      'd.week',
      'd.asks',
      db.raw(`coalesce((d.brief ->> 'sealed')::boolean, false) as sealed`),
      'n.post_id',
      'n.waiting',
      'n.posts',
      'n.by_id',
      'b.name',
      'n.about',
      'n.at',
      'n.last_at',
      'n.way',
      'n.due_at',
      'n.mail_id',
      'n.seen_at',
    );

const moment = (value: unknown) => (value === null ? null : instant(at(value as number | string)));

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- rows as the database gives them
const toNotice = (r: any): NoticeRecord => ({
  id: Number(r.id),
  course: { id: courseId(r.course_id), code: r.code, slug: r.course_slug, title: r.course_title },
  kind: r.kind,
  topic: r.topic,
  discussion:
    r.slug === null
      ? null
      : {
          id: discussionId(r.discussion_id),
          slug: r.slug,
          title: r.title,
          week: r.week,
          sealed: r.sealed,
          asks: r.asks,
        },
  post: r.post_id === null ? null : postId(Number(r.post_id)),
  waiting: r.waiting.map((id: number | string) => postId(Number(id))),
  posts: r.posts,
  by: r.by_id === null ? null : { id: personId(r.by_id), name: r.name },
  about: r.about,
  at: instant(at(r.at)),
  lastAt: instant(at(r.last_at)),
  way: r.way,
  due: moment(r.due_at),
  sent: r.mail_id !== null,
  seenAt: moment(r.seen_at),
});

/** A person's notices of the last weeks, newest first. */
export const noticesOf = (db: Db, person: PersonId, since: Instant, most: number): Ask<NoticeRecord[]> => ({
  query: records(db)
    .where('n.person_id', person)
    .where('n.last_at', '>', timestamptz(since))
    .orderBy([
      { column: 'n.last_at', order: 'desc' },
      { column: 'n.id', order: 'desc' },
    ])
    .limit(most),
  read: (rows) => rows.map(toNotice),
});

/** One notice of a person; of another's there is none. */
export async function noticeOf(db: Db, person: PersonId, id: number): Promise<NoticeRecord | null> {
  const row = await records(db).where({ 'n.person_id': person, 'n.id': id }).first();
  return row ? toNotice(row) : null;
}

/** What a mail is to tell: its notices that have not been seen meanwhile, in order. */
export const noticesIn = (db: Db, mail: string): Ask<NoticeRecord[]> => ({
  query: records(db).where('n.mail_id', mail).whereNull('n.seen_at').orderBy('n.id'),
  read: (rows) => rows.map(toNotice),
});

/** Notes that notices were seen: of a topic, of kinds in a discussion, or all of them. */
export const seeNotices = (
  db: Db,
  person: PersonId,
  which: { topic: string } | { discussion: DiscussionId; kinds: readonly NoticeKind[] } | 'all',
  now: Instant,
) =>
  db('notices')
    .where({ person_id: person })
    .whereNull('seen_at')
    .modify((q) => {
      if (which === 'all') return;
      if ('topic' in which) q.where({ topic: which.topic });
      else q.where({ discussion_id: which.discussion }).whereIn('kind', [...which.kinds]);
    })
    .update({ seen_at: timestamptz(now) });

/** The first two sentences of posts that a reader may read, by number. What their discussions withhold is for whoever calls to say. */
export const openings = (
  db: Db,
  person: PersonId,
  posts: readonly PostId[],
): Ask<Map<PostId, { author: string; opening: string; plain: string; replies: number; thread: PostId }>> => ({
  query: db('posts as p')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOnVal('e.person_id', person))
    .join('people as a', 'a.id', 'p.author_id')
    .joinRaw(
      'join lateral (select opening, plain from post_versions v where v.post_id = p.id order by v.n desc limit 1) v on true',
    )
    .whereIn('p.id', [...posts])
    .whereRaw('p.withdrawn_at is null and p.hidden_at is null')
    .whereRaw(`may_read_post(p, ?, e.role in ('instructor', 'assistant'))`, [person])
    .select(
      'p.id',
      'p.thread_id',
      'a.name',
      'v.opening',
      db.raw('left(v.plain, 1000) as plain'),
      db.raw(
        `(select count(*) from posts r where r.parent_id = p.id and r.withdrawn_at is null and r.hidden_at is null) as replies`,
      ),
    ),
  read: (rows) =>
    new Map(
      rows.map((r) => [
        postId(Number(r.id)),
        {
          author: r.name,
          opening: r.opening,
          plain: r.plain,
          replies: Number(r.replies),
          thread: postId(Number(r.thread_id)),
        },
      ]),
    ),
});

/** How many things that concern somebody they have not seen, as part of the query for their session. */
export const UNSEEN_NOTICES = `(select count(distinct topic) from notices n
  where n.person_id = p.id and n.seen_at is null and n.kind not in ('post', 'deadline')) as notices`;

/** How many answers by mail somebody has sent since a moment. */
export async function mailedSince(db: Db, person: PersonId, since: Instant): Promise<number> {
  const row = await db('notices')
    .where({ person_id: person, kind: 'draft' })
    .where('at', '>', timestamptz(since))
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** What somebody was told long ago goes. */
export const sweepNotices = (db: Db, before: Instant) =>
  db('notices').where('last_at', '<', timestamptz(before)).delete();
