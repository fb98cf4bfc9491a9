import { isStaff, type Instant, type PersonId, type PostId, type Role } from '@/core/ids';
import { firstPicture } from '@/core/posts/attachments';
import type { ThreadFilter } from '@/core/posts/filters';
import { namedIn } from '@/core/posts/names';
import { inReadingOrder, type Branch } from '@/core/posts/thread';
import { worthAnswering, type Candidate, type Reason } from '@/core/worth/rank';
import type { PostMarks } from '@/db/queries/post-marks';
import type { PostRecord } from '@/db/queries/posts';
import type { Entered } from '../access/enter';

/** A line of the list: a response with what stands under it, or a single post that was asked for. */
export type ThreadLine = {
  id: PostId;
  kind: 'response' | 'reply';
  author: string;
  role: Role;
  /** Of a reply: whom it answers. */
  to: string | null;
  title: string;
  opening: string;
  sharedAt: Instant;
  replies: number;
  mine: boolean;
  /** The reader has answered in this thread, or this very reply. */
  answered: boolean;
  /** The reader has begun an answer in it and not shared it. */
  drafted: boolean;
  /** Posts of this thread that the reader has not read. */
  unread: PostId[];
  /** The file of the first picture or filmed clip of the post. */
  pictured: string | null;
  /** It names the reader. */
  namesReader: boolean;
  /** Why it is worth an answer of this reader. */
  reasons: Reason[];
};

export type Room = {
  reader: PersonId;
  entered: Entered;
  posts: readonly PostRecord[];
  trees: readonly Branch<PostRecord>[];
  isUnread: (post: PostRecord) => boolean;
  marks: ReadonlyMap<PostId, PostMarks>;
  /** The prompt's words, its questions among them. */
  prompt: string;
};

const OPENING = 110;
/** The title, or the first words of the text, whole ones. */
export const openingOf = (post: Pick<PostRecord, 'title' | 'plain'>) =>
  post.title ||
  (post.plain.length > OPENING ? `${post.plain.slice(0, OPENING).replace(/\s+\S*$/u, '')}…` : post.plain);

/** Whether a post names somebody with an `@`. */
const names = (p: PostRecord, person: PersonId) => namedIn(p.doc).people.includes(person);

const stands = (p: PostRecord) => !p.withdrawn && !p.hidden;

function lineOf(room: Room, post: PostRecord, beneath: readonly PostRecord[], answered: boolean): ThreadLine {
  const { reader, posts, entered, isUnread } = room;
  const all = [post, ...beneath];
  return {
    id: post.id,
    kind: post.kind,
    author: post.author.name,
    role: post.author.role,
    to: posts.find((p) => p.id === post.parent)?.author.name ?? null,
    title: post.title,
    opening: openingOf(post),
    sharedAt: post.sharedAt,
    replies: beneath.filter(stands).length,
    mine: post.author.id === reader,
    answered,
    drafted: entered.drafts.some((d) => d.kind === 'reply' && all.some((p) => p.id === d.parent)),
    unread: all.filter(isUnread).map((p) => p.id),
    pictured: stands(post) ? firstPicture(post.doc) : null,
    namesReader: false,
    reasons: [],
  };
}

function threadLine(room: Room, thread: Branch<PostRecord>): ThreadLine {
  const beneath = inReadingOrder(thread)
    .slice(1)
    .map((b) => b.post);
  return lineOf(
    room,
    thread.post,
    beneath,
    beneath.some((p) => stands(p) && p.author.id === room.reader),
  );
}

/** A single post, with whether the reader has answered that very one. */
function postLine(room: Room, post: PostRecord): ThreadLine {
  const beneath = room.posts.filter((p) => p.parent === post.id);
  return lineOf(
    room,
    post,
    beneath,
    beneath.some((p) => stands(p) && p.author.id === room.reader),
  );
}

