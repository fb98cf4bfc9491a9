import type { Instant } from '../ids';
import { blocks, type Block } from './blocks';
import { endOf, listed, readEvent, titleOf, type Event, type EventProblem, type Zones } from './events';
import { contentLines } from './lines';
import { describedZones } from './moments';
import { MOST_STEPS_IN_ALL, occurrences, type Occurrence, type RuleProblem } from './series';

export type ImportedTime = Occurrence;

/** What was wrong with a file, with the line it stands on. `endless` and `cut` say how much was taken. */
export type ImportProblem =
  | { code: 'not-a-calendar'; line: number }
  | { code: 'broken-line'; line: number }
  | { code: 'unclosed'; line: number }
  | EventProblem
  | RuleProblem
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
const MOST_PROBLEMS = 200;

type Window = { from: Instant; to: Instant; zone: string };

/** The times that a VFREEBUSY says somebody is busy in. */
function busyTimes(block: Block, zones: Zones, window: Window): ImportedTime[] {
  const lines = block.lines.filter(
    (l) => l.name === 'FREEBUSY' && l.params.get('FBTYPE')?.toUpperCase() !== 'FREE',
  );
  const title = titleOf(block);
  return listed(lines, zones).flatMap(({ time, at, length }) => {
    const start = at(time);
    const end = length ? endOf(time, at, length) : start;
    return end > start && start < window.to && end > window.from ? [{ start, end, title }] : [];
  });
}

/** The changes of each series; of two of the same time the later sequence is the one that holds. */
function changesBySeries(events: readonly Event[]): Map<string, Event[]> {
  const series = new Map<string, Event[]>();
  for (const event of events) {
    if (!event.replaces) continue;
    series.set(event.uid, [...(series.get(event.uid) ?? []), event]);
  }
  for (const [uid, changes] of series) {
    const latest = new Map<number, Event>();
    for (const change of changes) {
      const at = change.replaces?.start ?? change.line;
      const before = latest.get(at);
      if (!before || change.sequence >= before.sequence) latest.set(at, change);
    }
    series.set(
      uid,
      [...latest.values()].sort((a, b) => (a.replaces?.start ?? 0) - (b.replaces?.start ?? 0)),
    );
  }
  return series;
}

/**
 * What an iCalendar file (RFC 5545) says a person is busy with, within a window of time. Files come broken: whatever is
 * sound is taken, and everything that is not is named with its line. Events that take up no time (cancelled, or marked
 * as free) are read and left out; so is the time of a series that one of them stands in place of. Times without a zone are the reader's own.
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

  const zones: Zones = { described: describedZones(found), own: window.zone };
  const events: Event[] = [];
  const busy: ImportedTime[] = [];
  let read = 0;
  for (const block of found) {
    if (block.kind !== 'VEVENT' && block.kind !== 'VFREEBUSY') continue;
    if (read >= MOST_EVENTS) {
      say({ code: 'too-many', line: block.line });
      break;
    }
    const event = block.kind === 'VEVENT' ? readEvent(block, zones) : null;
    if (event && 'code' in event) {
      say(event);
      continue;
    }
    read += 1;
    if (event) events.push(event);
    else busy.push(...busyTimes(block, zones, window));
  }
  const changes = changesBySeries(events);
  const budget = { steps: MOST_STEPS_IN_ALL };
  for (const event of events) {
    const ofSeries = changes.get(event.uid) ?? [];
    if (event.free || (event.replaces && !ofSeries.includes(event))) continue;
    const { found: times, problem } = occurrences(event, event.replaces ? [] : ofSeries, window, budget);
    if (problem) say(problem);
    busy.push(...times);
    if (busy.length >= MOST_TIMES) {
      say({ code: 'too-many', line: event.line });
      break;
    }
  }
  return {
    busy: busy.slice(0, MOST_TIMES).sort((a, b) => a.start - b.start || a.end - b.end),
    problems: problems.sort((a, b) => a.line - b.line),
    events: read,
  };
}
