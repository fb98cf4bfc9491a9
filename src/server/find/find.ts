import type { Found } from '@/contract/find';
import { bareWords, parseFind, type FindAsk } from '@/core/find/ask';
import { passageOf } from '@/core/find/passage';
import { groupBy } from '@/core/group';
import { isStaff, owes, type CourseId, type PostId, type DiscussionId } from '@/core/ids';
import { coursesOf, type CourseRecord } from '@/db/queries/courses';
import { askTogether } from '@/db/ask';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { findPeople, findTexts } from '@/db/queries/find/texts';
import { findPosts, matchesIn, passagesOf, type FoundPost } from '@/db/queries/find/posts';
import { nearQuery, typedQuery, type Query } from '@/db/queries/find/query';
import { nearWords } from '@/db/queries/find/near-words';
import { ownPosts } from '@/db/queries/own-posts';
import { accountOf, enterDiscussion, type Entered } from '../access/enter';
import { openingSeal } from '../access/seal-opening';
import type { Actor, Deps } from '../deps';

const MOST = { posts: 12, texts: 5, people: 6 };

/** The last word typed, when it may still be growing: plain letters at the very end. */
const growing = (text: string) => (/[-"]/u.test(text) ? null : (/[\p{L}\p{N}]+$/u.exec(text)?.[0] ?? null));

type Scope = {
  courses: CourseRecord[];
  records: DiscussionRecord[];
  open: FoundPost['discussion'][];
  staffIn: CourseId[];
};

/** What a person may look in: their courses (or the one asked for), the discussions whose seal does not hold, and what the courses ask. */
async function scopeOf(deps: Deps, actor: Actor, ask: FindAsk): Promise<Scope> {
  const [all, { discussions, questions, own }] = await Promise.all([
    coursesOf(deps.db, actor.id),
    askTogether(deps.db, {
      discussions: discussionsOf(deps.db, actor.id),
      questions: discussionsOf(deps.db, actor.id, { asks: true }),
      own: ownPosts(deps.db, actor.id),
    }),
  ]);
  const courses = all.filter((c) => ask.course === null || c.slug.includes(ask.course));
  const ids = new Set(courses.map((c) => c.id));
  const records = [...discussions, ...questions].filter((r) => ids.has(r.course.id));
  const posts = groupBy(own, (p) => p.discussion);
  return {
    courses,
    records,
    open: records
      .filter((r) => !accountOf(r, actor, posts.get(r.id) ?? [], [], deps.now).sealed)
      .map((r) => r.id),
    staffIn: courses.filter((c) => isStaff(c.role)).map((c) => c.id),
  };
}

/** What was found in a discussion: which posts, and the way to a passage of some of them as plain text. */
export type FoundIn = {
  posts: ReadonlySet<PostId>;
  passages: (posts: readonly PostId[]) => Promise<ReadonlyMap<PostId, string>>;
};

const NOTHING_FOUND: FoundIn = { posts: new Set(), passages: async () => new Map() };

/**
 * The posts of a discussion that hold the words, of those that the reader may read. A word that stands in none of them is taken for
 * its nearest neighbours in them; what stands in others changes nothing.
 */
export async function findIn(
  deps: Deps,
  actor: Actor,
  { record, staff, sealed }: Entered,
  readable: ReadonlySet<PostId>,
  typed: string,
): Promise<FoundIn> {
  if (sealed) return NOTHING_FOUND;
  const words = bareWords(typed);
  if (words.length === 0) return NOTHING_FOUND;
  const look = async (query: Query): Promise<FoundIn> => ({
    posts: new Set([...(await matchesIn(deps.db, record.id, query))].filter((id) => readable.has(id))),
    passages: async (posts) =>
      new Map(
        [...(await passagesOf(deps.db, posts, query))].map(([post, passage]) => [
          post,
          passageOf(passage)
            .map((piece) => piece.text)
            .join(''),
        ]),
      ),
  });
  const found = await look(typedQuery(typed, growing(typed)));
  if (found.posts.size > 0 || typed.includes('"')) return found;
  const reader = { id: actor.id, staffIn: staff ? [record.course.id] : [] };
  const near = await nearWords(deps.db, { reader, within: [record.id], prompts: [], courses: [] }, words);
  const groups = words.map((w) => near.get(w) ?? []).filter((g) => g.length);
  return groups.length ? look(nearQuery(groups)) : found;
}

/** What was found of others behind a seal that opened to the reader is given only once that is noted (rule 4). */
async function afterOpening(
  deps: Deps,
  actor: Actor,
  scope: Scope,
  posts: FoundPost[],
): Promise<FoundPost[]> {
  const closed = new Set<DiscussionId>();
  for (const record of scope.records) {
    if (!record.brief.sealed || record.openedOthers || !owes(record.role)) continue;
    if (!posts.some((p) => p.discussion === record.id && p.authorId !== actor.id)) continue;
    const door = await enterDiscussion(deps, actor, record.slug);
    if (!door.ok || (await openingSeal(deps, actor, door.value)).sealed) closed.add(record.id);
  }
  return posts.filter((p) => p.authorId === actor.id || !closed.has(p.discussion));
}

/**
 * Finds prompts, posts, people and readings. Sealed posts are never looked at; of others' posts only those in the
 * reader's sight. A word that stands nowhere is taken for its nearest neighbours.
 */
export async function find(deps: Deps, actor: Actor, typed: string): Promise<Found> {
  const { db } = deps;
  const ask = parseFind(typed);
  const scope = await scopeOf(deps, actor, ask);
  const ids = scope.courses.map((c) => c.id);
  const prompts = scope.records.map((r) => r.id);
  const words = bareWords(ask.text);
  const reader = { id: actor.id, staffIn: scope.staffIn };

  const look = async (query: Query | null) => {
    const [posts, texts] = await Promise.all([
      query || ask.from !== null
        ? findPosts(db, reader, scope.open, { query, from: ask.from }, MOST.posts)
        : [],
      query && ask.from === null ? findTexts(db, { courses: ids, prompts }, query, MOST.texts) : [],
    ]);
    return { posts, texts };
  };
  const people =
    ask.text && ask.from === null ? findPeople(db, ids, words.join(' '), MOST.people) : Promise.resolve([]);
  let { posts, texts } = await look(words.length ? typedQuery(ask.text, growing(ask.text)) : null);
  let nearly = false;
  // Whoever sets words in quotation marks means just these.
  if (posts.length + texts.length === 0 && words.length && !ask.text.includes('"')) {
    const near = await nearWords(db, { reader, within: scope.open, prompts, courses: ids }, words);
    const groups = words.map((w) => near.get(w) ?? []).filter((g) => g.length);
    if (groups.length) ({ posts, texts } = await look(nearQuery(groups)));
    nearly = posts.length + texts.length > 0;
  }
  posts = await afterOpening(deps, actor, scope, posts);
  const record = new Map(scope.records.map((r) => [r.id, r]));
  const course = new Map(scope.courses.map((c) => [c.id, c]));
  return {
    ask,
    courses: scope.courses.map(({ code, slug, title }) => ({ code, slug, title })),
    posts: posts.flatMap((p) => {
      const in_ = record.get(p.discussion);
      return in_
        ? [
            {
              id: p.id,
              kind: p.kind,
              author: p.author,
              role: p.role,
              title: p.title,
              sharedAt: p.sharedAt,
              slug: in_.slug,
              discussion: in_.title,
              course: in_.course.code,
              passage: passageOf(p.passage),
            },
          ]
        : [];
    }),
    texts: texts.map((t) => ({
      kind: t.kind,
      slug: t.slug,
      title: t.title,
      course: course.get(t.course)?.code ?? '',
      passage: passageOf(t.passage),
    })),
    people: (await people).flatMap((p) => {
      const c = course.get(p.course);
      return c ? [{ id: p.id, name: p.name, role: p.role, course: { code: c.code, slug: c.slug } }] : [];
    }),
    nearly,
  };
}
