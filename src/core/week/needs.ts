import type { Summary } from '../counting/summary';
import type { DiscussionState } from '../deadlines/state';

/**
 * Whether a discussion asks something of a person now: it is open and something owed can still be met, or somebody
 * has answered them and the answer is not read yet.
 *
 * @example a discussion that is open with a reply owed: true; one that is complete with nothing unread: false
 */
export const needsMe = (line: {
  state: DiscussionState;
  summary: Pick<Summary, 'next'> | null;
  unreadReplies: number;
}): boolean =>
  line.unreadReplies > 0 ||
  (line.state !== 'upcoming' &&
    line.state !== 'closed' &&
    line.summary !== null &&
    line.summary.next !== null);
