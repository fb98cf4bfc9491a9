import ICAL from 'ical.js';
import { instant, type Instant } from '../ids';
import { blocks, type Block } from './blocks';
import { contentLines, type ContentLine } from './lines';
import { describedZones, readTime, zoneOf, type TimeZoneReader } from './moments';

export type ImportedTime = { start: Instant; end: Instant; title: string };

/** What was wrong with a file, with the line it stands on. `endless` and `cut` say how much was taken. */
export type ImportProblem =
  | { code: 'not-a-calendar'; line: number }
  | { code: 'broken-line'; line: number }
  | { code: 'unclosed'; line: number }
  | { code: 'no-start'; line: number; title: string }
  | { code: 'bad-time'; line: number; value: string }
  | { code: 'unknown-zone'; line: number; zone: string }
  | { code: 'ends-before-start'; line: number; title: string }
  | { code: 'bad-rule'; line: number; title: string }
  | { code: 'too-often'; line: number; title: string }
  | { code: 'endless'; line: number; title: string }
  | { code: 'too-many'; line: number }
  | { code: 'cut'; line: number };

export type Imported = {
  busy: ImportedTime[];
  problems: ImportProblem[];
  /** Events that were read soundly, those that take up no time among them. */
  events: number;
};

/** A file may say this much; beyond it the rest is left out, with the line it begins on. */
const MOST_EVENTS = 5_000;
const MOST_TIMES = 10_000;
/**
 * Steps of a recurrence that are walked, and of all together; a rule that needs more to come into the window repeats too
 * often to be meant.
 */
const MOST_STEPS = 20_000;
const MOST_STEPS_IN_ALL = 100_000;
const MOST_PROBLEMS = 200;
const DAY_MS = 86_400_000;
const YEAR_MS = 366 * DAY_MS;

type Window = { from: Instant; to: Instant; zone: string };
type Event = {
  uid: string;
  title: string;
  line: number;
  start: ICAL.Time;
  at: TimeZoneReader;
  lengthMs: number;
  rule: ContentLine | null;
  added: ContentLine[];
  except: ContentLine[];
  replaces: Instant | null;
};

