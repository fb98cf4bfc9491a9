import type { Span } from './outline/types';
import { latin } from './pattern';

/* Weekdays, dates and times of day, put together where they stand together. */

export type Moment = Span & { weekday?: string; date?: string; time?: string };

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const HOURS: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
};
const hours = Object.keys(HOURS).join('|');
const MONTH =
  'jan(?:uary|\\.)?|feb(?:ruary|\\.)?|mar(?:ch|\\.)?|apr(?:il|\\.)?|may|june?\\.?|july?\\.?|aug(?:ust|\\.)?|sept?(?:ember|\\.)?|oct(?:ober|\\.)?|nov(?:ember|\\.)?|dec(?:ember|\\.)?';
const DAY = '(?:[12]\\d|3[01]|0?[1-9])(?:st|nd|rd|th)?';

const PIECES = latin(
  new RegExp(
    [
      `(?<iso>20\\d\\d-(?<im>0\\d|1[0-2])-(?<id>[0-3]\\d))`,
      `(?<md>(?<m1>${MONTH})\\s+(?:the\\s+)?(?<d1>${DAY})(?!:|\\d|\\s*[ap]\\.?m))`,
      `(?<slash>(?<sa>[0-3]?\\d)/(?<sb>[0-3]?\\d)(?:/(?:20)?\\d\\d)?(?![\\d/%]))`,
      `(?<past>(?:a )?(?<how>quarter|half|five|ten|twenty)(?: minutes)? (?<way>past|to) (?<pw>${hours}|1[0-2]|[1-9])(?![:.]?\\d)(?:\\s+(?:in the |on \\p{L}+ )?(?<pp>morning|afternoon|evening)|\\s?(?<pa>[ap])\\.?m)?)`,
      `(?<dm>(?:the\\s+)?(?<d2>${DAY})(?:\\s+of)?\\s+(?<m2>${MONTH}))(?![\\p{L}])`,
      `(?<clock>(?<h>2[0-4]|1\\d|0?\\d)(?:[:.](?<min>[0-5]\\d))?\\s?(?<ap>[ap]\\.?\\s?m\\.?)(?![\\p{L}])|(?<h24>2[0-4]|[01]?\\d)(?::|\\.(?=[0-5]\\d(?:\\s|h|,|;|\\)|\\.(?!\\d)|$)))(?<min24>[0-5]\\d)(?:\\s?h(?:rs|ours)?)?(?![\\p{N}])|(?<hh>2[0-3]|[01]\\d)(?<mm>[0-5]\\d)\\s?(?:hrs|hours|h)(?![\\p{L}]))`,
      // "evening at 9", "night at half" is none
      `(?<after>(?<part2>morning|afternoon|evening|night)\\s+at\\s+(?:(?<hw2>${hours})|(?<hd2>1[0-2]|[1-9]))(?![:.]?\\d|\\s?[ap]\\.?m|\\s+o['’]clock))`,
      `(?<words>(?:(?<hw>${hours})|(?<hd>1[0-2]|[1-9]))(?:\\s+o['’]clock)?(?:\\s+(?:in the (?<part>morning|afternoon|evening)|at (?<night>night))|(?<=o['’]clock)))`,
      `(?<noon>(?:12\\s+)?noon|mid-?day)`,
      `(?<midnight>(?:12\\s+)?midnight|(?:the\\s+)?(?:very\\s+)?end of (?:the |that |your )?day|close of (?:the )?day|the end of(?=\\s+(?:mon|tues|wednes|thurs|fri|satur|sun)day)|(?<=\\s)eod)`,
      `(?<short>(?:mo|tu|we|th|fr|sa|su)(?=\\.?,?\\s+\\d{1,2}(?::\\d\\d|\\s?[ap]\\.?m)))`,
      `(?<day>mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday|s)?|thu(?:r(?:s(?:day)?)?)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)(?![\\p{L}])\\.?`,
    ]
      .map((p) => `(?<![\\p{L}\\p{N}£$€#])${p}`)
      .join('|'),
    'giu',
  ),
);

const two = (n: number) => String(n).padStart(2, '0');
const monthOf = (name: string) => MONTHS.indexOf(name.slice(0, 3).toLowerCase()) + 1;
const dayOf = (text: string) => Number(text.replace(/\D/gu, ''));

function clock(hour: number, minute: number, half: string | undefined): string | undefined {
  if (half && hour > 12) return undefined;
  const h = half ? (hour % 12) + (/^p/iu.test(half) ? 12 : 0) : hour;
  // 24:00 is the end of the day.
  return h === 24 ? '23:59' : `${two(h)}:${two(minute)}`;
}

/** "10/14" or "14/10": where neither number can only be a day, as the text's other dates have it, and else the month first. */
function slashed(span: Span, a: number, b: number, text: string): Moment | null {
  if (a < 1 || b < 1 || a > 31 || b > 31 || (a > 12 && b > 12)) return null;
  const others = [...text.matchAll(/(?<![\d/])(\d{1,2})\/(\d{1,2})(?![\d/])/gu)];
  const dayFirst = a > 12 || (b <= 12 && others.some((o) => Number(o[1]) > 12));
  const [month, day] = dayFirst ? [b, a] : [a, b];
  return { ...span, date: `${two(month)}-${two(day)}` };
}

const MINUTES: Record<string, number> = { five: 5, ten: 10, quarter: 15, twenty: 20, half: 30 };