/** The responses that this reader could answer so that it counts, with the line of each. */
function candidates(room: Room, lines: readonly ThreadLine[]): { line: ThreadLine; candidate: Candidate }[] {
  const { reader, posts, trees, entered } = room;
  const { staffCount } = entered.record.brief.replies;
  const mine = new Set(posts.filter((p) => p.author.id === reader).map((p) => p.id));
  const answers = posts.filter((p) => stands(p) && p.parent !== null && mine.has(p.parent));
  const authors = new Map(posts.map((p) => [p.id, p.author.id]));
  // A private reply is none that counts.
  const answered = new Set(
    posts
      .filter((p) => p.author.id === reader && p.parent !== null && stands(p) && !p.privateTo)
      .map((p) => (p.parent === null ? null : authors.get(p.parent))),
  );
  return trees.flatMap((tree) => {
    const { post } = tree;
    const line = lines.find((l) => l.id === post.id);
    if (!line || !stands(post) || post.privateTo || (isStaff(post.author.role) && !staffCount)) return [];
    const replies = inReadingOrder(tree)
      .slice(1)
      .filter((b) => stands(b.post) && b.post.author.id !== post.author.id).length;
    const candidate: Candidate = {
      post: post.id,
      author: post.author.id,
      text: post.plain,
      replies,
      unread: room.isUnread(post),
      answeredMe: answers.some((a) => a.author.id === post.author.id),
      answered: answered.has(post.author.id),
    };
    return post.author.id === reader ? [] : [{ line, candidate }];
  });
}

/** The lines that are worth an answer, best first, with the reasons. */
function worthLines(room: Room, found: ReturnType<typeof candidates>): ThreadLine[] {
  const { reader, entered, posts } = room;
  const { brief } = entered.record;
  const own = posts.find((p) => p.kind === 'response' && p.author.id === reader && stands(p));
  const ranked = worthAnswering(
    {
      id: reader,
      text: own?.plain ?? null,
      prompt: room.prompt,
      concepts: brief.concepts,
      distinctPeers: brief.replies.distinctPeers,
    },
    found.map((f) => f.candidate),
  );
  const lines = new Map(found.map((f) => [f.line.id, f.line]));
  return ranked.flatMap(({ post, reasons }) => {
    const line = lines.get(post);
    return line ? [{ ...line, reasons }] : [];
  });
}

export type Listed = {
  filter: ThreadFilter;
  /** What is shown where the address names no filter. */
  standard: ThreadFilter;
  counts: Record<ThreadFilter, number>;
  lines: ThreadLine[];
};

/**
 * The list of a conversation. Who owes replies is shown whom to answer, unless something else is asked for. The thread that
 * is open stays in the list, even when reading it took it out of the filter.
 */
export function listed(
  room: Room,
  asked: { filter: ThreadFilter | null; open: PostId | null; owing: boolean },
): Listed {
  const { reader, posts, trees, marks } = room;
  const threads = trees.map((t) => threadLine(room, t)).reverse();
  const worth = candidates(room, threads);
  const distinct = room.entered.record.brief.replies.distinctPeers;
  const open = worth.filter((w) => !(w.candidate.answered && distinct));
  const mine = new Set(posts.filter((p) => p.author.id === reader).map((p) => p.id));
  const answersMe = (p: PostRecord) => p.parent !== null && mine.has(p.parent);
  const toMe = posts.filter((p) => p.author.id !== reader && stands(p) && (answersMe(p) || names(p, reader)));
  const kept = posts.filter((p) => marks.get(p.id)?.bookmarked);
  const standard: ThreadFilter = asked.owing && open.length > 0 ? 'worth' : 'all';
  const filter = asked.filter ?? standard;
  const newest = (a: ThreadLine, b: ThreadLine) => b.sharedAt - a.sharedAt || b.id - a.id;

  const some: Record<ThreadFilter, () => ThreadLine[]> = {
    worth: () => worthLines(room, open),
    all: () => threads,
    unread: () => threads.filter((l) => l.unread.length > 0),
    'no-replies': () => threads.filter((l) => l.replies === 0 && !l.mine),
    yours: () => threads.filter((l) => l.mine || l.answered),
    // What waits for an answer first.
    'to-you': () =>
      toMe
        .map((p) => ({ ...postLine(room, p), namesReader: names(p, reader) }))
        .sort((a, b) => Number(a.answered) - Number(b.answered) || newest(a, b)),
    bookmarked: () => kept.map((p) => postLine(room, p)).sort(newest),
  };
  const counts: Record<ThreadFilter, number> = {
    worth: open.length,
    all: threads.length,
    unread: some.unread().length,
    'no-replies': some['no-replies']().length,
    yours: some.yours().length,
    'to-you': toMe.filter((p) => !posts.some((q) => q.parent === p.id && q.author.id === reader && stands(q)))
      .length,
    bookmarked: kept.length,
  };
  const shown = some[filter]();
  const here = threads.find((l) => l.id === asked.open);
  const byThread = !['to-you', 'bookmarked'].includes(filter);
  const lines = here && byThread && !shown.some((l) => l.id === here.id) ? [...shown, here] : shown;
  return { filter, standard, counts, lines };
}
