import { HIT_END, HIT_START } from '@/core/find/passage';
import {
  instant,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
  type Role,
} from '@/core/ids';
import { type Db } from '../connection';
import { mayRead, visible } from './visible';

/** A search as PostgreSQL takes it: a tsquery in text form, made by the functions below. */
export type Query = { sql: string; bindings: string[] };

/**
 * Words as people type them (phrases in quotation marks, "or", "-not"), and the last word also as the beginning of one,
 * for it may not be finished yet.
 */
export function typedQuery(text: string, lastWord: string | null): Query {
  const whole = `websearch_to_tsquery('english', ?)`;
  if (lastWord === null) return { sql: whole, bindings: [text] };
  const before = text.slice(0, text.length - lastWord.length).trim();
  // Not stemmed: the stem of a whole word may be the beginning of quite another.
  const begun = `to_tsquery('simple', lower(?) || ':*')`;
  return before
    ? { sql: `(${whole} || (${whole} && ${begun}))`, bindings: [text, before, lastWord] }
    : { sql: `(${whole} || ${begun})`, bindings: [text, lastWord] };
}

/** What a reader may look in: the posts of an open discussion that are in their sight, and the texts of their courses. */
export type Readable = {
  reader: { id: PersonId; staffIn: CourseId[] };
  within: DiscussionId[];
  /** Prompts and readings are looked in as well. */
  courses: CourseId[];
};

/** Whether a post in sight of the class is in this reader's sight. */
const inSight = (db: Db, { id, staffIn }: Readable['reader']) =>
  mayRead(db, id, db.raw('p.course_id = any(?::uuid[])', [staffIn]));

/**
 * For each word the words nearest to it that stand in what the reader may read, itself among them where it does. The vocabulary
 * is everybody's, so each neighbour is looked for in the reader's own texts, word for word, before it is one: that a word stands
 * elsewhere changes nothing.
 */
export async function nearWords(
  db: Db,
  { reader, within, courses }: Readable,
  words: string[],
): Promise<Map<string, string[]>> {
  // The index knows stems; the word itself is then compared as it stands.
  const stands = (found: string, texts: string) =>
    `${found} @@ to_tsquery('english', c.word) and to_tsvector('simple', ${texts}) @@ to_tsquery('simple', c.word)`;
  const posts = db('post_texts as x')
    .join('posts as p', 'p.id', 'x.post_id')
    .whereIn('x.discussion_id', within)
    .where(visible(db, 'p'))
    .where(inSight(db, reader))
    .whereRaw(stands('x.found', `x.title || ' ' || x.plain`))
    .select(db.raw('1'));
  const prompts = db('discussions as d')
    .whereIn('d.course_id', courses)
    .whereRaw(stands('d.found', `d.title || ' ' || d.prompt_plain`))
    .select(db.raw('1'));
  const readings = db('readings as r')
    .whereIn('r.course_id', courses)
    .whereRaw(stands('r.found', `r.title || ' ' || r.author || ' ' || r.plain`))
    .select(db.raw('1'));
  const near = db
    .from(
      db.raw(
        `(select w.word from search_words w where w.word % a.word
          order by similarity(w.word, a.word) desc, w.word) c`,
      ),
    )
    .where((w) => void w.whereExists(posts).orWhereExists(prompts).orWhereExists(readings))
    .limit(4)
    .select('c.word');
  const rows: { asked: string; near: string[] }[] = await db
    .from(db.raw('unnest(?::text[]) a (word)', [words]))
    .select('a.word as asked', db.raw('array(?) as near', [near]));
  return new Map(rows.map((r) => [r.asked, r.near]));
}

/** All of the words, each as any of its neighbours. The neighbours come out of the vocabulary: letters only. */
export const nearQuery = (groups: string[][]): Query => ({
  sql: `to_tsquery('english', ?)`,
  bindings: [groups.map((g) => `(${g.join(' | ')})`).join(' & ')],
});

const HEADLINE = `StartSel=${HIT_START}, StopSel=${HIT_END}, MaxWords=22, MinWords=10, MaxFragments=1, FragmentDelimiter=…`;

export type FoundPost = {
  id: PostId;
  kind: 'response' | 'reply';
  discussion: DiscussionId;
  author: string;
  authorId: PersonId;
  role: Role;
  title: string;
  sharedAt: Instant;
  passage: string;
};

/**
 * Posts that match, the best first. Only posts in sight of the reader in the discussions named: the caller names no
 * sealed one, so nothing of a sealed discussion is ever looked at.
 */
