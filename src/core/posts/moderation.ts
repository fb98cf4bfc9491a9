/** What is done about a post for the good of a discussion; a report is anybody's, the rest is staff's. */
export const MODERATION_ACTS = [
  'report',
  'settle',
  'hide',
  'show',
  'pin',
  'unpin',
  'lock',
  'unlock',
  'answer',
  'accept',
] as const;
export type ModerationAct = (typeof MODERATION_ACTS)[number];

/** The longest reason that is taken. */
export const REASON_LENGTH = 600;

type Moderated = {
  kind: 'response' | 'reply';
  mine: boolean;
  private: boolean;
  withdrawn: boolean;
  hidden: boolean;
  pinned: boolean;
  locked: boolean;
};

/**
 * What a person may do about a post that they can read. Anybody may report what stands and is not theirs. Staff hide what
 * stands, show what they hid, and pin and lock responses that stand for the class. Nobody does anything about what its author
 * withdrew.
 *
 * @example a classmate's standing post, seen by a student: ['report']
 */
export function actsOn(post: Moderated, staff: boolean): ModerationAct[] {
  if (post.withdrawn) return [];
  if (!staff) return post.mine || post.hidden ? [] : ['report'];
  if (post.hidden) return ['show'];
  const own: ModerationAct[] = post.mine ? [] : ['hide'];
  if (post.kind === 'reply') return own;
  return [post.pinned ? 'unpin' : 'pin', post.locked ? 'unlock' : 'lock', ...own];
}

/**
 * Acts that want a reason.
 * @example wantsReason('pin') // false
 */
export const wantsReason = (act: ModerationAct) => act === 'report' || act === 'hide';
