import type { Deadline } from '../deadlines/late';
import { postId, type Instant } from '../ids';
import type { Begun, LedgerInput, NotCounted, OwnPost } from './types';
import { judgeVersion, type JudgedVersion } from './version';

/** A post with the version of it that counts. */
export type Judged = { post: OwnPost; judged: JudgedVersion };

/** What somebody shared and began in a discussion, told apart by what it may be. */
export type Classified = {
  /** All that was shared, oldest first, each with why it can stand for nothing, or null. */
  posts: { post: OwnPost; out: NotCounted | null }[];
  /** The response that is judged: the first that may stand. */
  response: Judged | null;
  /** Replies that may fill an obligation, late ones among them. */
  replies: Judged[];
  /** Drafts that would count if they were shared now. */
  drafts: OwnPost[];
  /** Replies can never count any more: the seal was to be opened by a response that can no longer come (rule 4). */
  barred: boolean;
};

/** @example deadlineOf(input, 'reply') // input.schedule.replies */
export const deadlineOf = ({ schedule }: LedgerInput, kind: OwnPost['kind']): Deadline =>
  kind === 'response' ? schedule.response : schedule.replies;

/**
 * When a post was first shared. Throws for one without a version: the database holds none.
 * @example sharedAt({ versions: [{ at: 5, … }, { at: 9, … }], … }) // 5
 */
export const sharedAt = (post: OwnPost): Instant => {
  const first = post.versions[0];
  if (!first) throw new Error(`post ${post.id} has no version`);
  return first.at;
};

/**
 * Judges the version of a post that counts (rule 8).
 * @example a response shared a day late where 10 % a day are taken is judged `{ quality: 'late', penaltyPercent: 10, … }`
 */
export const judge = (input: LedgerInput, post: OwnPost): Judged => ({
  post,
  judged: judgeVersion(post, deadlineOf(input, post.kind), input.schedule.late),
});

/** A reply to a classmate who was given the same side, where only the other side's are to be answered. */
const isOfOneSide = ({ rules, side }: LedgerInput, { to }: OwnPost) =>
  rules.replies.otherSide === true && !to?.staff && side != null && to?.side === side;

/** Why a post can stand for nothing, whatever else was shared (rules 1, 2 and 4); null when it may. */
function outOfCount(
  input: LedgerInput,
  post: OwnPost,
  responseAt: Instant | null,
  at: Instant,
): NotCounted | null {
  if (post.withdrawn) return 'withdrawn';
  if (post.hidden) return 'hidden';
  if (post.private) return 'private';
  if (post.kind === 'response') return input.rules.response === false ? 'not-asked' : null;
  if (post.to?.person === input.student) return 'to-self';
  if (post.to?.staff && !input.rules.replies.staffCount) return 'to-staff';
  if (isOfOneSide(input, post)) return 'same-side';
  if (input.rules.sealed && (responseAt === null || at < responseAt)) return 'before-response';
  return null;
}

const byTime = (a: OwnPost, b: OwnPost) => sharedAt(a) - sharedAt(b) || a.id - b.id;

/** A draft is judged as if it were shared now, so that only one which could count is drawn into the tally. */
const asPost = (begun: Begun, index: number, now: Instant): OwnPost => ({
  id: postId(-1 - index),
  kind: begun.kind,
  to: begun.to,
  private: begun.private ?? false,
  withdrawn: false,
  hidden: false,
  versions: [{ at: now, unmet: [] }],
});

/**
 * Tells apart what somebody shared and began: what may be the response, what may be a counted reply, and what is neither.
 * @example a reply to oneself is neither the response nor a reply that may count
 */
export function classify(input: LedgerInput): Classified {
  const { rules, schedule, now } = input;
  const posts = [...input.posts].sort(byTime);
  const responses = posts.filter((p) => p.kind === 'response');
  const theResponse = responses.find((p) => outOfCount(input, p, null, now) === null);
  // A reply follows one's own response (rule 4): one that was withdrawn is none, one that staff have hidden since is.
  const stood = responses.find((p) => !p.withdrawn);
  const responseAt = stood ? sharedAt(stood) : null;
  const seen = posts.map((post) => ({ post, out: outOfCount(input, post, responseAt, sharedAt(post)) }));
  const barred = rules.sealed && !theResponse && now >= schedule.response.closes && responseAt === null;
  return {
    posts: seen,
    response: theResponse ? judge(input, theResponse) : null,
    replies: seen
      .filter(({ post, out }) => post.kind === 'reply' && out === null)
      .map(({ post }) => judge(input, post))
      .filter((j) => j.judged.quality !== 'too-late'),
    drafts: input.begun
      .map((b, i) => asPost(b, i, now))
      .filter(
        (p) =>
          now < deadlineOf(input, p.kind).closes &&
          outOfCount(input, p, responseAt ?? now, now) === null &&
          !(barred && p.kind === 'reply'),
      ),
    barred,
  };
}
