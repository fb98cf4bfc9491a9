import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import type { Instant } from '../ids';
import { remember } from '../memo';

const two = (n: number) => String(Math.abs(n)).padStart(2, '0');

/** "+0100", as RFC 5545 §3.3.14 writes an offset from UTC. */
function offsetText(nanoseconds: number): string {
  const seconds = Math.round(nanoseconds / 1e9);
  const abs = Math.abs(seconds);
  const rest = abs % 60 ? two(abs % 60) : '';
  return `${seconds < 0 ? '-' : '+'}${two(Math.floor(abs / 3_600))}:${two(Math.floor((abs % 3_600) / 60))}${rest ? `:${rest}` : ''}`;
}

/** "BST", "GMT+3": what the zone's time is called then. */
const nameOf = (zone: string, at: number) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeZoneName: 'short' })
    .formatToParts(at)
    .find((p) => p.type === 'timeZoneName')?.value ?? zone;

function observance(
  zone: string,
  at: Temporal.ZonedDateTime,
  before: number,
  standard: number,
): ICAL.Component {
  const component = new ICAL.Component(at.offsetNanoseconds > standard ? 'daylight' : 'standard');
  // The local time at which it begins is told in the offset that held before it (RFC 5545 §3.6.5).
  const local = at.toInstant().toZonedDateTimeISO('UTC').add({ nanoseconds: before }).toPlainDateTime();
  component.addPropertyWithValue(
    'dtstart',
    ICAL.Time.fromDateTimeString(local.toString({ smallestUnit: 'second' })),
  );
  component.addPropertyWithValue('tzoffsetfrom', ICAL.UtcOffset.fromString(offsetText(before)));
  component.addPropertyWithValue('tzoffsetto', ICAL.UtcOffset.fromString(offsetText(at.offsetNanoseconds)));
  component.addPropertyWithValue('tzname', nameOf(zone, at.epochMilliseconds));
  return component;
}

/**
 * A VTIMEZONE (RFC 5545 §3.6.5) that is right for a zone from one moment to another: an observance for what holds at
 * the beginning, and one for every change of its clocks after that. Changes are spelt out and not given as a rule,
 * because a rule is only right until a country alters it.
 *
 * @example Europe/Dublin from September to December has two observances: summer time, and the change of 25 October
 */
export function vtimezone(zone: string, from: Instant, to: Instant): ICAL.Component {
  const component = new ICAL.Component('vtimezone');
  component.addPropertyWithValue('tzid', zone);
  const start = Temporal.Instant.fromEpochMilliseconds(from).toZonedDateTimeISO(zone);
  const first = start.getTimeZoneTransition('previous') ?? start;
  const changes = [first];
  for (let next = start.getTimeZoneTransition('next'); next; next = next.getTimeZoneTransition('next')) {
    if (next.epochMilliseconds > to) break;
    changes.push(next);
  }
  const standard = Math.min(...changes.map((c) => c.offsetNanoseconds));
  changes.forEach((change, i) => {
    const earlier =
      changes[i - 1]?.offsetNanoseconds ?? change.subtract({ nanoseconds: 1 }).offsetNanoseconds;
    component.addSubcomponent(observance(zone, change, earlier, standard));
  });
  return component;
}

/** Whether a name is a zone the platform knows. */
export const isZone = remember((name: string): boolean => {
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name);
    return true;
  } catch {
    return false;
  }
}, 500);
