import ICAL from 'ical.js';
import { instantOf, isTwofold, wallClockAt, type WallClock } from '../deadlines/wallclock';
import { instant, type Instant } from '../ids';
import { vtimezone } from './vtimezone';

/** One entry of a calendar in words, ready to be written down. */
export type FeedEvent = {
  uid: string;
  /** Grows by one each time anything a reader sees has changed (RFC 5545 §3.8.7.4). */
  sequence: number;
  changedAt: Instant;
  start: WallClock;
  zone: string;
  /** A deadline takes its one minute: it lasts to the minute's end, and readers need an end that is later. */
  minutes: number;
  summary: string;
  description: string;
  url: string;
  category: string;
  /** Minutes before the start at which a reader may ring. */
  alarms: number[];
  /** Whether the time is taken up (a sitting is; a deadline is not). */
  takesTime: boolean;
};

const YEAR_MS = 366 * 86_400_000;
const local = (wall: WallClock) => ICAL.Time.fromDateTimeString(`${wall.slice(0, 16)}:00`);
const utc = (at: Instant) => ICAL.Time.fromJSDate(new Date(Math.floor(at / 1_000) * 1_000), true);

function alarm(minutes: number, summary: string): ICAL.Component {
  const component = new ICAL.Component('valarm');
  component.addPropertyWithValue('action', 'DISPLAY');
  component.addPropertyWithValue('description', summary);
  component.addPropertyWithValue('trigger', ICAL.Duration.fromSeconds(-minutes * 60));
  return component;
}

/**
 * Whether every reader takes a time of a zone for the moment it is with us. A time that a clock shows twice means the later one here (rule 6), the earlier
 * one in RFC 5545 §3.3.5; one that no clock shows is read by some an hour before.
 */
const isPlain = (start: WallClock, zone: string) =>
  !isTwofold(start, zone) && wallClockAt(instantOf(start, zone), zone) === start;

/** A start that is not plain is written in UTC. */
function vevent(event: FeedEvent): ICAL.Component {
  const component = new ICAL.Component('vevent');
  component.addPropertyWithValue('uid', event.uid);
  component.addPropertyWithValue('dtstamp', utc(event.changedAt));
  component.addPropertyWithValue('last-modified', utc(event.changedAt));
  component.addPropertyWithValue('sequence', event.sequence);
  if (isPlain(event.start, event.zone)) {
    const start = component.addPropertyWithValue('dtstart', local(event.start));
    start.setParameter('tzid', event.zone);
  } else {
    component.addPropertyWithValue('dtstart', utc(instantOf(event.start, event.zone)));
  }
  component.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(event.minutes * 60));
  component.addPropertyWithValue('summary', event.summary);
  component.addPropertyWithValue('description', event.description);
  component.addPropertyWithValue('url', event.url);
  component.addPropertyWithValue('categories', event.category);
  component.addPropertyWithValue('transp', event.takesTime ? 'OPAQUE' : 'TRANSPARENT');
  component.addPropertyWithValue('status', 'CONFIRMED');
  for (const minutes of event.alarms) component.addSubcomponent(alarm(minutes, event.summary));
  return component;
}

/**
 * An iCalendar stream (RFC 5545) of the events, with the zones they stand in. Lines are folded at 75 octets.
 * @example calendarText('GEO 115', []).startsWith('BEGIN:VCALENDAR') // true
 */
export function calendarText(name: string, events: readonly FeedEvent[]): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Pulpit//Deadlines//EN');
  calendar.addPropertyWithValue('calscale', 'GREGORIAN');
  calendar.addPropertyWithValue('method', 'PUBLISH');
  calendar.addPropertyWithValue('x-wr-calname', name);
  // RFC 7986 §5.7: how often a reader should look again.
  const refresh = calendar.addPropertyWithValue('refresh-interval', 'PT1H');
  refresh.setParameter('value', 'DURATION');
  const zones = new Map<string, Instant[]>();
  for (const e of events) zones.set(e.zone, [...(zones.get(e.zone) ?? []), instantOf(e.start, e.zone)]);
  for (const [zone, moments] of [...zones].sort(([a], [b]) => a.localeCompare(b))) {
    const from = Math.min(...moments) - YEAR_MS / 12;
    const to = Math.max(...moments) + YEAR_MS;
    calendar.addSubcomponent(vtimezone(zone, instant(from), instant(to)));
  }
  for (const event of events) calendar.addSubcomponent(vevent(event));
  return `${calendar.toString()}\r\n`;
}
