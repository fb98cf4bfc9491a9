import type { PersonId, PostId } from '../ids';
import { isFollowed, type Chosen } from '../posts/following';
import type { NoticeKind, Way } from './kinds';

/** A post that was shared, as far as it says whom it concerns. */
export type SharedPost = {
  id: PostId;
  author: PersonId;
  kind: 'response' | 'reply';
  /** The response of its thread: itself, for a response. */
  thread: PostId;
  /** Whose post it answers. */
  answers: PersonId | null;
  named: readonly PersonId[];
  /** Who may read it beside staff: the two of a private reply, those of a group; null where it is the class's. */
  readers: readonly PersonId[] | null;
};

/** What somebody chose for a place, and since which post of theirs they are in it; null for neither. */
export type Followed = { follows: Chosen; way: Way | null; since: PostId | null };

/** Somebody of a course, as far as it says what of a discussion they hear. */
export type Hearer = {
  id: PersonId;
  staff: boolean;
  /** Classmates' posts are withheld from them now. */
  sealed: boolean;
  /** What they chose for the discussion, and the first response they shared in it. */
  discussion: Followed;
  /** Threads they chose something for, or have written in, with the first post they shared there. */
  threads: ReadonlyMap<PostId, Followed>;
};

const mayHear = (post: SharedPost, who: Pick<Hearer, 'id' | 'staff' | 'sealed'>) =>
  post.author !== who.id &&
  (who.staff || (!who.sealed && (post.readers === null || post.readers.includes(who.id))));

/**
 * Why a post concerns somebody directly: it answers theirs, or names them; the first that holds, so that nobody is told of one post twice. Null where it does
 * not, or where they may not read it.
 *
 * @example a reply to Imani that names Imani as well // 'reply'
 */
export function concerns(
  post: SharedPost,
  who: Pick<Hearer, 'id' | 'staff' | 'sealed'>,
): Extract<NoticeKind, 'reply' | 'name'> | null {
  if (!mayHear(post, who)) return null;
  if (post.answers === who.id) return 'reply';
  return post.named.includes(who.id) ? 'name' : null;
}

const NOTHING: Followed = { follows: null, way: null, since: null };

/**
 * Whether somebody hears of a post because they follow where it stands, and by which ways they chose there, the thread's first. Null where they do not follow,
 * may not read it, or are told of it already because it concerns them. What is chosen for a thread goes before what is chosen for its
 * discussion: who leaves a thread hears nothing of it.
 *
 * @example somebody who has shared a response follows its discussion, as long as they did not choose otherwise
 */
export function follows(post: SharedPost, who: Hearer): (Way | null)[] | null {
  if (!mayHear(post, who) || concerns(post, who) !== null) return null;
  const thread = who.threads.get(post.thread) ?? NOTHING;
  // Of what was there before they came nobody is told.
  const isIn = ({ since }: Followed) => since !== null && since < post.id;
  const whole = isFollowed(who.discussion.follows, isIn(who.discussion));
  const heard = thread.follows ?? (isIn(thread) || whole);
  return heard ? [thread.way, who.discussion.way] : null;
}
