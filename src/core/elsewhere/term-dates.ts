import { daysLater, type WallClock } from '../deadlines/wallclock';
import { momentSaid } from '../outside/dates';
import { momentsOf, type Moment } from '../prompts/times';

/** How the dates of a syllabus are to be read. */
export type TermClock = {
  /** A date that nobody gives a year lies in the year from some months before this. */
  after: WallClock;
  /** Of two numbers the first is the day. */
  dayFirst: boolean;
};

const SEASON = /\b(?:spring|summer|fall|autumn)(?:\s+(?:term|semester|quarter|session))?,?\s+(20\d\d)\b/iu;
const SLASHED = /(?<![\d/])(\d{1,2})\/(\d{1,2})(?![\d/]|\s*(?:points?|pts|marks?|pages?|of\b|%))/gu;
const DAYS_OF =
  /(?<![\d/:.])(\d{1,2})\s*[-–—]\s*(\d{1,2})(?:st|nd|rd|th)?\s+((?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\p{L}*)/giu;
/** "14.9." and "14.09.2026": the day stands first wherever dates are written so. */
const DOTTED = /(?<![\d.])(\d{1,2})\.(\d{1,2})\.(?:\s?(?:20)?\d\d(?!\d))?(?!\d)/gu;

/**
 * How the dates of a syllabus are to be read. The year that nobody writes is that of the season it names, or the one year it names at all; else it follows from
 * `now`, the reader's wall clock.
 * @example termClockOf('Fall 2026', '2027-03-01T08:00').after // '2026-04-30T00:00'
 */
export function termClockOf(text: string, now: WallClock): TermClock {
  const years = new Set(text.match(/\b20[2-9]\d\b/gu) ?? []);
  const year = SEASON.exec(text)?.[1] ?? (years.size === 1 ? [...years][0] : undefined);
  const pairs = [...text.matchAll(SLASHED)].map((m) => [Number(m[1]), Number(m[2])] as const);
  return {
    // Four months after the year begins: from then on back to its first day.
    after: year ? `${year}-04-30T00:00` : daysLater(now, 30),
    dayFirst: pairs.some(([a]) => a > 12) && !pairs.some(([, b]) => b > 12),
  };
}

/**
 * A text whose days stand as whatever reads days knows them: of numbers the month first, and one Thursday for all of them.
 * @example plainDays('14/9 and 21.9.', { after: '2026-09-01T00:00', dayFirst: true }) // '9/14 and 9/21'
 */
export const plainDays = (text: string, clock: TermClock) =>
  (clock.dayFirst ? text.replace(SLASHED, '$2/$1') : text)
    .replace(DOTTED, '$2/$1')
    // "7–13 September" names its month once.
    .replace(DAYS_OF, '$1 $3 – $2 $3')
    // "June 1: Ponds" says no hour.
    .replace(/(\d):(?=\s)/gu, '$1 :')
    .replace(/\b((?:mon|tues|wednes|thurs|fri|satur|sun)day)s\b/giu, '$1');

/** A day, a weekday or an hour that a line names: the date in full, where there is one. */
export type Named = Omit<Moment, 'date'> & { date: string | null };

const RANGE =
  /^\s*(?:-|–|—|to|through)\s*(\d{1,2})(?!\d|:|\/|\s*[ap]\.?m|(?:st|nd|rd|th)?\s+(?:of\s+)?(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec))/iu;

/**
 * What a line says of days and hours, in its order; "Sept 14–20" is two days.
 * @example daysNamed('Sept 14–20', clock) // the 14th and the 20th
 */
export function daysNamed(line: string, clock: TermClock): Named[] {
  return momentsOf(line).flatMap((m): Named[] => {
    const wall = m.date === undefined ? null : momentSaid({ date: m.date }, clock.after);
    if (m.date !== undefined && wall === null) return [];
    const date = wall && wall.slice(0, 10);
    const named = { ...m, date };
    const to = date && RANGE.exec(line.slice(m.end));
    const last = to && `${date.slice(0, 8)}${(to[1] ?? '').padStart(2, '0')}`;
    return to && last && last > date && daysLater(`${last}T00:00`, 0).startsWith(last)
      ? [named, { start: m.end, end: m.end + to[0].length, date: last }]
      : [named];
  });
}