/** "A quarter to nine", "half past six": of the morning unless the words around it say later. */
function spoken(span: Span, g: Record<string, string | undefined>, text: string): Moment | null {
  const minutes = MINUTES[(g.how ?? '').toLowerCase()] ?? 0;
  const hour = HOURS[(g.pw ?? '').toLowerCase()] ?? Number(g.pw);
  if (g.way === 'to' && minutes === 30) return null;
  const around = text.slice(Math.max(0, span.start - 20), span.end + 30);
  const late =
    g.pa?.toLowerCase() === 'p' ||
    /afternoon|evening|night/iu.test(g.pp ?? '') ||
    (!g.pp && !g.pa && /afternoon|evening|tonight/iu.test(around));
  const total = (late && hour < 12 ? hour + 12 : hour) * 60 + (g.way === 'past' ? minutes : -minutes);
  return { ...span, time: `${two(Math.floor(total / 60))}:${two(total % 60)}` };
}

function pieceOf(m: RegExpMatchArray & { index: number }): Moment | null {
  const g = m.groups ?? {};
  const span = { start: m.index, end: m.index + m[0].length };
  if (g.iso) return { ...span, date: `${g.im}-${g.id}` };
  if (g.md) return { ...span, date: `${two(monthOf(g.m1 ?? ''))}-${two(dayOf(g.d1 ?? ''))}` };
  if (g.dm) return { ...span, date: `${two(monthOf(g.m2 ?? ''))}-${two(dayOf(g.d2 ?? ''))}` };
  if (g.slash) return slashed(span, Number(g.sa), Number(g.sb), m.input ?? '');
  if (g.past) return spoken(span, g, m.input ?? '');
  if (g.noon) return { ...span, time: '12:00' };
  if (g.midnight) return { ...span, time: '23:59' };
  if (g.clock) {
    const time = g.ap
      ? clock(Number(g.h), Number(g.min ?? 0), g.ap)
      : clock(Number(g.h24 ?? g.hh), Number(g.min24 ?? g.mm), undefined);
    return time ? { ...span, time } : null;
  }
  if (g.words) {
    const hour = g.hw ? (HOURS[g.hw.toLowerCase()] ?? 0) : Number(g.hd);
    if (!g.part && !g.night) return null;
    const late =
      g.part === 'afternoon' || g.part === 'evening' || (g.night !== undefined && hour !== 12 && hour > 4);
    const h = late && hour < 12 ? hour + 12 : hour === 12 && g.night ? 23 : hour;
    return { ...span, time: hour === 12 && g.night ? '23:59' : `${two(h)}:00` };
  }
  if (g.after) {
    const hour = g.hw2 ? (HOURS[g.hw2.toLowerCase()] ?? 0) : Number(g.hd2);
    const late = g.part2 !== 'morning' && hour < 12 && !(g.part2 === 'night' && hour < 5);
    return { ...span, time: `${two(late ? hour + 12 : hour)}:00` };
  }
  // Two letters are a day only where they are written as one, before a time: "Th 23:59".
  if (g.short) {
    return /^\p{Lu}/u.test(g.short)
      ? { ...span, weekday: WEEKDAYS.find((d) => d.startsWith(g.short?.toLowerCase() ?? '-')) }
      : null;
  }
  if (g.day) {
    // "sun" and "sat" are words of their own unless they are written as names.
    const near = (m.input ?? '').slice(Math.max(0, m.index - 8), m.index);
    if (/^(?:sat|sun)$/u.test(g.day) && !/(?:by|on|before|until)\s+$/iu.test(near)) return null;
    return { ...span, weekday: WEEKDAYS.find((d) => g.day?.toLowerCase().startsWith(d)) };
  }
  return null;
}

/** What may stand between the parts of one moment: a year too ("15 October 2026 at 5 pm"). */
const TOGETHER =
  /^[\s,(]*(?:(?:at|by|on|the|of|in|no later than|before|until|night|evening|morning|afternoon|precisely|sharp|latest|is|after|following|same|hour|time|20\d\d|,|-|–|—|\(|\))[\s,]*){0,4}$/iu;

const THROUGH = /^\s*(?:to|through|until|till|–|—|-)\s*$/iu;

/**
 * The moments of a text, with the day and the time of day that belong together.
 * @example momentsOf('by Sunday, 23:59') // one moment: Sunday at 23:59
 */
export function momentsOf(text: string): Moment[] {
  const all = [...text.matchAll(PIECES)].flatMap((m) => pieceOf(m) ?? []);
  // "Monday to Wednesday" ends on Wednesday.
  const pieces = all.filter((p, i) => {
    const next = all[i + 1];
    return !(p.weekday && next?.weekday && THROUGH.test(text.slice(p.end, next.start)));
  });
  const found: Moment[] = [];
  for (const piece of pieces) {
    const last = found[found.length - 1];
    const key = piece.time !== undefined ? 'time' : piece.date !== undefined ? 'date' : 'weekday';
    if (
      last &&
      last[key] === undefined &&
      TOGETHER.test(text.slice(last.end, piece.start)) &&
      // "Wed 15:00 Sat": a day after a whole moment begins the next one.
      !(
        key !== 'time' &&
        last.time !== undefined &&
        (last.weekday !== undefined || last.date !== undefined) &&
        key === 'weekday'
      )
    ) {
      Object.assign(last, { [key]: piece[key], end: piece.end });
    } else found.push({ ...piece });
  }
  return found.map((m) =>
    m.date !== undefined && m.weekday !== undefined ? { ...m, weekday: undefined } : m,
  );
}
