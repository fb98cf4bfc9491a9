import type { Brief } from '../brief/brief';
import type { Balance, Obligation } from '../counting/types';
import { dayIn } from '../deadlines/day';
import type { Schedule } from '../deadlines/schedule';
import { daysLater, instantOf } from '../deadlines/wallclock';
import { instant, type Instant } from '../ids';
import type { Pace } from './pace';
import type { Task } from './plan';
import { replyWork, responseWork, type Work } from './work';

/** One thing to plan for: an obligation of a discussion, with how long it is likely to take. */
export type Assignment = Task & {
  slug: string;
  kind: 'response' | 'reply';
  /** 1 for the response, 1 to N for the replies. */
  n: number;
  work: Work;
};

export type PlannedDiscussion = {
  slug: string;
  brief: Brief;
  schedule: Schedule;
  ledger: Balance;
  draftWords: number;
  /** Words of the week's readings that are not read yet. */
  wordsToRead: number;
};

const OPEN = new Set(['owed', 'draft']);

/** The window of the i-th of so many replies that must fall on different days: the days left, dealt out evenly. */
function dayWindow(
  from: Instant,
  to: Instant,
  i: number,
  of: number,
  zone: string,
): { from: Instant; to: Instant } {
  const days: Instant[] = [from];
  for (
    let day = daysLater(`${dayIn(from, zone)}T00:00`, 1);
    instantOf(day, zone) < to;
    day = daysLater(day, 1)
  ) {
    days.push(instantOf(day, zone));
  }
  if (days.length < of) return { from, to };
  const first = days[Math.floor((i * days.length) / of)] ?? from;
  const next = days[Math.floor(((i + 1) * days.length) / of)];
  return { from: first, to: i + 1 < of && next ? instant(Math.min(next, to)) : to };
}

/**
 * The tasks a discussion still makes: what is owed or begun and can still be met, from its opening (or now) to its
 * deadline, or to the end of the late days where the deadline is past. A response that is behind its seal comes
 * before its replies by its earlier deadline.
 *
 * @example a response owed by Thursday and three replies by Sunday: four tasks with those deadlines
 */
export function assignmentsOf(d: PlannedDiscussion, pace: Pace, now: Instant): Assignment[] {
  const from = instant(Math.max(now, d.schedule.opens));
  const endOf = (o: Obligation) => (now < o.deadline.due ? o.deadline.due : o.deadline.closes);
  const open = d.ledger.obligations.filter((o) => OPEN.has(o.state) && now < o.deadline.closes);
  const replies = open.filter((o) => o.kind === 'reply');
  const days = d.brief.replies.distinctDays ?? 0;
  // Days cannot be dealt out to replies before it is known when the response is there to follow.
  const response = open.find((o) => o.kind === 'response');
  const after = response ? endOf(response) : from;
  const apart = days > 1 ? Math.min(days, replies.length) : 0;
  return open.map((o): Assignment => {
    const base = { slug: d.slug, kind: o.kind, n: o.n, id: `${d.slug} ${o.kind} ${o.n}` };
    if (o.kind === 'response') {
      const work = responseWork(
        { rules: d.brief.response, wordsWritten: d.draftWords, wordsToRead: d.wordsToRead },
        pace,
      );
      return { ...base, work, minutes: work.likely, release: from, deadline: endOf(o) };
    }
    const work = replyWork(d.brief.replies, pace);
    const i = replies.indexOf(o);
    const window = i < apart ? dayWindow(after, endOf(o), i, apart, d.schedule.zone) : { from, to: endOf(o) };
    return { ...base, work, minutes: work.likely, release: window.from, deadline: window.to };
  });
}
