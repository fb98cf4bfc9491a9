import type { Refusal } from '@/core/counting/permission';
import { summarise } from '@/core/counting/summary';
import type { LedgerInput } from '@/core/counting/types';
import { isStaff, postId, type Instant, type PersonId, type PostId, type Role } from '@/core/ids';
import { emptyDocument, type Doc } from '@/core/posts/document';
import type { ThreadFilter } from '@/core/posts/filters';
import { inReadingOrder, threads, type Branch } from '@/core/posts/thread';
import { ok, type Result } from '@/core/result';
import type { Rubric } from '@/core/rubric/rubric';
import type { MarkRecord } from '@/db/queries/beside';
import { draftFor } from '@/db/queries/drafts';
import type { PostRecord } from '@/db/queries/posts';
import { promptPlain } from '@/db/queries/material';
import { postMarks, type PostMarks } from '@/db/queries/post-marks';
import { versionOfPost } from '@/db/queries/post-versions';
import { marksOf } from '@/db/queries/reading';
import { enterDiscussion, type Entered, type NotFound } from '../access/enter';
import { refused } from '../access/refused';
import { visiblePosts } from '../access/visible-posts';
import type { Actor, Deps } from '../deps';
import { markFor } from '../rubric/rubric';
import { openDraft, type OpenDraft } from '../drafts/open';
import { headOf, type DiscussionHead } from './head';
import { listed, openingOf, type Listed } from './lines';

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
  marks: PostMarks;
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
    /** Which of its versions is read. */
    n: number;
  };
  /** The post was changed after the draft was begun: the text the draft was begun on, and when it changed. */
  changed: { title: string; doc: Doc; at: Instant } | null;
  draft: OpenDraft;
  refused: Refusal | null;
  /** What the substance of the reply is judged against, beside the post: by its writer's browser, for nobody else. */
  about: { prompt: string; others: string[] };
};

/** A post of somebody, as it stands on a card about them. */
export type PostOfAuthor = { id: PostId; kind: 'response' | 'reply'; opening: string; to: string | null };

export type Conversation = Listed & {
  head: DiscussionHead;
  open: {
    thread: ReadPost[];
    at: PostId;
    /** What else those who speak in the thread have written here, by who they are. */
    authors: Record<PersonId, PostOfAuthor[]>;
  } | null;
  reply: ReplyPage | null;
  /** The post that was to be answered is gone, and there is a draft of the answer. */
  stranded: { name: string; draft: Doc } | null;
  ledgerInput: LedgerInput | null;
  /** For staff: the rubric for the open response, with the mark it has. */
  marking: Marking | null;
};

export type Marking = { rubric: Rubric; post: PostId; student: string; mark: MarkRecord | null };

const NO_MARKS: PostMarks = { wellSaid: 0, saidByMe: false, bookmarked: false };

function toRead(
  branch: Branch<PostRecord>,
  reader: PersonId,
  names: Map<PostId, string>,
  isUnread: IsUnread,
  marks: ReadonlyMap<PostId, PostMarks>,
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
    marks: marks.get(post.id) ?? NO_MARKS,
  };
}

/** So many other responses, and so much of each, say what the class has said already. */
const OTHERS = 6;
const OTHERS_LENGTH = 600;

const othersOf = (posts: readonly PostRecord[], asked: PostRecord): string[] =>
  posts
    .filter((p) => p.kind === 'response' && p.id !== asked.id && p.author.id !== asked.author.id && p.plain)
    .slice(0, OTHERS)
    .map((p) => p.plain.slice(0, OTHERS_LENGTH));

/** How a post stood when its answer was begun, where it has been changed since: its writer has read that text. */
async function changedSince(
  deps: Deps,
  post: PostRecord,
  begunOn: number | null,
): Promise<ReplyPage['changed']> {
  if (begunOn === null || begunOn >= post.n) return null;
  const before = await versionOfPost(deps.db, post.id, begunOn);
  return before?.changedAt ? { title: before.title, doc: before.doc, at: before.changedAt } : null;
}

