import type { DiscussionHead } from '@/contract/discussion';
import type { ReadPost, ThreadLine } from '@/contract/thread';
import { summarise } from '@/core/counting/summary';
import type { LedgerInput } from '@/core/counting/types';
import { personId, postId, type PersonId, type PostId } from '@/core/ids';
import {
  pageOf,
  stepsFrom,
  type Arranged,
  type Arrangement,
  type Page,
  type Steps,
} from '@/core/posts/arrange';
import { isOfPosts, type ThreadFilter } from '@/core/posts/filters';
import { isFollowed } from '@/core/posts/following';
import { inReadingOrder, threads, type Branch } from '@/core/posts/thread';
import { ok, type Result } from '@/core/result';
import type { Rubric } from '@/core/rubric/rubric';
import { worthAnswering } from '@/core/worth/rank';
import type { MarkRecord } from '@/db/queries/beside';
import { followsOf } from '@/db/queries/follows';
import { promptPlain } from '@/db/queries/material';
import { readsAs } from '@/db/queries/people';
import type { PostMarks } from '@/core/posts/post-marks';
import { postMarks } from '@/db/queries/post-marks';
import { plainTexts, type PostOutline, type PostRecord } from '@/db/queries/posts';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { openingSeal } from '../access/seal-opening';
import { visibleOutlines, visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { markFor } from '../rubric/rubric';
import { findIn } from '../find/find';
import { repeatsAmong } from './repeats';
import { replyPage, type ReplyPage, type Stranded } from './answering';
import { headOf } from './head';
import { isUnreadFor, linesOf, listed, openingOf, threadOf, type Listed, type Room } from './lines';

/** A post of somebody, as it stands on a card about them. */
export type PostOfAuthor = { id: PostId; kind: 'response' | 'reply'; opening: string; to: string | null };

export type Conversation = Pick<Listed, 'filter' | 'standard' | 'counts'> & {
  head: DiscussionHead;
  as: Arrangement;
  newestFirst: boolean;
  /** How the reader reads where the address says nothing. */
  habit: Arranged;
  /** Whose posts are shown, of the filter by a person. */
  person: { id: PersonId; name: string } | null;
  /** The words that were looked for. */
  words: string;
  /** The list beside the open thread, or the page's headlines. */
  lines: ThreadLine[];
  /** The posts that are read, with their texts: of the open thread, of the page by time, or the one that is open. */
  posts: ReadPost[];
  page: Page;
  /** The post that is open, with the response of its thread. */
  open: { at: PostId; thread: PostId; followed: boolean } | null;
  /** What else those who speak here have written, by who they are. */
  authors: Record<PersonId, PostOfAuthor[]>;
  steps: Steps;
  followsDiscussion: boolean;
  /** Threads one follows, by their response. */
  followed: PostId[];
  /** The number of the last event this page knows of: who listens goes on from there. */
  events: number;
  reply: ReplyPage | null;
  stranded: Stranded | null;
  ledgerInput: LedgerInput | null;
  /** For staff: the rubric for the open response, with the mark it has. */
  marking: Marking | null;
};

export type Marking = { rubric: Rubric; post: PostId; student: string; mark: MarkRecord | null };

/** What a person asks for: all of it stands in the address, and what does not is as they read last. */
export type ConversationAsk = {
  post: number | null;
  filter: ThreadFilter | null;
  by?: string | null;
  person?: string | null;
  as?: Arrangement | null;
  newestFirst?: boolean | null;
  page?: number | null;
  /** Words to be found in the posts. */
  words?: string | null;
};

const NO_MARKS: PostMarks = { wellSaid: 0, saidByMe: false, bookmarked: false };

/** So many are on one page: of whole posts, and of headlines. */
const POSTS_A_PAGE = 40;
const HEADLINES_A_PAGE = 100;
/** Beside an open thread, more single posts are listed by nobody: the other arrangements have pages. */
const MOST_LINES = 200;
/** Of more posts that were found, the beginning is shown. */
const MOST_PASSAGES = 40;
/** More of somebody's posts stand on no card; the filter by person shows all. */
const POSTS_ON_CARD = 6;

type Reading = { room: Room; entered: Entered; repeats: ReadonlyMap<PostId, string> };

function toRead(post: PostRecord, { room, entered, repeats }: Reading): ReadPost {
  const branch = room.branches.get(post.id);
  const own = post.author.id === room.reader;
  return {
    id: post.id,
    depth: branch?.depth ?? 0,
    kind: post.kind,
    author: post.author,
    mine: own,
    to: post.parent === null ? null : (room.branches.get(post.parent)?.post.author.name ?? null),
    parent: post.parent,
    privateTo: post.privateTo?.name ?? null,
    sharedAt: post.sharedAt,
    edited: post.edited,
    title: post.title,
    doc: post.doc,
    ownWords: post.ownWords,
    gone: post.withdrawn ? 'withdrawn' : post.hidden ? 'hidden' : null,
    hiddenReason: own || entered.staff ? post.hiddenReason : '',
    pinned: post.pinned,
    locked: post.locked,
    unread: isUnreadFor(post, room.reader),
    marks: room.marks.get(post.id) ?? NO_MARKS,
    repeats: repeats.get(post.id) ?? null,
  };
}

/** What a name leads to: its owner's response here, or what else there is of theirs. */
const writtenBy = (posts: readonly PostOutline[], person: string | null): PostOutline | null =>
  posts.find((p) => p.author.id === person && p.kind === 'response') ??
  posts.find((p) => p.author.id === person) ??
  null;

/** What else the speakers have written in the discussion, the first of it. */
function authorsOf(room: Room, speakers: ReadonlySet<PersonId>): Record<PersonId, PostOfAuthor[]> {
  const found: Record<PersonId, PostOfAuthor[]> = {};
  for (const post of room.posts) {
    if (!speakers.has(post.author.id) || post.withdrawn || post.hidden) continue;
    const theirs = (found[post.author.id] ??= []);
    if (theirs.length === POSTS_ON_CARD) continue;
    const to = post.parent === null ? null : (room.branches.get(post.parent)?.post.author.name ?? null);
    theirs.push({ id: post.id, kind: post.kind, opening: openingOf(post), to });
  }
  return found;
}

/** What staff need to mark the open response by the rubric; nothing for anybody else. */
async function markingOf(
  deps: Deps,
  entered: Entered,
  response: PostOutline | undefined,
): Promise<Marking | null> {
  const { rubric } = entered.record;
  if (!entered.staff || !rubric || response?.author.role !== 'student' || response.withdrawn) return null;
  const { id, author } = response;
  return { rubric, post: id, student: author.name, mark: await markFor(deps, author.id, entered) };
}

function roomOf(
  reader: PersonId,
  entered: Entered,
  posts: readonly PostOutline[],
  marks: Room['marks'],
  chosen: ReadonlyMap<PostId, boolean>,
): Room {
  const trees = threads(posts);
  const branches = new Map<PostId, Branch<PostOutline>>();
  const rootOf = new Map<PostId, PostId>();
  const followed = new Set<PostId>();
  const inOrder = new Map<PostId, readonly Branch<PostOutline>[]>();
  for (const tree of trees) {
    let spoke = false;
    const thread = inReadingOrder(tree);
    inOrder.set(tree.post.id, thread);
    for (const branch of thread) {
      branches.set(branch.post.id, branch);
      rootOf.set(branch.post.id, tree.post.id);
      spoke ||= branch.post.author.id === reader;
    }
    if (isFollowed(chosen.get(tree.post.id) ?? null, spoke)) followed.add(tree.post.id);
  }
  return { reader, entered, posts, trees, branches, threads: inOrder, rootOf, marks, followed };
}

/** Ranks the responses one could answer; only for this their texts are read. */
const weighing =
  (deps: Deps, room: Room, prompt: string) => async (open: Parameters<Parameters<typeof listed>[2]>[0]) => {
    const { reader, entered, posts } = room;
    const { brief } = entered.record;
    const own = posts.find(
      (p) => p.author.id === reader && p.kind === 'response' && !p.withdrawn && !p.hidden,
    );
    const texts = await plainTexts(deps.db, [...open.map((c) => c.post), ...(own ? [own.id] : [])]);
    return worthAnswering(
      {
        id: reader,
        text: own ? (texts.get(own.id) ?? null) : null,
        prompt,
        concepts: brief.concepts,
        distinctPeers: brief.replies.distinctPeers,
      },
      open.map((c) => ({ ...c, text: texts.get(c.post) ?? '' })),
    );
  };

type OnPage = {
  page: Page;
  /** The posts whose texts are read here, in order. */
  withText: PostId[];
  /** What has a line here: threads by their response, or posts. */
  lines: readonly Branch<PostOutline>[];
  ofPosts: boolean;
  /** The way from post to post. */
  walk: PostId[];
};

const idsOf = (branches: readonly Branch<PostOutline>[]) => branches.map((b) => b.post.id);

/** What stands on the page: the open thread beside the list, a page of posts, or of headlines with the one that is open. */
function onPage(
  room: Room,
  list: Listed,
  asked: { as: Arrangement; root: Branch<PostOutline> | undefined; at: PostId | null; page: number | null },
): OnPage {
  const { as, root, at } = asked;
  const ofPosts = as !== 'threads' || isOfPosts(list.filter);
  const walk = ofPosts ? idsOf(list.shown) : list.shown.flatMap((tree) => idsOf(threadOf(room, tree)));
  const order = as === 'threads' ? idsOf(root ? threadOf(room, root) : []) : walk;
  const page = pageOf(order.length, as === 'headlines' ? HEADLINES_A_PAGE : POSTS_A_PAGE, {
    page: asked.page,
    at: at === null ? 0 : order.indexOf(at),
  });
  const here = order.slice(page.from, page.to);
  if (as === 'headlines')
    return {
      page,
      withText: at === null ? [] : [at],
      lines: list.shown.slice(page.from, page.to),
      ofPosts,
      walk,
    };
  const lines = as === 'time' ? [] : list.shown.slice(0, ofPosts ? MOST_LINES : undefined);
  return { page, withText: here, lines, ofPosts, walk };
}

/**
 * The Conversation room: what one may read in it, arranged and narrowed as one asks, one post of it open, and the page to
 * answer that on. Behind the seal there is nothing to open: the answer holds no post at all, whatever number the address
 * asks for. Texts are read for the page that is shown and for nothing else.
 */
export async function conversation(
  deps: Deps,
  actor: Actor,
  slug: string,
  ask: ConversationAsk,
): Promise<Result<Conversation, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const entered = await openingSeal(deps, actor, door.value);
  const { record, staff, responded } = entered;
  const head = headOf(deps, entered);
  const [{ posts, events }, marks, follows, habit] = await Promise.all([
    visibleOutlines(deps.db, actor, entered),
    postMarks(deps.db, { course: record.course.id, discussion: record.id }, actor.id),
    followsOf(deps.db, record.id, actor.id),
    readsAs(deps.db, actor.id),
  ]);
  const room = roomOf(actor.id, entered, posts, marks, follows.threads);
  const asked =
    ask.post === null
      ? writtenBy(posts, ask.by ?? null)
      : (room.branches.get(postId(ask.post))?.post ?? null);
  const at = asked && room.branches.has(asked.id) ? asked.id : null;
  const root = at === null ? undefined : room.branches.get(room.rootOf.get(at) ?? at);
  const as = ask.as ?? habit.as;
  const newestFirst = ask.newestFirst ?? habit.newestFirst;
  const owing = head.ledger !== null && summarise(head.ledger, deps.now).owedReplies > 0;
  const prompt = promptPlain(record.prompt, record.brief);
  const words = ask.words?.trim() ?? '';
  const readable = new Set(posts.map((p) => p.id));
  const found = words ? await findIn(deps, actor, entered, readable, words) : null;
  const list = await listed(
    room,
    {
      as,
      newestFirst,
      filter: words ? 'found' : ask.filter === 'found' ? null : ask.filter,
      found: found?.posts ?? new Set(),
      person: ask.person ? personId(ask.person) : null,
      open: root?.post.id ?? null,
      owing,
    },
    weighing(deps, room, prompt),
  );

  const shown = onPage(room, list, { as, root, at, page: ask.page ?? null });
  const wanted = at === null || shown.withText.includes(at) ? shown.withText : [...shown.withText, at];
  const [texts, passages] = await Promise.all([
    visiblePosts(deps.db, actor, entered, wanted).then((read) => new Map(read.map((p) => [p.id, p]))),
    found ? found.passages(shown.lines.slice(0, MOST_PASSAGES).map((b) => b.post.id)) : new Map(),
  ]);
  const read = shown.withText.flatMap((id) => texts.get(id) ?? []);
  const repeats = await repeatsAmong(deps, staff, posts, read);
  const open = at === null ? undefined : texts.get(at);
  const person = posts.find((p) => p.author.id === ask.person)?.author;
  const { reply, stranded } =
    open && root
      ? await replyPage(deps, actor, entered, { posts, asked: open, locked: root.post.locked })
      : { reply: null, stranded: null };
  return ok({
    head,
    as,
    newestFirst,
    habit,
    filter: list.filter,
    standard: list.standard,
    counts: list.counts,
    words,
    person: person ? { id: person.id, name: person.name } : null,
    lines: linesOf(room, list, shown.lines, shown.ofPosts ? 'posts' : 'threads', passages),
    posts: read.map((p) => toRead(p, { room, entered, repeats })),
    page: shown.page,
    open:
      at !== null && root && open
        ? {
            at,
            thread: root.post.id,
            followed: room.followed.has(root.post.id),
          }
        : null,
    authors: authorsOf(room, new Set(read.map((p) => p.author.id))),
    steps: stepsFrom(shown.walk, at, (id) => {
      const post = room.branches.get(id)?.post;
      return post !== undefined && isUnreadFor(post, actor.id);
    }),
    followsDiscussion: isFollowed(follows.discussion, responded),
    followed: [...room.followed],
    events,
    reply,
    stranded,
    ledgerInput: entered.ledgerInput,
    marking: staff ? await markingOf(deps, entered, root?.post) : null,
  });
}
