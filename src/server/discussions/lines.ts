import type { ThreadLine } from '@/contract/thread';
import { isStaff, type PersonId, type PostId } from '@/core/ids';
import { inArrangement, threadsInOrder, type Arranged } from '@/core/posts/arrange';
import { isOfPosts, type ThreadFilter } from '@/core/posts/filters';
import type { Candidate, Reason, Suggestion } from '@/core/worth/rank';
import type { PostOutline } from '@/db/queries/posts';
import type { LoadedConversation, PostBranch } from './loaded-conversation';
import { threadOf, openingOf, stands, isUnreadFor } from './loaded-conversation';

/** What stands beneath a response. */
const beneath = (loaded: LoadedConversation, tree: PostBranch) => threadOf(loaded, tree).slice(1);

/** A line for a post, with what is counted beneath it: its whole thread, or its own answers. */
function lineOf(
  loaded: LoadedConversation,
  branch: PostBranch,
  under: readonly PostOutline[],
  counted: 'thread' | 'post',
) {
  const { reader, entered, branches } = loaded;
  const { post } = branch;
  const all = counted === 'thread' ? [post, ...under] : [post];
  const parent = post.parent === null ? null : branches.get(post.parent);
  const begun = new Set(entered.drafts.map((d) => (d.kind === 'reply' ? d.parent : null)));
  const line: ThreadLine = {
    id: post.id,
    kind: post.kind,
    depth: branch.depth,
    author: post.author.name,
    role: post.author.role,
    to: parent?.post.author.name ?? null,
    opening: openingOf(post),
    sharedAt: post.sharedAt,
    replies: under.filter(stands).length,
    mine: post.author.id === reader,
    answered: under.some((p) => stands(p) && p.author.id === reader),
    drafted: all.some((p) => begun.has(p.id)),
    unread: all.filter((p) => isUnreadFor(p, reader)).map((p) => p.id),
    pictured: stands(post) ? post.pictured : null,
    namesReader: false,
    gone: post.withdrawn ? 'withdrawn' : post.hidden ? 'hidden' : null,
    private: post.privateTo !== null,
    pinned: post.pinned,
    locked: post.locked,
    reasons: [],
  };
  return line;
}

const threadLine = (loaded: LoadedConversation, thread: PostBranch) =>
  lineOf(
    loaded,
    thread,
    beneath(loaded, thread).map((b) => b.post),
    'thread',
  );

/** A single post, with whether the reader has answered that very one. */
const postLine = (loaded: LoadedConversation, branch: PostBranch) =>
  lineOf(
    loaded,
    branch,
    branch.replies.map((b) => b.post),
    'post',
  );

/** The responses that this reader could answer so that it counts. Their texts are asked for only where they are weighed. */
function candidates(loaded: LoadedConversation): Omit<Candidate, 'text'>[] {
  const { reader, posts, trees, branches, entered } = loaded;
  const { part, brief } = entered.record;
  const { staffCount, otherSide } = brief.replies;
  const authorOf = (id: PostId | null) => (id === null ? null : (branches.get(id)?.post.author.id ?? null));
  const answeredMe = new Set(
    posts.filter((p) => stands(p) && authorOf(p.parent) === reader).map((p) => p.author.id),
  );
  // A private reply is none that counts.
  const answered = new Set(
    posts
      .filter((p) => p.author.id === reader && stands(p) && !p.privateTo)
      .flatMap((p) => authorOf(p.parent) ?? []),
  );
  return trees.flatMap((tree) => {
    const { post } = tree;
    const staff = isStaff(post.author.role);
    const sameSide = otherSide && !staff && part.side !== null && post.author.side === part.side;
    const closed = post.locked || post.privateTo || (staff && !staffCount) || sameSide;
    if (!stands(post) || closed || post.author.id === reader) return [];
    return [
      {
        post: post.id,
        author: post.author.id,
        replies: beneath(loaded, tree).filter((b) => stands(b.post) && b.post.author.id !== post.author.id)
          .length,
        unread: isUnreadFor(post, reader),
        answeredMe: answeredMe.has(post.author.id),
        answered: answered.has(post.author.id),
      },
    ];
  });
}

export type Asked = Arranged & {
  filter: ThreadFilter | null;
  /** Whose posts are asked for, of the filter by a person. */
  person: PersonId | null;
  /** Of the filter by words: the posts that hold them. */
  found: ReadonlySet<PostId>;
  /** The response of the thread that is open: it stays in the list, even when reading it took it out of the filter. */
  open: PostId | null;
  /** Replies are owed: whom to answer is then shown first. */
  owing: boolean;
};

export type Listed = {
  filter: ThreadFilter;
  /** What is shown where the address names no filter. */
  standard: ThreadFilter;
  /** What each filter would show; of `to-you` what is new and waits for an answer, of `worth` nothing to who owes none. */
  counts: Record<ThreadFilter, number>;
  /** What is shown, in order: threads by their response, or posts. */
  shown: PostBranch[];
  /** Of the responses that are worth an answer, best first where they are listed: why. */
  reasons: ReadonlyMap<PostId, Reason[]>;
};

/** Whether a post is a response that nobody has answered, so that one could read the answer. */
export const isWithoutReply = (loaded: LoadedConversation, b: PostBranch): boolean =>
  b.post.kind === 'response' && !beneath(loaded, b).some((r) => stands(r.post));

