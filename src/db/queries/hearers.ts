import {
  discussionId,
  personId,
  postId,
  courseId,
  type CourseId,
  type DiscussionId,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Way } from '@/core/notices/kinds';
import type { SharedPost } from '@/core/notices/hears';
import type { Db } from '../connection';

export type PostToTell = SharedPost & {
  course: CourseId;
  discussion: DiscussionId;
  /** The post it answers. */
  answered: PostId | null;
};

const postColumns = (db: Db) =>
  [
    'p.id',
    'p.course_id',
    'p.discussion_id',
    'p.author_id',
    'p.kind',
    'p.thread_id',
    'p.parent_id',
    'q.author_id as answers',
    't.named',
    db.raw(
      `case when p.private_to is not null then array[p.author_id, p.private_to]
        when p.grouped then (select array_agg(m.person_id) from enrolments m
          where m.course_id = p.course_id and may_read_post(p, m.person_id, false)) end as readers`,
    ),
  ] as const;

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- rows as the database gives them
const toPost = (r: any): PostToTell => ({
  id: postId(Number(r.id)),
  course: courseId(r.course_id),
  discussion: discussionId(r.discussion_id),
  author: personId(r.author_id),
  kind: r.kind,
  thread: postId(Number(r.thread_id)),
  answered: r.parent_id === null ? null : postId(Number(r.parent_id)),
  answers: r.answers === null ? null : personId(r.answers),
  named: r.named.map(personId),
  readers: r.readers && r.readers.map(personId),
});

const posts = (db: Db) =>
  db('posts as p')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .join('post_texts as t', 't.post_id', 'p.id')
    .whereRaw('p.withdrawn_at is null and p.hidden_at is null');

/** What says whom a post concerns; null where it is not in sight. */
export async function postToTell(db: Db, id: PostId): Promise<PostToTell | null> {
  const row = await posts(db)
    .where('p.id', id)
    .first(...postColumns(db));
  return row ? toPost(row) : null;
}

/** Notes that the followers of a post are to be told of it. */
export const queuePost = (db: Db, post: PostId) =>
  db('posts_to_tell').insert({ post_id: post }).onConflict().ignore();

/** Takes posts whose followers have not been told, the first first; nobody else takes them meanwhile. */
export async function takePostsToTell(db: Db, most: number): Promise<PostToTell[]> {
  const { rows } = await db.raw(
    `delete from posts_to_tell where post_id in (
       select post_id from posts_to_tell order by post_id limit ? for update skip locked) returning post_id`,
    [most],
  );
  const ids = rows.map((r: { post_id: string }) => Number(r.post_id));
  const found = await posts(db)
    .whereIn('p.id', ids)
    .orderBy('p.id')
    .select(...postColumns(db));
  return found.map(toPost);
}

/** Notes whom a post concerns who may not read it yet. */
export const tellWhenOpen = (db: Db, post: PostId, people: readonly PersonId[]) =>
  people.length
    ? db('told_when_open')
        .insert(people.map((person) => ({ person_id: person, post_id: post })))
        .onConflict()
        .ignore()
        .then(() => undefined)
    : Promise.resolve();

/** Who waits to hear of posts behind a seal, by discussion. */
export async function waitingForSeals(
  db: Db,
  only?: { discussion: DiscussionId; person: PersonId },
): Promise<{ course: CourseId; discussion: DiscussionId; people: PersonId[] }[]> {
  const rows = await db('told_when_open as w')
    .join('posts as p', 'p.id', 'w.post_id')
    .modify((q) => {
      if (only) q.where({ 'w.person_id': only.person, 'p.discussion_id': only.discussion });
    })
    .groupBy('p.course_id', 'p.discussion_id')
    .select('p.course_id', 'p.discussion_id', db.raw('array_agg(distinct w.person_id) as people'));
  return rows.map((r: { course_id: string; discussion_id: string; people: string[] }) => ({
    course: courseId(r.course_id),
    discussion: discussionId(r.discussion_id),
    people: r.people.map(personId),
  }));
}

