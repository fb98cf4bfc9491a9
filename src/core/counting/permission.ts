import type { Schedule } from '../deadlines/schedule';
import type { Instant } from '../ids';
import type { Seal } from './seal';
import type { PostKind } from './types';

/**
 * Why a post cannot be shared. Only the calendar, the late rule and the seal ever stop one (rule 5), and a reply also the lock
 * that staff put on its thread.
 */
export type Refusal =
  | { code: 'not-open-yet'; opens: Instant }
  | { code: 'closed'; closed: Instant }
  | { code: 'response-deadline-passed'; closed: Instant }
  | { code: 'reply-deadline-passed'; closed: Instant }
  | ({ code: 'sealed' } & Seal)
  | { code: 'thread-locked' };

/**
 * Whether a student may share a post at a moment: null, or what stands against it. A first response must come before
 * its own deadline's end; a further one is bound only by the discussion's closing.
 *
 * @example a reply before one's own response in a sealed discussion is refused as `sealed`
 */
export function refusal(input: {
  kind: PostKind;
  schedule: Schedule;
  /** What withholds classmates' posts from the student now. */
  seal: Seal | null;
  /** Whether the student has shared a response here that stands, or has ever shared one. */
  responded: boolean;
  /** Of a reply: its thread is locked for this person. */
  locked?: boolean;
  now: Instant;
}): Refusal | null {
  const { kind, schedule, now, responded } = input;
  if (now < schedule.opens) return { code: 'not-open-yet', opens: schedule.opens };
  if (now >= schedule.closes) return { code: 'closed', closed: schedule.closes };
  if (kind === 'response') {
    return !responded && now >= schedule.response.closes
      ? { code: 'response-deadline-passed', closed: schedule.response.closes }
      : null;
  }
  if (input.seal) return { code: 'sealed', ...input.seal };
  if (now >= schedule.replies.closes)
    return { code: 'reply-deadline-passed', closed: schedule.replies.closes };
  return input.locked ? { code: 'thread-locked' } : null;
}

/** Why a shared post cannot be changed or withdrawn. */
export type ChangeRefusal =
  | { code: 'closed'; closed: Instant }
  | { code: 'gone' }
  | { code: 'answered' }
  /** A sealed discussion opened to its author, who has opened a classmate's post (rule 4). */
  | { code: 'opened-others' }
  | { code: 'deadline-passed'; due: Instant };

/** What may be asked about a post that its author wants to change or withdraw. */
type Shared = { kind: PostKind; gone: boolean; answered: boolean; schedule: Schedule; now: Instant };

/**
 * Whether its author may change a shared post: until the discussion closes, and after that where their mark says to do it again. What
 * the change counts for is another question (rule 8).
 *
 * @example after the discussion has closed: `{ code: 'closed', … }`
 */
export function editRefusal({
  gone,
  schedule,
  now,
  again = false,
}: Omit<Shared, 'answered' | 'kind'> & { again?: boolean }): ChangeRefusal | null {
  if (gone) return { code: 'gone' };
  return now >= schedule.closes && !again ? { code: 'closed', closed: schedule.closes } : null;
}

/**
 * Whether its author may withdraw a post: while nobody has answered it and its deadline has not passed; and a response in a
 * sealed discussion only as long as its author has opened no classmate's post.
 *
 * @example a post that somebody has answered: `{ code: 'answered' }`
 */
export function withdrawalRefusal(post: Shared & { openedOthers: boolean }): ChangeRefusal | null {
  const { kind, schedule, now } = post;
  const { due } = kind === 'response' ? schedule.response : schedule.replies;
  const against = editRefusal(post);
  if (against) return against;
  if (post.answered) return { code: 'answered' };
  if (kind === 'response' && post.openedOthers) return { code: 'opened-others' };
  return now >= due ? { code: 'deadline-passed', due } : null;
}