export async function findPosts(
  db: Db,
  reader: Readable['reader'],
  within: DiscussionId[],
  ask: { query: Query | null; from: string | null },
  limit: number,
): Promise<FoundPost[]> {
  if (within.length === 0) return [];
  const { query } = ask;
  const found = db('post_texts as x')
    .join('posts as p', 'p.id', 'x.post_id')
    .join('people as a', 'a.id', 'p.author_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOn('e.person_id', 'p.author_id'))
    .whereIn('x.discussion_id', within)
    .where(visible(db, 'p'))
    .where(inSight(db, reader))
    .modify((q) => {
      if (query) q.whereRaw(`x.found @@ ${query.sql}`, query.bindings);
      if (ask.from === 'me') q.where('p.author_id', reader.id);
      else if (ask.from !== null) q.whereRaw(`a.name ilike ?`, [`%${likeText(ask.from)}%`]);
    })
    .orderByRaw(
      query ? `ts_rank_cd(x.found, ${query.sql}) desc, p.shared_at desc` : 'p.shared_at desc',
      query ? query.bindings : [],
    )
    .limit(limit)
    .select(
      'p.id',
      'p.kind',
      'p.discussion_id',
      'p.author_id',
      'a.name',
      'e.role',
      'x.title',
      'x.plain',
      'p.shared_at',
    );
  const rows: {
    id: number;
    kind: 'response' | 'reply';
    discussion_id: DiscussionId;
    author_id: string;
    name: string;
    role: Role;
    title: string;
    shared_at: number;
    passage: string;
  }[] = await db
    .with('f', found)
    .from('f')
    .select(
      'f.*',
      query
        ? db.raw(`ts_headline('english', f.plain, ${query.sql}, ?) as passage`, [...query.bindings, HEADLINE])
        : db.raw('left(f.plain, 140) as passage'),
    );
  return rows.map((r) => ({
    id: postId(r.id),
    kind: r.kind,
    discussion: r.discussion_id,
    author: r.name,
    authorId: personId(r.author_id),
    role: r.role,
    title: r.title,
    sharedAt: instant(r.shared_at),
    passage: r.passage,
  }));
}

/** The posts of one discussion that match; who may read which of them is the caller's to say. */
export async function matchesIn(db: Db, discussion: DiscussionId, query: Query): Promise<Set<PostId>> {
  const ids: number[] = await db('post_texts')
    .where('discussion_id', discussion)
    .whereRaw(`found @@ ${query.sql}`, query.bindings)
    .pluck('post_id');
  return new Set(ids.map(postId));
}

/** A passage of each of the posts named, around what matches. */
export async function passagesOf(
  db: Db,
  posts: readonly PostId[],
  query: Query,
): Promise<Map<PostId, string>> {
  if (posts.length === 0) return new Map();
  const rows: { post_id: number; passage: string }[] = await db('post_texts')
    .whereIn('post_id', [...posts])
    .select(
      'post_id',
      db.raw(`ts_headline('english', plain, ${query.sql}, ?) as passage`, [...query.bindings, HEADLINE]),
    );
  return new Map(rows.map((r) => [postId(r.post_id), r.passage]));
}

const likeText = (text: string) => text.replace(/[\\%_]/gu, '\\$&');

/** Prompts and readings of the courses named that match, with a passage. */
export async function findTexts(
  db: Db,
  courses: CourseId[],
  query: Query,
  limit: number,
): Promise<
  { kind: 'discussion' | 'reading'; slug: string; title: string; course: CourseId; passage: string }[]
> {
  if (courses.length === 0) return [];
  const texts = (kind: string, table: string, plain: string) =>
    db(table)
      .whereIn('course_id', courses)
      .whereRaw(`found @@ ${query.sql}`, query.bindings)
      .select(
        db.raw(`'${kind}' as kind`),
        'slug',
        'title',
        'course_id',
        db.raw(`${plain} as plain`),
        db.raw(`ts_rank_cd(found, ${query.sql}) as rank`, query.bindings),
      )
      .orderBy('rank', 'desc')
      .limit(limit);
  const rows = await db
    .with('f', (q) => {
      q.unionAll(
        [texts('discussion', 'discussions', 'prompt_plain'), texts('reading', 'readings', 'plain')],
        true,
      );
    })
    .from('f')
    .orderBy('rank', 'desc')
    .select(
      'kind',
      'slug',
      'title',
      'course_id',
      db.raw(`ts_headline('english', plain, ${query.sql}, ?) as passage`, [...query.bindings, HEADLINE]),
    );
  return rows.map((r) => ({
    kind: r.kind,
    slug: r.slug,
    title: r.title,
    course: r.course_id,
    passage: r.passage,
  }));
}

/** People of the courses named whose name holds the text, or nearly does. */
export async function findPeople(
  db: Db,
  courses: CourseId[],
  text: string,
  limit: number,
): Promise<{ id: PersonId; name: string; role: Role; course: CourseId }[]> {
  if (courses.length === 0) return [];
  const rows = await db('enrolments as e')
    .join('people as p', 'p.id', 'e.person_id')
    .whereIn('e.course_id', courses)
    .where((w) =>
      w
        .whereRaw('p.name ilike ?', [`%${likeText(text)}%`])
        .orWhereRaw('word_similarity(?, p.name) > 0.55', [text]),
    )
    .groupBy('p.id', 'p.name')
    .orderByRaw('word_similarity(?, p.name) desc, p.name', [text])
    .limit(limit)
    .select(
      'p.id',
      'p.name',
      db.raw('min(e.role::text) as role'),
      db.raw('(array_agg(e.course_id order by e.course_id))[1] as course_id'),
    );
  return rows.map((r) => ({ id: personId(r.id), name: r.name, role: r.role, course: r.course_id }));
}
