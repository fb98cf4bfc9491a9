import ICAL from 'ical.js';
import { instant, type Instant } from '../ids';
import { endOf, type Event, type Length } from './events';
import { readTime, type TimeZoneReader } from './moments';

/** What is wrong with a rule; `endless` says only that what it gives beyond the window is left out. */
export type RuleProblem = { code: 'bad-rule' | 'too-often' | 'endless'; line: number; title: string };

/** One time at which something takes place. */
export type Occurrence = { start: Instant; end: Instant; title: string };

/**
 * Steps of a recurrence that are walked, and of all together; a rule that needs more to come into the window repeats too
 * often to be meant.
 */
const MOST_STEPS = 20_000;
export const MOST_STEPS_IN_ALL = 100_000;
/** No rule that somebody means counts more days, weeks, months or years from one time to the next. */
const LONGEST_INTERVAL = 1_000;
const MOST_DAYS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const DAY_MS = 86_400_000;
/** Nothing takes longer than this. */
const LONGEST_MS = 366 * DAY_MS;

/**
 * Why a rule is not walked at all: a step of it could go on for ever, because it names a day that no month has, steps over
 * all time at once, or looks at every hour, minute or second for one of certain days.
 */
function unwalkable(recur: ICAL.Recur): 'bad-rule' | 'too-often' | null {
  const { interval, parts } = recur;
  const freq = String(recur.freq);
  if (!(interval >= 1 && interval <= LONGEST_INTERVAL)) return 'bad-rule';
  const months = (parts.BYMONTH ?? MOST_DAYS.map((_, i) => i + 1)).map(Number);
  const days = (parts.BYMONTHDAY ?? []).map((d) => Math.abs(Number(d)));
  if (days.length && !months.some((m) => days.some((d) => d >= 1 && d <= (MOST_DAYS[m - 1] ?? 0))))
    return 'bad-rule';
  return /^(?:SECONDLY|MINUTELY|HOURLY)$/u.test(freq) && Object.keys(parts).length > 0 ? 'too-often' : null;
}

/**
 * The last moment of a rule. UNTIL is a moment of its own, mostly in UTC, and no time of the event's clock; a date is the whole of
 * that day.
 */
function lastOf(event: Event, recur: ICAL.Recur): Instant | null {
  if (!recur.until) return null;
  const said = /UNTIL=([^;]+)/iu.exec(event.rule?.value ?? '')?.[1] ?? '';
  const time = readTime(said);
  if (!time) return null;
  if (time.isDate) return instant(endOf(time, event.at, { days: 1, ms: 0 }) - 1);
  return /Z$/iu.test(said.trim())
    ? instant(Date.UTC(time.year, time.month - 1, time.day, time.hour, time.minute, time.second))
    : event.at(time);
}

type Step = { time: ICAL.Time; at: TimeZoneReader; length: Length };
type Window = { from: Instant; to: Instant };

const WEEKDAYS = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'];
/** On which day, counted since 1970, the week of a date begins. */
const weekBegins = (year: number, month: number, date: number, first: number) => {
  const day = Date.UTC(year, month - 1, date) / DAY_MS;
  // The epoch was a Thursday.
  return day - ((((day + 4 - first) % 7) + 7) % 7);
};

/**
 * A rule of certain weeks of the year (BYWEEKNO), which the library walks wrongly: as a rule of every week, and whether a time of that is in
 * one of them. The first week of a year is the one that has four of its days (RFC 5545 §3.3.10).
 */
function byWeeks(recur: ICAL.Recur, start: ICAL.Time): (time: ICAL.Time) => boolean {
  const weeks = (recur.parts.BYWEEKNO ?? []).map(Number);
  const every = recur.interval;
  const first = Math.max(0, WEEKDAYS.indexOf(/WKST=(\w\w)/iu.exec(recur.toString())?.[1] ?? 'MO'));
  delete recur.parts.BYWEEKNO;
  recur.freq = 'WEEKLY' as typeof recur.freq;
  recur.interval = 1;
  const yearOf = (begin: number) => new Date((begin + 3) * DAY_MS).getUTCFullYear();
  const begins = (year: number) => weekBegins(year, 1, 4, first);
  const startYear = yearOf(weekBegins(start.year, start.month, start.day, first));
  return (time) => {
    const begin = weekBegins(time.year, time.month, time.day, first);
    const year = yearOf(begin);
    const n = (begin - begins(year)) / 7 + 1;
    const back = n - 1 - (begins(year + 1) - begins(year)) / 7;
    return (weeks.includes(n) || weeks.includes(back)) && (year - startYear) % every === 0;
  };
}

