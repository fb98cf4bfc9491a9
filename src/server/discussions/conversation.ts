import type { Refusal } from '@/core/counting/permission';
import type { LedgerInput } from '@/core/counting/types';
import { isStaff, postId, type Instant, type PersonId, type PostId, type Role } from '@/core/ids';
import { firstPicture } from '@/core/posts/attachments';
import { emptyDocument, type Doc } from '@/core/posts/document';
import { THREAD_FILTERS, type ThreadFilter } from '@/core/posts/filters';
import { inReadingOrder, threads, type Branch } from '@/core/posts/thread';
import { ok, type Result } from '@/core/result';
import type { Rubric } from '@/core/rubric/rubric';
import type { MarkRecord } from '@/db/queries/beside';
import { draftFor } from '@/db/queries/drafts';
import type { PostRecord } from '@/db/queries/posts';
import { marksOf } from '@/db/queries/reading';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { refused } from '../access/refused';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { markFor } from '../rubric/rubric';
import { openDraft, type OpenDraft } from '../drafts/open';
import { headOf, type DiscussionHead } from './head';

export type ThreadLine = {
  id: PostId;
  author: string;
  role: Role;
  title: string;
  opening: string;
  sharedAt: Instant;
  replies: number;
  mine: boolean;
  /** The reader has a reply in this thread. */
  answered: boolean;
  /** Posts of this thread that the reader has not read. */
  unread: PostId[];
  /** The file of the first picture or filmed clip of the response. */
  pictured: string | null;
};

export type ReadPost = {
  id: PostId;
  depth: number;
  kind: 'response' | 'reply';
  author: { id: PersonId; name: string; role: Role };
  mine: boolean;
  to: string | null;
  privateTo: string | null;
  sharedAt: Instant;
  edited: boolean;
  title: string;
  doc: Doc;
  ownWords: number;
  gone: 'withdrawn' | 'hidden' | null;
  unread: boolean;
};

type IsUnread = (post: PostRecord) => boolean;

/** The facing page: the post being answered and the draft of the answer. */
export type ReplyPage = {
  answering: {
    id: PostId;
    person: PersonId;
    name: string;
    staff: boolean;
    self: boolean;
    plain: string;
    privateTo: string | null;
  };
  draft: OpenDraft;
  refused: Refusal | null;
};

export type Conversation = {
  head: DiscussionHead;
  filter: ThreadFilter;
  counts: Record<ThreadFilter, number>;
  lines: ThreadLine[];
  open: { thread: ReadPost[]; at: PostId } | null;
  reply: ReplyPage | null;
  ledgerInput: LedgerInput | null;
  /** For staff: the rubric for the open response, with the mark it has. */
  marking: Marking | null;
};

export type Marking = { rubric: Rubric; post: PostId; student: string; mark: MarkRecord | null };

const OPENING = 110;
/** The title, or the first words of the text, whole ones. */
const openingOf = (post: PostRecord) =>
  post.title ||
  (post.plain.length > OPENING ? `${post.plain.slice(0, OPENING).replace(/\s+\S*$/u, '')}…` : post.plain);

function toLine(thread: Branch<PostRecord>, reader: PersonId, isUnread: IsUnread): ThreadLine {
  const all = inReadingOrder(thread).map((b) => b.post);
  const { post } = thread;
  const replies = all.slice(1).filter((p) => !p.withdrawn && !p.hidden);
  return {
    id: post.id,
    author: post.author.name,
    role: post.author.role,
    title: post.title,
    opening: openingOf(post),
    sharedAt: post.sharedAt,
    replies: replies.length,
    mine: post.author.id === reader,
    answered: replies.some((p) => p.author.id === reader),
    unread: all.filter(isUnread).map((p) => p.id),
    pictured: post.withdrawn || post.hidden ? null : firstPicture(post.doc),
  };
}

const passes = (line: ThreadLine, filter: ThreadFilter) =>
  filter === 'all' ||
  (filter === 'unread' && line.unread.length > 0) ||
  (filter === 'no-replies' && line.replies === 0 && !line.mine) ||
  (filter === 'yours' && (line.mine || line.answered));