/** What a name leads to: its owner's response here, or what else there is of theirs. */
const writtenBy = (posts: readonly PostRecord[], person: string | null): PostRecord | null =>
  posts.find((p) => p.author.id === person && p.kind === 'response') ??
  posts.find((p) => p.author.id === person) ??
  null;

/** What else the speakers of a thread have written in the discussion. */
function authorsOf(
  thread: readonly Branch<PostRecord>[],
  posts: readonly PostRecord[],
  names: ReadonlyMap<PostId, string>,
): Record<PersonId, PostOfAuthor[]> {
  const speakers = new Set(thread.map((b) => b.post.author.id));
  const found: Record<PersonId, PostOfAuthor[]> = {};
  for (const post of posts) {
    if (!speakers.has(post.author.id) || post.withdrawn || post.hidden) continue;
    const to = post.parent === null ? null : (names.get(post.parent) ?? null);
    (found[post.author.id] ??= []).push({ id: post.id, kind: post.kind, opening: openingOf(post), to });
  }
  return found;
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
  ask: { post: number | null; filter: ThreadFilter | null; by?: string | null },
): Promise<Result<Conversation, NotFound>> {
  const door = await enterDiscussion(deps, actor, slug);
  if (!door.ok) return door;
  const entered = door.value;
  const { record } = entered;
  const head = headOf(deps, entered);
  const [posts, read, marks] = await Promise.all([
    visiblePosts(deps.db, actor, entered),
    marksOf(deps.db, record.course.id, record.id, actor.id),
    postMarks(deps.db, { course: record.course.id, discussion: record.id }, actor.id),
  ]);
  const isUnread: IsUnread = (p) => p.author.id !== actor.id && !p.withdrawn && !p.hidden && !read.has(p.id);

  const trees = threads(posts);
  const asked =
    ask.post === null ? writtenBy(posts, ask.by ?? null) : posts.find((p) => p.id === postId(ask.post ?? 0));
  const tree = asked && trees.find((t) => inReadingOrder(t).some((b) => b.post.id === asked.id));
  const names = new Map(posts.map((p) => [p.id, p.author.name]));
  const prompt = promptPlain(record.prompt, record.brief);

  let reply: ReplyPage | null = null;
  let stranded: Conversation['stranded'] = null;
  if (asked && tree) {
    const kept = await draftFor(deps.db, {
      author: actor.id,
      discussion: record.id,
      kind: 'reply',
      parent: asked.id,
    });
    if (asked.withdrawn || asked.hidden) {
      if (kept) stranded = { name: asked.author.name, draft: kept.doc };
    } else {
      reply = {
        answering: {
          id: asked.id,
          person: asked.author.id,
          name: asked.author.name,
          staff: isStaff(asked.author.role),
          self: asked.author.id === actor.id,
          plain: asked.plain,
          privateTo: asked.privateTo?.name ?? null,
          n: asked.n,
        },
        changed: kept && (await changedSince(deps, asked, kept.answeredN)),
        draft: openDraft(
          kept,
          { title: '', doc: emptyDocument },
          { kind: 'reply', brief: record.brief, answered: asked },
        ),
        refused: refused(deps, entered, 'reply'),
        about: { prompt, others: othersOf(posts, asked) },
      };
    }
  }
  const owing = head.ledger !== null && summarise(head.ledger, deps.now).owedReplies > 0;
  const thread = tree && inReadingOrder(tree);
  return ok({
    head,
    ...listed(
      { reader: actor.id, entered, posts, trees, isUnread, marks, prompt },
      { filter: ask.filter, open: tree?.post.id ?? null, owing },
    ),
    open:
      asked && thread
        ? {
            thread: thread.map((b) => toRead(b, actor.id, names, isUnread, marks)),
            at: asked.id,
            authors: authorsOf(thread, posts, names),
          }
        : null,
    reply,
    stranded,
    ledgerInput: entered.ledgerInput,
    marking: await markingOf(deps, entered, tree?.post ?? null),
  });
}
