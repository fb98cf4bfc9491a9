import type { CheckId, Side } from '../brief/brief';
import type { Deadline } from '../deadlines/late';
import type { Schedule } from '../deadlines/schedule';
import type { Instant, PersonId, PostId } from '../ids';

export type PostKind = 'response' | 'reply';

/** A text of a post as it stood from `at` on, with the required checks it did not meet. */
export type Version = { at: Instant; unmet: CheckId[] };

/** Whose post a reply answers: a classmate with the side they were given, if any, or staff. */
export type Addressed = { person: PersonId; staff: boolean; side?: Side | null };

/** What counting needs to know of one of the student's own posts. Versions are oldest first, at least one. */
export type OwnPost = {
  id: PostId;
  kind: PostKind;
  to: Addressed | null;
  private: boolean;
  withdrawn: boolean;
  hidden: boolean;
  versions: Version[];
};

/** Something begun and not shared. */
export type Begun = { kind: PostKind; to: Addressed | null; private?: boolean };

export type CountingRules = {
  /** `false`: no response is owed. */
  response?: boolean;
  replies: {
    count: number;
    distinctPeers: boolean;
    distinctDays?: number;
    staffCount: boolean;
    /** Only replies to the other side count. */
    otherSide?: boolean;
  };
  sealed: boolean;
};

export type LedgerInput = {
  student: PersonId;
  rules: CountingRules;
  schedule: Schedule;
  posts: readonly OwnPost[];
  begun: Begun[];
  excused: boolean;
  /** The side that was given to this student, where sides are given. */
  side?: Side | null;
  now: Instant;
};

/**
 * States of an obligation. Who moves it: the student by beginning (`draft`) and sharing (`counted`, `short`, `late`),
 * the clock (`missed`), staff (`excused`).
 */
export type ObligationState = 'owed' | 'draft' | 'counted' | 'short' | 'late' | 'missed' | 'excused';

export type Obligation = {
  kind: PostKind;
  /** 1 for the response; 1 to N for the replies. */
  n: number;
  state: ObligationState;
  deadline: Deadline;
  /** The post that stands for it, when one does. */
  post: PostId | null;
  /** The moment of the version that stands for it. */
  at: Instant | null;
  unmet: CheckId[];
  penaltyPercent: number;
  /** Set on replies that can no longer be written because the response was missed and the discussion is sealed. */
  barred: boolean;
};

export type NotCounted =
  | 'withdrawn'
  | 'hidden'
  | 'private'
  | 'to-self'
  | 'to-staff'
  | 'same-side'
  | 'not-asked'
  | 'further-response'
  | 'before-response'
  | 'same-classmate'
  | 'same-day'
  | 'enough-already'
  | 'too-late'
  | 'short';

/** What became of a post: what it counts as, or why it does not. */
export type Verdict = {
  post: PostId;
  kind: PostKind;
  counted: boolean;
  reason: 'counted' | 'late' | NotCounted;
  /** The number of the obligation it stands for. */
  n: number | null;
  at: Instant;
  unmet: CheckId[];
  penaltyPercent: number;
  /** For `same-classmate` and `same-day`: the earlier post that stands in its way. */
  instead: PostId | null;
};

export type Ledger = {
  obligations: Obligation[];
  verdicts: Verdict[];
  /** Every obligation is counted, late or excused. */
  complete: boolean;
};

/** A ledger without its verdicts: all that a line about a discussion needs. */
export type Balance = Omit<Ledger, 'verdicts'>;