/** Takes the posts of a discussion that somebody waits to hear of, the first first; of what they have read by now they need not hear. */
export async function takeWhenOpen(
  db: Db,
  discussion: DiscussionId,
  person: PersonId,
): Promise<PostToTell[]> {
  const { rows } = await db.raw(
    `delete from told_when_open w using posts p
     where w.person_id = :person and p.id = w.post_id and p.discussion_id = :discussion
     returning p.id, not exists (select 1 from reads r where r.course_id = p.course_id and r.discussion_id = p.discussion_id
       and r.person_id = :person and r.post_id = p.id) as unread`,
    { person, discussion },
  );
  const ids = rows.flatMap((r: { id: string; unread: boolean }) => (r.unread ? [Number(r.id)] : []));
  const found = await posts(db)
    .whereIn('p.id', ids)
    .orderBy('p.id')
    .select(...postColumns(db));
  return found.map(toPost);
}

/** Somebody of a course as far as it says what of a discussion they follow, their rules beside. */
export type FollowerRecord = {
  id: PersonId;
  role: 'student' | 'instructor' | 'assistant' | 'observer';
  zone: string;
  rules: unknown;
  /** Their first response here. */
  responded: PostId | null;
  /** Threads they have written in, with their first post in each. */
  written: { thread: PostId; first: PostId }[];
  chosen: { thread: PostId | null; follows: boolean | null; way: Way | null }[];
};

/** Everybody of a course who might follow something in a discussion: who chose so, or has written in it. */
export async function followersIn(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
): Promise<FollowerRecord[]> {
  const { rows } = await db.raw(
    `with wrote as (
       select author_id, min(first) filter (where responds) as responded,
         json_agg(json_build_object('thread', thread_id, 'first', first)) as threads
       from (select author_id, thread_id, min(id) as first, bool_or(kind = 'response') as responds
         from posts where course_id = :course and discussion_id = :discussion group by 1, 2) t
       group by 1),
     chose as (
       select person_id, json_agg(json_build_object('thread', thread_id, 'follows', follows, 'way', way)) as chosen
       from follows where discussion_id = :discussion group by 1),
     -- Those of a class are found by key, one by one: joined with one another thousands would be compared with thousands.
     hearers as (
       select person_id, max(responded) as responded, (array_agg(threads) filter (where threads is not null))[1] as threads,
         (array_agg(chosen) filter (where chosen is not null))[1] as chosen
       from (select author_id as person_id, responded, threads, null::json as chosen from wrote
         union all select person_id, null, null, chosen from chose) t
       group by 1)
     select e.person_id, e.role, p.time_zone, r.rules, h.responded, h.threads, h.chosen
     from hearers h
       join enrolments e on e.course_id = :course and e.person_id = h.person_id
       join people p on p.id = e.person_id and p.ended_at is null and p.former_since is null
       left join notice_rules r on r.person_id = e.person_id`,
    { course, discussion },
  );
  type Row = {
    person_id: string;
    role: FollowerRecord['role'];
    time_zone: string;
    rules: unknown;
    responded: number | string | null;
    threads: { thread: number; first: number }[] | null;
    chosen: { thread: number | null; follows: boolean | null; way: Way | null }[] | null;
  };
  return (rows as Row[]).map((r) => ({
    id: personId(r.person_id),
    role: r.role,
    zone: r.time_zone,
    rules: r.rules,
    responded: r.responded === null ? null : postId(Number(r.responded)),
    written: (r.threads ?? []).map((t) => ({ thread: postId(t.thread), first: postId(t.first) })),
    chosen: (r.chosen ?? []).map((c) => ({ ...c, thread: c.thread === null ? null : postId(c.thread) })),
  }));
}

/** The posts that a post stands under, the response of its thread first. */
export async function postChain(db: Db, post: PostId): Promise<PostId[]> {
  const { rows } = await db.raw(
    `with recursive above as (
       select p.parent_id as id, 1 as n from posts p where p.id = ?
       union all
       select p.parent_id, a.n + 1 from posts p join above a on p.id = a.id)
     select id from above where id is not null order by n desc limit 60`,
    [post],
  );
  return rows.map((r: { id: string }) => postId(Number(r.id)));
}

/** Where a post stands; null where there is no such post. */
export async function placeOfPost(db: Db, post: PostId): Promise<{ course: CourseId; slug: string } | null> {
  const row = await db('posts as p')
    .join('discussions as d', (j) => j.on('d.course_id', 'p.course_id').andOn('d.id', 'p.discussion_id'))
    .where('p.id', post)
    .first('p.course_id', 'd.slug');
  return row ? { course: courseId(row.course_id), slug: row.slug } : null;
}
