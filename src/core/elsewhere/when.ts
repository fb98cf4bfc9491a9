import { daysLater, weekdayOf } from '../deadlines/wallclock';

/** A moment as a page writes it. */
export type When = {
  start: number;
  end: number;
  /** On the page's own clock, `YYYY-MM-DDTHH:mm`; null where the words say it from now on backwards, or leave the day out. */
  wall: string | null;
  /** How long ago, in minutes, where that is said. */
  ago: number | null;
  /** It has an hour, or is said by how long ago. */
  precise: boolean;
};

const MONTHS = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
const MONTH =
  '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)(?!\\p{L})\\.?';
const DAY = '(?:(?:mon|tues?|wed(?:nes)?|thurs?|fri|sat(?:ur)?|sun)(?:day)?\\.?,?\\s+)?';
const HOUR =
  '(\\d{1,2})(?:[:.h](\\d{2})(?::\\d{2})?)?\\s*([ap]\\.?m\\.?)?(?:\\s*(?:uhr|hrs?|utc|gmt|[+-]\\d{4}))?';
const AT = '(?:\\s*(?:,|at|@|·|-|–|—|\\||um)\\s*|\\s+){1,2}';

const NAMED_DAY = new RegExp(
  `\\b${DAY}(\\d{1,2})(?:st|nd|rd|th|\\.)?\\s+(?:of\\s+)?${MONTH}(?:,?\\s*(\\d{4}))?(?:${AT}${HOUR})?`,
  'giu',
);
const DAY_NAMED = new RegExp(
  `\\b${DAY}${MONTH}\\s+(\\d{1,2})(?:st|nd|rd|th)?(?:,?\\s+(\\d{4}))?(?:${AT}${HOUR})?`,
  'giu',
);
const ISO = /\b(\d{4})-(\d{2})-(\d{2})(?:[T ,]+(\d{1,2}):(\d{2}))?/gu;
const NUMBERS = new RegExp(`\\b(\\d{1,2})([/.-])(\\d{1,2})\\2(\\d{4}|\\d{2})\\b(?:${AT}${HOUR})?`, 'giu');
const AGO =
  /\b(an?|one|two|three|\d{1,3})\s*(minutes?|mins?|m|hours?|hrs?|h|days?|d|weeks?|w|months?)\s+ago\b|\bjust now\b/giu;
/** At the end of a short line: "3d". */
const SHORT_AGO = /(?<=\p{L}\)?\s)(\d{1,3})(min|m|hr|h|d|w|mo)$/gu;
const NEAR = new RegExp(
  `\\b(today|yesterday|(?:mon|tues|wednes|thurs|fri|satur|sun)day|mon|tue|wed|thu|fri|sat|sun)${AT}${HOUR}`,
  'giu',
);

const MINUTES: Record<string, number> = { m: 1, h: 60, d: 1_440, w: 10_080, o: 43_200 };
const COUNTS: Record<string, number> = { a: 1, an: 1, one: 1, two: 2, three: 3 };
const two = (n: number) => String(n).padStart(2, '0');

function wallOf(
  y: number,
  m: number,
  d: number,
  hour?: string,
  minute?: string,
  half?: string,
): string | null {
  const h =
    hour === undefined
      ? 0
      : (Number(hour) % (half ? 12 : 24)) + (half?.toLowerCase().startsWith('p') ? 12 : 0);
  const min = Number(minute ?? 0);
  return m < 1 || m > 12 || d < 1 || d > 31 || h > 23 || min > 59
    ? null
    : `${y}-${two(m)}-${two(d)}T${two(h)}:${two(min)}`;
}

/** An hour needs minutes or a half of the day: "12 Oct 7" says none. */
const hourSaid = (hour?: string, minute?: string, half?: string) =>
  hour !== undefined && (minute !== undefined || half !== undefined);

type Told = Omit<When, 'start' | 'end'> | null;

/** How a page writes its dates of numbers: the day first, or the month. */
export type Order = 'day' | 'month';

function found(text: string, pattern: RegExp, told: (m: RegExpExecArray) => Told): When[] {
  const all: When[] = [];
  for (const m of text.matchAll(pattern)) {
    const said = told(m as RegExpExecArray);
    if (said) all.push({ ...said, start: m.index, end: m.index + m[0].trimEnd().length });
  }
  return all;
}

const dated = (year: number, m: number, d: number, hour?: string, minute?: string, half?: string): Told => {
  const precise = hourSaid(hour, minute, half);
  const wall = precise ? wallOf(year, m, d, hour, minute, half) : wallOf(year, m, d);
  return wall ? { wall, ago: null, precise } : null;
};

const monthOf = (name: string) => 1 + MONTHS.indexOf(name.slice(0, 3).toLowerCase());

/**
 * All moments a line of a page names, in its order. `now` is the page's own day and hour, for the year that nobody writes.
 * @example whensIn('Noor Vasquez, 12 Oct 2026 at 3:41 pm', 'day', '2026-10-13T09:00') // [{ wall: '2026-10-12T15:41', … }]
 */
