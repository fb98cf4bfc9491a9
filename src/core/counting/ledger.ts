import { dayIn } from '../deadlines/day';
import type { Deadline } from '../deadlines/late';
import { postId, type Instant, type PostId } from '../ids';
import { assign, type Candidate } from './assign';
import type {
  Begun,
  Ledger,
  LedgerInput,
  NotCounted,
  Obligation,
  ObligationState,
  OwnPost,
  Verdict,
} from './types';
import { standingVersion, type Standing } from './version';

const TIER = { met: 0, late: 1, short: 2, 'too-late': 3 } as const;
const DRAFT_TIER = 3;

type Judged = { post: OwnPost; standing: Standing };

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
  if (post.kind === 'response') return null;
  if (post.to?.person === input.student) return 'to-self';
  if (post.to?.staff && !input.rules.replies.staffCount) return 'to-staff';
  if (input.rules.sealed && (responseAt === null || at < responseAt)) return 'before-response';
  return null;
}

const sharedAt = (post: OwnPost): Instant => {
  const first = post.versions[0];
  if (!first) throw new Error(`post ${post.id} has no version`);
  return first.at;
};

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

function unfilled(deadline: Deadline, now: Instant, excused: boolean, barred: boolean): ObligationState {
  if (excused) return 'excused';
  return now >= deadline.closes || barred ? 'missed' : 'owed';
}

/**
 * A student's account in one discussion: a state for each thing owed, and for each post what it counts as or why it
 * does not (rules 1 to 5, 7 and 8 of counting). The same function speaks in the browser before sharing and on the
 * server afterwards.
 */
export function ledger(input: LedgerInput): Ledger {
  const { schedule, rules, now } = input;
  const deadlineOf = (post: OwnPost) => (post.kind === 'response' ? schedule.response : schedule.replies);
  const judge = (post: OwnPost): Judged => ({
    post,
    standing: standingVersion(post, deadlineOf(post), schedule.late),
  });

  const posts = [...input.posts].sort(byTime);
  const responses = posts.filter((p) => p.kind === 'response');
  const theResponse = responses.find((p) => outOfCount(input, p, null, now) === null) ?? null;
  // A reply follows one's own response (rule 4): one that was withdrawn is none, one that staff have hidden since is.
  const stood = responses.find((p) => !p.withdrawn);
  const responseAt = stood ? sharedAt(stood) : null;

  const response = theResponse ? judge(theResponse) : null;
  const candidates = posts
    .filter((p) => p.kind === 'reply' && outOfCount(input, p, responseAt, sharedAt(p)) === null)
    .map(judge)
    .filter((j) => j.standing.quality !== 'too-late');

  const responseGone = !response && now >= schedule.response.closes;
  const barred = rules.sealed && responseGone && responseAt === null;
  const drafts = input.begun
    .map((b, i) => asPost(b, i, now))
    .filter((p) => now < deadlineOf(p).closes && outOfCount(input, p, responseAt ?? now, now) === null);
  const draftReplies = barred ? [] : drafts.filter((p) => p.kind === 'reply');

  const toCandidate = (post: OwnPost, at: Instant, tier: number): Candidate => ({
    key: post.id,
    person: post.to?.person ?? '',
    // Asking the calendar is the dearest step here, and most briefs do not care.
    day: rules.replies.distinctDays ? dayIn(at, schedule.zone) : '',
    tier,
  });
  const ordered = [
    ...candidates
      .map((j) => ({ j, c: toCandidate(j.post, j.standing.version.at, TIER[j.standing.quality]) }))
      .sort(
        (a, b) =>
          a.c.tier - b.c.tier || a.j.standing.version.at - b.j.standing.version.at || a.c.key - b.c.key,
      )
      .map(({ c }) => c),
    ...draftReplies.map((p) => toCandidate(p, now, DRAFT_TIER)),
  ];
  const chosen = assign(ordered, rules.replies);

  const standingIn = (j: Judged, kind: 'response' | 'reply', n: number): Obligation => ({
    kind,
    n,
    state: j.standing.quality === 'met' ? 'counted' : j.standing.quality === 'late' ? 'late' : 'short',
    deadline: deadlineOf(j.post),
    post: j.post.id,
    at: j.standing.version.at,
    unmet: j.standing.version.unmet,
    penaltyPercent: j.standing.penaltyPercent,
    barred: false,
  });
  const open = (kind: 'response' | 'reply', n: number, draft: boolean): Obligation => {
    const deadline = kind === 'response' ? schedule.response : schedule.replies;
    const without = unfilled(deadline, now, input.excused, kind === 'reply' && barred);
    return {
      kind,
      n,
      state: without === 'owed' && draft ? 'draft' : without,
      deadline,
      post: null,
      at: null,
      unmet: [],
      penaltyPercent: 0,
      barred: kind === 'reply' && barred,
    };
  };

  const obligations: Obligation[] = [
    response && response.standing.quality !== 'too-late'
      ? standingIn(response, 'response', 1)
      : open(
          'response',
          1,
          drafts.some((p) => p.kind === 'response'),
        ),
  ];
  const filled = candidates
    .filter((j) => chosen.has(j.post.id))
    .sort((a, b) => {
      const short = (j: Judged) => (j.standing.quality === 'short' ? 1 : 0);
      return short(a) - short(b) || a.standing.version.at - b.standing.version.at || a.post.id - b.post.id;
    });
  const begunReplies = draftReplies.filter((p) => chosen.has(p.id)).length;
  for (let n = 1; n <= rules.replies.count; n += 1) {
    const j = filled[n - 1];
    obligations.push(j ? standingIn(j, 'reply', n) : open('reply', n, n <= filled.length + begunReplies));
  }

  const nOf = new Map<PostId, number>(obligations.flatMap((o) => (o.post === null ? [] : [[o.post, o.n]])));
  const verdicts = posts.map((post): Verdict => {
    const { standing } = judge(post);
    const n = nOf.get(post.id) ?? null;
    const base = {
      post: post.id,
      kind: post.kind,
      at: standing.version.at,
      unmet: standing.version.unmet,
      penaltyPercent: standing.penaltyPercent,
      instead: null,
    };
    const not = (reason: NotCounted, instead: PostId | null = null): Verdict => ({
      ...base,
      counted: false,
      reason,
      n: reason === 'short' ? n : null,
      instead,
    });
    const out = outOfCount(input, post, responseAt, sharedAt(post));
    if (out) return not(out);
    if (post.kind === 'response' && post.id !== theResponse?.id)
      return not('further-response', theResponse?.id);
    if (standing.quality === 'too-late') return not('too-late');
    if (n !== null) {
      if (standing.quality === 'short') return not('short');
      return { ...base, counted: true, reason: standing.quality === 'late' ? 'late' : 'counted', n };
    }
    const rival = (same: (other: Judged) => boolean) =>
      filled.find((j) => j.post.id !== post.id && same(j))?.post.id;
    const classmate = rules.replies.distinctPeers
      ? rival((j) => j.post.to?.person === post.to?.person)
      : undefined;
    if (classmate) return not('same-classmate', classmate);
    if (filled.length >= rules.replies.count) return not('enough-already');
    if (standing.quality === 'short') return not('short');
    const day = dayIn(standing.version.at, schedule.zone);
    return not('same-day', rival((j) => dayIn(j.standing.version.at, schedule.zone) === day) ?? null);
  });

  return {
    obligations,
    verdicts,
    complete: obligations.every((o) => o.state === 'counted' || o.state === 'late' || o.state === 'excused'),
  };
}
