/** The running figures of a discussion and of one reader in it; a test recomputes them from the rows. */
export type ReadingFigures = {
  /** Posts in sight of the class, and private ones, whoever wrote them. */
  classPosts: number;
  privatePosts: number;
  /** Of those, how many this person has marked as read. */
  readClass: number;
  readPrivate: number;
  /** Private replies to this person that are not read yet. */
  privateUnread: number;
};

type Own = { private: boolean; withdrawn: boolean; hidden: boolean };

/**
 * How many posts of others in a discussion a person has not read. One's own posts are never unread; a post withdrawn
 * or hidden is not counted at all. Staff may read private replies, so these count for them; a student's own private
 * mail is counted apart. Behind a seal the figure stands for what waits there.
 *
 * @example a class of 12 posts, 2 of them mine, 7 read: 3 unread
 */
export function unreadPosts(figures: ReadingFigures, own: readonly Own[], staff: boolean): number {
  const inSight = own.filter((p) => !p.withdrawn && !p.hidden);
  const ownClass = inSight.filter((p) => !p.private).length;
  const ofClass = figures.classPosts - ownClass - figures.readClass;
  if (!staff) return ofClass + figures.privateUnread;
  return ofClass + figures.privatePosts - (inSight.length - ownClass) - figures.readPrivate;
}
