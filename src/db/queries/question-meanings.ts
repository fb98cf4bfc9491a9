import { STAFF, postId, type CourseId, type PersonId, type PostId } from '@/core/ids';
import type { Earlier } from '@/core/questions/asked-before';
import type { Ask } from '../ask';
import type { Db } from '../connection';
import { mayRead, visible } from './visible';

/** So much of a text says what it is about. */
const SAID = 400;

/** Questions that stand, each with its words and the answer that says most: of staff, else one they confirmed, else the last. */
const told = (db: Db) =>
  db('questions as q')
    .join('posts as p', 'p.id', 'q.post_id')
    .join('post_texts as t', 't.post_id', 'p.id')
    .joinRaw(
      `left join lateral (
         select left(at.plain, ${SAID}) as plain from posts a
           join post_texts at on at.post_id = a.id
           join enrolments ae on ae.course_id = a.course_id and ae.person_id = a.author_id
           left join confirmations ac on ac.post_id = a.id
         where a.thread_id = q.post_id and a.id <> q.post_id and a.withdrawn_at is null and a.hidden_at is null
           and a.author_id <> p.author_id
         order by ae.role = any(?::course_role[]) desc, ac.post_id is not null desc, a.id desc limit 1) a on true`,
      [[...STAFF]],
    )
    .where('q.kind', 'asks')
    .whereNull('q.merged_into')
    .where(visible(db, 'p'));

/** Says as well how a meaning is written down: those that were written otherwise are learnt anew. */
const STAMP = `md5('four texts|' || t.title || '|' || left(t.plain, ${SAID}) || '|' || coalesce(a.plain, ''))`;
const words = (db: Db) => [
  'q.post_id',
  't.title',
  db.raw(`left(t.plain, ${SAID}) as plain`),
  db.raw(`coalesce(a.plain, '') as answer`),
];
type Row = { post_id: number | string; title: string; plain: string; answer: string };
const toEarlier = (r: Row): Earlier => ({
  id: String(r.post_id),
  title: r.title,
  text: r.plain,
  answer: r.answer,
});

/** Questions whose meaning is not known, or is that of other words; the newest first. */
export async function questionsToLearn(
  db: Db,
  most: number,
): Promise<{ post: PostId; earlier: Earlier; stamp: string }[]> {
  const rows: (Row & { stamp: string })[] = await told(db)
    .whereRaw(`q.learnt is distinct from ${STAMP}`)
    .orderBy('q.post_id', 'desc')
    .limit(most)
    .select(...words(db), db.raw(`${STAMP} as stamp`));
  return rows.map((r) => ({ post: postId(Number(r.post_id)), earlier: toEarlier(r), stamp: r.stamp }));
}

export const keepMeaning = (db: Db, post: PostId, meaning: readonly number[], stamp: string) =>
  db('questions')
    .where({ post_id: post })
    .update({ meaning: db.raw('?::real[]', [[...meaning]]), learnt: stamp });

/** Which questions of a course one may read have a meaning, and of which words that is; those to the staff alone where they are asked for. */
export const learntQuestions = (
  db: Db,
  course: CourseId,
  reader: { id: PersonId; staff: boolean },
  toStaff = false,
): Ask<{ id: string; learnt: string }[]> => ({
  query: db('questions as q')
    .join('posts as p', 'p.id', 'q.post_id')
    .where({ 'q.course_id': course, 'q.kind': 'asks' })
    .whereNull('q.merged_into')
    .whereNotNull('q.meaning')
    .where(visible(db, 'p'))
    .where(mayRead(db, reader.id, reader.staff))
    .modify((q) => {
      if (!toStaff) q.whereNull('p.private_to');
    })
    .select('q.post_id', 'q.learnt'),
  read: (rows) => rows.map((r) => ({ id: String(r.post_id), learnt: r.learnt })),
});

/** What questions mean, by their posts; who may read them is asked before. */
export async function meaningsIn(db: Db, posts: readonly string[]): Promise<Map<string, number[]>> {
  if (posts.length === 0) return new Map();
  const rows = await db('questions')
    .whereIn('post_id', [...posts])
    .select('post_id', 'meaning');
  return new Map(rows.map((r) => [String(r.post_id), r.meaning ?? []]));
}

/** The words of some questions, each with the answer that says most; who may read them is asked before. */
export async function wordsOf(db: Db, posts: readonly string[]): Promise<Earlier[]> {
  if (posts.length === 0) return [];
  const rows: Row[] = await told(db)
    .whereIn('q.post_id', [...posts])
    .select(...words(db));
  return rows.map(toEarlier);
}