/** The times that an event's rule gives, so far as they can be in the window. */
function byRule(
  event: Event,
  window: Window,
  budget: { steps: number },
): { times: ICAL.Time[]; problem: RuleProblem | null } {
  const { title, rule } = event;
  if (!rule) return { times: [event.start], problem: null };
  const problem = (code: RuleProblem['code']) => ({ code, line: rule.line, title });
  let recur: ICAL.Recur;
  try {
    recur = ICAL.Recur.fromString(rule.value.trim().replace(/;+$/u, ''));
  } catch {
    return { times: [event.start], problem: problem('bad-rule') };
  }
  const refused = unwalkable(recur);
  if (refused) return { times: [event.start], problem: problem(refused) };
  const last = lastOf(event, recur);
  const endless = !recur.count && last === null;
  // Compared here, as a moment: the library would compare it with the event's clock.
  recur.until = null;
  const isMeant = recur.parts.BYWEEKNO ? byWeeks(recur, event.start) : () => true;
  let left = recur.count ?? Infinity;
  recur.count = null;
  const times: ICAL.Time[] = [];
  const longest = Math.min(event.length.days * DAY_MS + event.length.ms, LONGEST_MS);
  try {
    const iterator = recur.iterator(event.start);
    for (let steps = 0; ; steps += 1) {
      const time = iterator.next();
      if (!time) break;
      budget.steps -= 1;
      if (!isMeant(time) && steps < MOST_STEPS && budget.steps >= 0) continue;
      left -= 1;
      if (left < 0) break;
      // Asking for the exact moment is dear, and most steps of an old rule are years before the window.
      const rough = Date.UTC(time.year, time.month - 1, time.day, time.hour);
      if (last !== null && rough - 2 * DAY_MS > last) break;
      const spent = steps >= MOST_STEPS || budget.steps < 0;
      if (rough + longest + 2 * DAY_MS < window.from && !spent) continue;
      const start = event.at(time);
      if (start >= window.to || (last !== null && start > last)) break;
      if (spent) return { times, problem: problem('too-often') };
      times.push(time.clone());
    }
  } catch {
    return { times, problem: problem('bad-rule') };
  }
  return { times, problem: endless ? problem('endless') : null };
}

/** How far a single time of a series was moved, by its clock. */
const moved = (change: Event) => {
  const ms = (t: ICAL.Time) => Date.UTC(t.year, t.month - 1, t.day, t.hour, t.minute, t.second);
  return change.replaces ? (ms(change.start) - ms(change.replaces.time)) / 1_000 : 0;
};

/** The same step as a change of it and of all that follow makes it. */
function changedBy(change: Event, step: Step): Step {
  const time = step.time.clone();
  time.adjust(0, 0, 0, moved(change));
  return { time, at: change.at, length: change.length };
}

/**
 * When an event takes place within the window: what its rule gives and what is added to that, each moment once, without what is
 * excepted, and without what `changes` stand in place of. One of those that holds for all that follow moves them as well.
 *
 * @param changes the events of the same series that stand in place of some of its times, whether they take up time or not
 * @param budget the steps that all rules of a file may still take; counted down
 * @example a daily event, of which the second time was called off, takes place on the first, the third and so on
 */
export function occurrences(
  event: Event,
  changes: readonly Event[],
  window: Window,
  budget: { steps: number },
): { found: Occurrence[]; problem: RuleProblem | null } {
  const { times, problem } = byRule(event, window, budget);
  const steps = new Map<number, Step>();
  for (const time of times) steps.set(event.at(time), { time, at: event.at, length: event.length });
  for (const { time, at, length } of event.added)
    if (length || !steps.has(at(time))) steps.set(at(time), { time, at, length: length ?? event.length });
  for (const { time, at } of event.except) steps.delete(at(time));
  const replaced = new Set(changes.flatMap((c) => (c.replaces ? [c.replaces.start] : [])));
  const onwards = changes.filter((c) => c.replaces?.onwards);
  const found: Occurrence[] = [];
  for (const [original, step] of steps) {
    if (replaced.has(instant(original))) continue;
    const change = onwards.findLast((c) => c.replaces && c.replaces.start <= original);
    if (change?.free) continue;
    const { time, at, length } = change ? changedBy(change, step) : step;
    const start = at(time);
    const end = instant(Math.min(endOf(time, at, length), start + LONGEST_MS));
    if (end > start && start < window.to && end > window.from)
      found.push({ start, end, title: (change ?? event).title });
  }
  return { found, problem };
}