function toRead(
  branch: Branch<PostRecord>,
  reader: PersonId,
  names: Map<PostId, string>,
  isUnread: IsUnread,
): ReadPost {
  const { post, depth } = branch;
  return {
    id: post.id,
    depth,
    kind: post.kind,
    author: post.author,
    mine: post.author.id === reader,
    to: post.parent === null ? null : (names.get(post.parent) ?? null),
    privateTo: post.privateTo?.name ?? null,
    sharedAt: post.sharedAt,
    edited: post.edited,
    title: post.title,
    doc: post.doc,
    ownWords: post.ownWords,
    gone: post.withdrawn ? 'withdrawn' : post.hidden ? 'hidden' : null,
    unread: isUnread(post),
  };
}

/** What staff need to mark the open response by the rubric; nothing for anybody else. */
async function markingOf(deps: Deps, entered: Entered, response: PostRecord | null): Promise<Marking | null> {
  const { rubric } = entered.record;
  if (!entered.staff || !rubric || response?.author.role !== 'student' || response.withdrawn) return null;
  const { id, author } = response;
  return { rubric, post: id, student: author.name, mark: await markFor(deps, author.id, entered) };
}

/**
 * The Conversation room: the threads one may read, one of them open, and the page to answer it on. Behind the seal
 * there is nothing to open: the answer holds no post at all, whatever number the address asks for.
 */
export async function conversation(
  deps: Deps,
  actor: Actor,
  slug: string,
  ask: { post: number | null; filter: ThreadFilter },
): Promise<Result<Conversation, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const { record } = entered;
  const head = headOf(deps, entered);
  const [posts, read] = await Promise.all([
    visiblePosts(deps.db, actor, entered),
    marksOf(deps.db, record.course.id, record.id, actor.id),
  ]);
  const isUnread: IsUnread = (p) => p.author.id !== actor.id && !p.withdrawn && !p.hidden && !read.has(p.id);

  const trees = threads(posts);
  const lines = trees.map((t) => toLine(t, actor.id, isUnread)).reverse();
  const asked = ask.post === null ? null : posts.find((p) => p.id === postId(ask.post ?? 0));
  const tree = asked && trees.find((t) => inReadingOrder(t).some((b) => b.post.id === asked.id));
  const names = new Map(posts.map((p) => [p.id, p.author.name]));

  let reply: ReplyPage | null = null;
  if (asked && tree && !asked.withdrawn && !asked.hidden) {
    const kept = await draftFor(deps.db, {
      author: actor.id,
      discussion: record.id,
      kind: 'reply',
      parent: asked.id,
    });
    reply = {
      answering: {
        id: asked.id,
        person: asked.author.id,
        name: asked.author.name,
        staff: isStaff(asked.author.role),
        self: asked.author.id === actor.id,
        plain: asked.plain,
        privateTo: asked.privateTo?.name ?? null,
      },
      draft: openDraft(
        kept,
        { title: '', doc: emptyDocument },
        { kind: 'reply', brief: record.brief, answered: asked },
      ),
      refused: refused(deps, entered, 'reply'),
    };
  }
  const countOf = (filter: ThreadFilter) => lines.filter((l) => passes(l, filter)).length;
  return ok({
    head,
    filter: ask.filter,
    counts: Object.fromEntries(THREAD_FILTERS.map((f) => [f, countOf(f)])) as Record<ThreadFilter, number>,
    // The open thread stays in the list, even when reading it just took it out of the filter.
    lines: lines.filter((l) => passes(l, ask.filter) || l.id === tree?.post.id),
    open:
      asked && tree
        ? { thread: inReadingOrder(tree).map((b) => toRead(b, actor.id, names, isUnread)), at: asked.id }
        : null,
    reply,
    ledgerInput: entered.ledgerInput,
    marking: await markingOf(deps, entered, tree?.post ?? null),
  });
}
