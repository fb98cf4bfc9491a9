import type { Instant } from '../ids';
import { spreadOf, type Spread } from '../marks/spread';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** What is counted of one discussion of a course. */
export type DiscussionFacts = {
  /** Students who owe something in it. */
  owing: number;
  /** Of these, how many shared a response that stands; how many met all they owed. */
  responded: number;
  complete: number;
  /** Responses that stand: when shared, when first answered by somebody else, and with how many replies. */
  responses: readonly { at: Instant; firstReply: Instant | null; replies: number }[];
  /** Points of marks that are released. */
  points: readonly number[];
};

/** How one discussion went, for its staff. */
export type HowItGoes = {
  /** In percent of those who owe something; null where nobody does. */
  participation: number | null;
  complete: number | null;
  responses: number;
  /** Responses nobody has answered. */
  unanswered: number;
  /** Replies for each response, to the tenth; null without responses. */
  repliesEach: number | null;
  /** Hours to the first reply, the middle of those answered, to the tenth. */
  firstReplyHours: number | null;
  spread: Spread | null;
};

const percent = (n: number, of: number): number | null => (of > 0 ? Math.round((n / of) * 100) : null);
const tenth = (n: number): number => Math.round(n * 10) / 10;

/** @example middleOf([1, 9, 2]) // 2 */
const middleOf = (numbers: readonly number[]): number | null => {
  const sorted = [...numbers].sort((a, b) => a - b);
  const half = (sorted.length - 1) / 2;
  const [low, high] = [sorted[Math.floor(half)], sorted[Math.ceil(half)]];
  return low === undefined || high === undefined ? null : (low + high) / 2;
};

/**
 * How a discussion went: participation, replies and how long the first took, and how its marks are spread.
 * @example two of four who owe something responded: { participation: 50, … }
 */
export function howItGoes(facts: DiscussionFacts): HowItGoes {
  const { responses } = facts;
  const waits = responses.flatMap((r) => (r.firstReply === null ? [] : [(r.firstReply - r.at) / HOUR_MS]));
  const middle = middleOf(waits);
  return {
    participation: percent(facts.responded, facts.owing),
    complete: percent(facts.complete, facts.owing),
    responses: responses.length,
    unanswered: responses.filter((r) => r.replies === 0).length,
    repliesEach: responses.length
      ? tenth(responses.reduce((n, r) => n + r.replies, 0) / responses.length)
      : null,
    firstReplyHours: middle === null ? null : tenth(middle),
    spread: spreadOf(facts.points),
  };
}

/** What somebody did in one discussion that is over, in the order of the course. */
export type Done = {
  /** Obligations met, of those owed; nothing owed where excused. */
  met: number;
  owed: number;
  /** Hours between their response and its deadline; negative after it; null without one. */
  hours: number | null;
};

/** A sign that somebody fades from a course. */
export type FadeSign =
  /** They met at most half of what they did before: so many of so many in the last discussions, and before those. */
  | { code: 'less'; now: [met: number, owed: number]; before: [met: number, owed: number] }
  /** Each of their last responses came closer to its deadline: hours of the first and of the last of these. */
  | { code: 'later'; from: number; to: number }
  /** They have not been here for so many days; null where they never were. */
  | { code: 'unseen'; days: number | null };

/** So many discussions are looked at, and as many before them. */
const LAST = 2;
const LATER_OVER = 3;
/** It is "later" only where it moved by so much in all. */
const LATER_BY_HOURS = 12;
const UNSEEN_DAYS = 7;
/** One sign may be a bad week. */
const SIGNS_THAT_SAY = 2;

const sum = (all: readonly Done[]): [number, number] => [
  all.reduce((n, d) => n + d.met, 0),
  all.reduce((n, d) => n + d.owed, 0),
];
const share = ([met, owed]: [number, number]): number => (owed > 0 ? met / owed : 0);

/**
 * The signs that somebody fades from a course, where at least two of three are seen: they do at most half of what they did, their responses
 * come later and later, and they have not been here for a week. It is a reason to write to them, and no measure of anybody.
 *
 * @param done their discussions that are over, the earliest first, without those in which they owed nothing
 * @example all met in weeks 1 to 4, nothing in 5 and 6, last seen ten days ago: 'less' and 'unseen'
 */
export function fadeSigns(done: readonly Done[], lastSeen: Instant | null, now: Instant): FadeSign[] {
  const signs: FadeSign[] = [];
  const last = done.slice(-LAST);
  const before = done.slice(-2 * LAST, -LAST);
  if (last.length === LAST && before.length > 0) {
    const [nowSum, thenSum] = [sum(last), sum(before)];
    if (thenSum[0] > 0 && share(nowSum) <= share(thenSum) / 2)
      signs.push({ code: 'less', now: nowSum, before: thenSum });
  }
  const hours = done.flatMap((d) => d.hours ?? []).slice(-LATER_OVER);
  const [from, to] = [hours[0], hours.at(-1)];
  if (
    hours.length === LATER_OVER &&
    from !== undefined &&
    to !== undefined &&
    hours.every((h, i) => i === 0 || h < (hours[i - 1] ?? h)) &&
    from - to >= LATER_BY_HOURS
  )
    signs.push({ code: 'later', from: Math.round(from), to: Math.round(to) });
  const days = lastSeen === null ? null : Math.floor((now - lastSeen) / DAY_MS);
  if (days === null || days >= UNSEEN_DAYS) signs.push({ code: 'unseen', days });
  return signs.length >= SIGNS_THAT_SAY ? signs : [];
}