export function whensIn(text: string, order: Order, now: string): When[] {
  const year = Number(now.slice(0, 4));
  // A day without a year that would lie well ahead was last year's.
  const near = (m: number, d: number) =>
    `${year}-${two(m)}-${two(d)}` > `${now.slice(0, 8)}31` ? year - 1 : year;
  const all = [
    ...found(text, ISO, (m) => dated(Number(m[1]), Number(m[2]), Number(m[3]), m[4], m[5])),
    ...found(text, NAMED_DAY, (m) => {
      const [, d, month = '', y, ...hour] = m;
      return dated(y ? Number(y) : near(monthOf(month), Number(d)), monthOf(month), Number(d), ...hour);
    }),
    ...found(text, DAY_NAMED, (m) => {
      const [, month = '', d, y, ...hour] = m;
      return dated(y ? Number(y) : near(monthOf(month), Number(d)), monthOf(month), Number(d), ...hour);
    }),
    ...found(text, NUMBERS, (m) => {
      const [, a, , b, y = '', ...hour] = m;
      const full = y.length === 2 ? 2_000 + Number(y) : Number(y);
      const dayFirst = Number(a) > 12 || (Number(b) <= 12 && (order === 'day' || m[2] === '.'));
      return dated(full, Number(dayFirst ? b : a), Number(dayFirst ? a : b), ...hour);
    }),
    ...found(text, AGO, (m) => {
      const unit = (m[2] ?? 'm').toLowerCase();
      const minutes = MINUTES[unit.startsWith('mo') ? 'o' : (unit[0] ?? 'm')] ?? 1;
      const n = m[1] === undefined ? 0 : (COUNTS[m[1].toLowerCase()] ?? Number(m[1]));
      return { wall: null, ago: n * minutes, precise: true };
    }),
    ...(text.length > 60
      ? []
      : found(text, SHORT_AGO, (m) => {
          const unit = m[2] ?? 'm';
          const minutes = MINUTES[unit === 'mo' ? 'o' : (unit[0] ?? 'm')] ?? 1;
          return { wall: null, ago: Number(m[1]) * minutes, precise: true };
        })),
    ...found(text, NEAR, (m) => {
      const [, day = '', hour, minute, half] = m;
      if (!hourSaid(hour, minute, half)) return null;
      const back = day.toLowerCase() === 'today' ? 0 : day.toLowerCase() === 'yesterday' ? 1 : null;
      // Monday is 1 in the calendar's own count, and Sunday 7.
      const want = 1 + 'mon tue wed thu fri sat sun'.split(' ').indexOf(day.slice(0, 3).toLowerCase());
      const date = daysLater(now, -(back ?? (weekdayOf(now) - want + 7) % 7));
      const [y, mon, d] = date.slice(0, 10).split('-').map(Number);
      const wall = wallOf(y ?? 0, mon ?? 0, d ?? 0, hour, minute, half);
      return wall ? { wall, ago: null, precise: true } : null;
    }),
  ].sort((a, b) => a.start - b.start || b.end - a.end);
  return all.filter((w, i) => !all.slice(0, i).some((v) => v.end > w.start));
}

/**
 * An hour of a day that stands over it: what a line of a list by days says; null where it says none.
 * @example hourOn('Noor Vasquez at 10:10', '2026-10-12T00:00') // { wall: '2026-10-12T10:10', … }
 */
export function hourOn(text: string, day: string): When | null {
  const m = /\b(\d{1,2})[:.](\d{2})\s*([ap]\.?m\.?)?(?![\d/])/iu.exec(text);
  const [y = 0, mon = 0, d = 0] = day.slice(0, 10).split('-').map(Number);
  const wall = m ? wallOf(y, mon, d, m[1], m[2], m[3]) : null;
  return m && wall
    ? { wall, ago: null, precise: true, start: m.index, end: m.index + m[0].trimEnd().length }
    : null;
}

/**
 * Whether a page's dates of numbers begin with the day or the month. One that can be only the one, or that would lie ahead of the day the page was
 * saved, says it for all; else halves of a day are written where the month comes first.
 * @example orderOf(['13/10/2026'], '2026-10-15T08:00') // 'day'
 */
export function orderOf(texts: readonly string[], now: string): Order {
  let month = 0;
  for (const text of texts)
    for (const m of text.matchAll(/\b(\d{1,2})[/-](\d{1,2})[/-](\d{4}|\d{2})\b(.{0,14})/gu)) {
      const [, a = '', b = '', y = '', after = ''] = m;
      if (Number(a) > 12) month -= 20;
      else if (Number(b) > 12) month += 20;
      else {
        const year = y.length === 2 ? 2_000 + Number(y) : Number(y);
        const ahead = (mon: number, d: number) => `${year}-${two(mon)}-${two(d)}` > now.slice(0, 10);
        if (ahead(Number(b), Number(a)) && !ahead(Number(a), Number(b))) month += 10;
        else if (ahead(Number(a), Number(b)) && !ahead(Number(b), Number(a))) month -= 10;
        month += /^[\s,at]*\d{1,2}:\d{2}(?::\d{2})?\s*[ap]\.?m/iu.test(after) ? 1 : 0;
      }
    }
  return month > 0 ? 'month' : 'day';
}