const DURATION = /^\+?P(?:(\d+)W|(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?)$/u;

function durationMs(value: string): number | null {
  const m = DURATION.exec(value.trim());
  if (!m) return null;
  const [w = 0, d = 0, h = 0, min = 0, s = 0] = m.slice(1).map((p) => Number(p ?? 0));
  return ((((w * 7 + d) * 24 + h) * 60 + min) * 60 + s) * 1_000;
}

const words = (value: string) =>
  value
    .replace(/\\n/giu, ' ')
    .replace(/\\([,;\\])/gu, '$1')
    .replace(/\s+/gu, ' ')
    .trim()
    .slice(0, 200);

/** One event's own lines as a value, or what is wrong with it; null for an event that takes up no time. */
function readEvent(
  block: Block,
  described: Map<string, ICAL.Timezone>,
  own: string,
): Event | ImportProblem | null {
  const line = (name: string) => block.lines.find((l) => l.name === name) ?? null;
  const all = (name: string) => block.lines.filter((l) => l.name === name);
  const title = words(line('SUMMARY')?.value ?? '') || 'Busy';
  const said = (name: string) => line(name)?.value.trim().toUpperCase();
  if (said('STATUS') === 'CANCELLED' || said('TRANSP') === 'TRANSPARENT') return null;
  const dtstart = line('DTSTART');
  if (!dtstart) return { code: 'no-start', line: block.line, title };
  const start = readTime(dtstart.value);
  if (!start) return { code: 'bad-time', line: dtstart.line, value: dtstart.value.slice(0, 60) };
  const at = zoneOf(dtstart, described, own);
  if (!at) return { code: 'unknown-zone', line: dtstart.line, zone: dtstart.params.get('TZID') ?? '' };

  let lengthMs = start.isDate ? DAY_MS : 0;
  const dtend = line('DTEND');
  const duration = line('DURATION');
  if (dtend) {
    const end = readTime(dtend.value);
    if (!end) return { code: 'bad-time', line: dtend.line, value: dtend.value.slice(0, 60) };
    const atEnd = zoneOf(dtend, described, own);
    if (!atEnd) return { code: 'unknown-zone', line: dtend.line, zone: dtend.params.get('TZID') ?? '' };
    lengthMs = atEnd(end) - at(start);
    if (lengthMs < 0) return { code: 'ends-before-start', line: dtend.line, title };
  } else if (duration) {
    const ms = durationMs(duration.value);
    if (ms === null) return { code: 'bad-time', line: duration.line, value: duration.value.slice(0, 60) };
    lengthMs = ms;
  }
  const replaces = line('RECURRENCE-ID');
  const original = replaces && readTime(replaces.value);
  const atOriginal = replaces && zoneOf(replaces, described, own);
  return {
    uid: line('UID')?.value.trim() ?? `line ${block.line}`,
    title,
    line: block.line,
    start,
    at,
    lengthMs,
    rule: line('RRULE'),
    added: all('RDATE'),
    except: all('EXDATE'),
    replaces: original && atOriginal ? atOriginal(original) : null,
  };
}

/** The moments listed by RDATE or EXDATE lines. */
function listed(
  lines: readonly ContentLine[],
  described: Map<string, ICAL.Timezone>,
  own: string,
): Instant[] {
  return lines.flatMap((l) => {
    const at = zoneOf(l, described, own);
    return l.value.split(',').flatMap((value) => {
      const time = readTime(value.split('/')[0] ?? '');
      return time && at ? [at(time)] : [];
    });
  });
}

/** No rule that somebody means counts more days, weeks, months or years from one time to the next. */
const LONGEST_INTERVAL = 1_000;
const MOST_DAYS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

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

/** When an event takes place within the window, and what is to be said about its rule. */
function occurrences(
  event: Event,
  window: Window,
  budget: { steps: number },
): { starts: Instant[]; problem: ImportProblem | null } {
  const { title } = event;
  if (!event.rule) return { starts: [event.at(event.start)], problem: null };
  const at = event.rule.line;
  let recur: ICAL.Recur;
  try {
    recur = ICAL.Recur.fromString(event.rule.value.trim().replace(/;+$/u, ''));
  } catch {
    return { starts: [event.at(event.start)], problem: { code: 'bad-rule', line: at, title } };
  }
  const refused = unwalkable(recur);
  if (refused) return { starts: [event.at(event.start)], problem: { code: refused, line: at, title } };
  const starts: Instant[] = [];
  try {
    const iterator = recur.iterator(event.start);
    for (let steps = 0; ; steps += 1) {
      const time = iterator.next();
      if (!time) break;
      budget.steps -= 1;
      // Asking for the exact moment is dear, and most steps of an old rule are years before the window.
      const rough = Date.UTC(time.year, time.month - 1, time.day, time.hour);
      const spent = steps >= MOST_STEPS || budget.steps < 0;
      if (rough + event.lengthMs + 2 * DAY_MS < window.from && !spent) continue;
      const start = event.at(time);
      if (start >= window.to) break;
      if (spent) return { starts, problem: { code: 'too-often', line: at, title } };
      if (start + event.lengthMs > window.from) starts.push(start);
    }
  } catch {
    return { starts, problem: { code: 'bad-rule', line: at, title } };
  }
  const endless = !recur.count && !recur.until;
  return { starts, problem: endless ? { code: 'endless', line: at, title } : null };
}

/**
 * What an iCalendar file (RFC 5545) says a person is busy with, within a window of time. Files come broken: whatever is
 * sound is taken, and everything that is not is named with its line. Events that take up no time (cancelled, or marked
 * as free) are read and left out. Times without a zone are the reader's own.
 *
 * @param cut whether only the beginning of the file is given, because the whole is too large
 *
 * @example a file that is no calendar gives `{ busy: [], problems: [{ code: 'not-a-calendar', line: 1 }], events: 0 }`
 */
export function importBusy(text: string, window: Window, cut = false): Imported {
  const problems: ImportProblem[] = [];
  const say = (problem: ImportProblem) => {
    if (problems.length < MOST_PROBLEMS) problems.push(problem);
  };
  const { lines, broken } = contentLines(text);
  const { calendar, found, unclosed } = blocks(lines);
  if (!calendar)
    return { busy: [], problems: [{ code: 'not-a-calendar', line: lines[0]?.line ?? 1 }], events: 0 };
  for (const { line } of broken) say({ code: 'broken-line', line });
  const lastLine = text.split(/\r\n|\n|\r/u).length;
  if (cut) say({ code: 'cut', line: lastLine });
  for (const { kind, line } of unclosed) if (kind === 'VEVENT' && !cut) say({ code: 'unclosed', line });

  const described = describedZones(found);
  const events: Event[] = [];
  let read = 0;
  for (const block of found) {
    if (block.kind !== 'VEVENT') continue;
    if (read >= MOST_EVENTS) {
      say({ code: 'too-many', line: block.line });
      break;
    }
    const event = readEvent(block, described, window.zone);
    if (event && 'code' in event) say(event);
    else {
      read += 1;
      if (event) events.push(event);
    }
  }
  const replaced = new Map<string, Set<number>>();
  for (const e of events) {
    if (e.replaces !== null) replaced.set(e.uid, (replaced.get(e.uid) ?? new Set()).add(e.replaces));
  }
  const busy: ImportedTime[] = [];
  const budget = { steps: MOST_STEPS_IN_ALL };
  for (const event of events) {
    const { starts, problem } = occurrences(event, window, budget);
    if (problem) say(problem);
    const gone = new Set<number>([
      ...listed(event.except, described, window.zone),
      ...(event.replaces === null ? (replaced.get(event.uid) ?? []) : []),
    ]);
    const lengthMs = Math.min(event.lengthMs, YEAR_MS);
    for (const start of [...starts, ...listed(event.added, described, window.zone)]) {
      if (lengthMs === 0 || gone.has(start) || start >= window.to || start + lengthMs <= window.from)
        continue;
      if (busy.length >= MOST_TIMES) break;
      busy.push({ start, end: instant(start + lengthMs), title: event.title });
    }
    if (busy.length >= MOST_TIMES) {
      say({ code: 'too-many', line: event.line });
      break;
    }
  }
  return {
    busy: busy.sort((a, b) => a.start - b.start || a.end - b.end),
    problems: problems.sort((a, b) => a.line - b.line),
    events: read,
  };
}