/** What each filter lets through of the posts. */
function filtersOf(loaded: LoadedConversation, worth: ReadonlySet<PostId>, { person, found }: Asked) {
  const { reader, branches, rootOf, reactions, followed, trees } = loaded;
  const spoken = new Set(
    trees
      .filter(
        (t) =>
          t.post.author.id === reader ||
          beneath(loaded, t).some((b) => stands(b.post) && b.post.author.id === reader),
      )
      .map((t) => t.post.id),
  );
  const root = (b: PostBranch) => rootOf.get(b.post.id) ?? b.post.id;
  const answersMe = (p: PostOutline) =>
    p.parent !== null && branches.get(p.parent)?.post.author.id === reader;
  const filters: Record<ThreadFilter, (b: PostBranch) => boolean> = {
    worth: (b) => worth.has(b.post.id),
    all: () => true,
    unread: (b) => isUnreadFor(b.post, reader),
    'no-replies': (b) => b.post.author.id !== reader && isWithoutReply(loaded, b),
    yours: (b) => spoken.has(root(b)),
    followed: (b) => followed.has(root(b)),
    'to-you': ({ post }) =>
      post.author.id !== reader && stands(post) && (answersMe(post) || post.namesReader),
    staff: ({ post }) => isStaff(post.author.role) && stands(post),
    pictured: ({ post }) => post.carries && stands(post),
    person: ({ post }) => post.author.id === person,
    bookmarked: ({ post }) => reactions.get(post.id)?.bookmarked ?? false,
    found: ({ post }) => found.has(post.id) && stands(post),
  };
  return filters;
}

const isAnswered = (b: PostBranch, reader: PersonId) =>
  b.replies.some((r) => r.post.author.id === reader && stands(r.post));

/**
 * What a conversation shows of its posts, in which order. Who owes replies and reads in threads is shown whom to answer, unless
 * something else is asked for. `weigh` ranks the candidates by their texts.
 */
export async function listed(
  loaded: LoadedConversation,
  asked: Asked,
  weigh: (candidates: Omit<Candidate, 'text'>[]) => Promise<Suggestion[]>,
): Promise<Listed> {
  const { reader, trees } = loaded;
  const distinct = loaded.entered.record.brief.replies.distinctPeers;
  const open = candidates(loaded).filter((c) => !(c.answered && distinct));
  const filters = filtersOf(loaded, new Set(open.map((c) => c.post)), asked);
  const standard: ThreadFilter = asked.owing && open.length > 0 && asked.as === 'threads' ? 'worth' : 'all';
  const filter = asked.filter === 'person' && !asked.person ? standard : (asked.filter ?? standard);
  const order = inArrangement(trees, asked);
  const threads = threadsInOrder(trees);

  /** Of threads, those with a post that the filter lets through; where it is about posts, these. */
  const through = (f: ThreadFilter): PostBranch[] => {
    if (asked.as !== 'threads') return order.filter(filters[f]);
    if (isOfPosts(f)) return order.filter(filters[f]).sort((a, b) => b.post.sharedAt - a.post.sharedAt);
    return f === 'unread'
      ? threads.filter((t) => threadOf(loaded, t).some(filters[f]))
      : threads.filter(filters[f]);
  };
  const counts = Object.fromEntries(
    (Object.keys(filters) as ThreadFilter[]).map((f) => [f, through(f).length]),
  ) as Listed['counts'];
  if (!asked.owing) counts.worth = 0;
  const waits = (b: PostBranch) => isUnreadFor(b.post, reader) && !isAnswered(b, reader);
  counts['to-you'] = through('to-you').filter(waits).length;

  let shown = through(filter);
  const reasons = new Map<PostId, Reason[]>();
  if (filter === 'worth') {
    const ranked = await weigh(open);
    for (const { post, reasons: why } of ranked) reasons.set(post, why);
    shown = ranked.flatMap(({ post }) => loaded.branches.get(post) ?? []);
  } else if (filter === 'to-you' && asked.as === 'threads') {
    // What is new first, then what waits for an answer.
    const rank = (b: PostBranch) => (waits(b) ? 0 : isAnswered(b, reader) ? 2 : 1);
    shown.sort((a, b) => rank(a) - rank(b));
  }
  const here = asked.open === null ? undefined : loaded.branches.get(asked.open);
  if (asked.as === 'threads' && here && !isOfPosts(filter) && !shown.includes(here)) shown = [...shown, here];
  return { filter, standard, counts, shown, reasons };
}

/** The lines of what is shown, or of a page of it. */
export const linesOf = (
  loaded: LoadedConversation,
  { filter, reasons }: Pick<Listed, 'filter' | 'reasons'>,
  shown: readonly PostBranch[],
  /** A line is of its post alone, or of the thread that begins with it. */
  of: 'posts' | 'threads',
  passages: ReadonlyMap<PostId, string>,
): ThreadLine[] =>
  shown.map((branch) => {
    const line = of === 'posts' ? postLine(loaded, branch) : threadLine(loaded, branch);
    return {
      ...line,
      opening: passages.get(branch.post.id) ?? line.opening,
      namesReader: filter === 'to-you' && branch.post.namesReader,
      reasons: reasons.get(branch.post.id) ?? [],
    };
  });
