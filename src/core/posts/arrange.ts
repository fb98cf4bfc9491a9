import type { PostId } from '../ids';
import { inReadingOrder, type Branch, type TreePost } from './thread';

/**
 * How a conversation is laid out: `threads` with replies under what they answer, `headlines` with a line a post, or by `time`
 * as it was said.
 */
export const ARRANGEMENTS = ['threads', 'headlines', 'time'] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];

export type Arranged = { as: Arrangement; newestFirst: boolean };
type Pinnable = TreePost & { pinned: boolean };

/**
 * Threads as they are listed: those that staff pinned first, then the newest response first.
 * @example a pinned thread of Monday stands before one of Tuesday
 */
export function threadsInOrder<P extends Pinnable>(trees: readonly Branch<P>[]): Branch<P>[] {
  const newest = [...trees].sort((a, b) => b.post.sharedAt - a.post.sharedAt || b.post.id - a.post.id);
  return [...newest.filter((t) => t.post.pinned), ...newest.filter((t) => !t.post.pinned)];
}

/**
 * Every post of a conversation once, in the order in which an arrangement shows them.
 * @example by time, newest first, replies of different threads stand among each other
 */
export function inArrangement<P extends Pinnable>(
  trees: readonly Branch<P>[],
  { as, newestFirst }: Arranged,
): Branch<P>[] {
  const all = threadsInOrder(trees).flatMap((t) => inReadingOrder(t));
  if (as !== 'time') return all;
  const sign = newestFirst ? -1 : 1;
  return all.sort((a, b) => sign * (a.post.sharedAt - b.post.sharedAt || a.post.id - b.post.id));
}

export type Page = { page: number; pages: number; from: number; to: number };

/**
 * The page of a list that is shown: the one asked for, else the one with the open place, else the first. Pages count from 1;
 * `from` and `to` are places in the list, the second not among them.
 *
 * @example pageOf(90, 40, { page: null, at: 45 }) // { page: 2, pages: 3, from: 40, to: 80 }
 */
export function pageOf(length: number, size: number, asked: { page: number | null; at: number }): Page {
  const pages = Math.max(1, Math.ceil(length / size));
  const wanted = asked.page ?? Math.floor(Math.max(0, asked.at) / size) + 1;
  const page = Math.min(Math.max(1, wanted), pages);
  return { page, pages, from: (page - 1) * size, to: Math.min(length, page * size) };
}

/** Where one can go from a post without the list; `unread` begins behind it and comes round to what stands before. */
export type Steps = { previous: PostId | null; next: PostId | null; unread: PostId[] };

const MOST_AHEAD = 30;

/**
 * The steps from an open post (null: from before the first) through posts in the order they are shown.
 * @example stepsFrom([1, 2, 3], 2, () => false) // { previous: 1, next: 3, … }
 */
export function stepsFrom(
  order: readonly PostId[],
  open: PostId | null,
  isUnread: (post: PostId) => boolean,
): Steps {
  const at = open === null ? -1 : order.indexOf(open);
  const round = [...order.slice(at + 1), ...order.slice(0, Math.max(0, at))];
  return {
    previous: order[at - 1] ?? null,
    next: order[at + 1] ?? null,
    unread: round.filter(isUnread).slice(0, MOST_AHEAD),
  };
}
