const formats = new Map<string, Intl.DateTimeFormat>();

function format(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${zone} ${JSON.stringify(options)}`;
  let found = formats.get(key);
  if (!found) {
    found = new Intl.DateTimeFormat('en-GB', { timeZone: zone, hourCycle: 'h23', ...options });
    formats.set(key, found);
  }
  return found;
}

/** "Sep" in every engine; some write "Sept". */
const month = (text: string) => text.replace('Sept', 'Sep');

type Parts = { weekday: string; day: string; month: string; time: string };
const known = new Map<string, Parts>();

/** A page words the same few deadlines many times, and asking the platform's calendar is dear: the answers are kept. */
function partsOf(at: number, zone: string): Parts {
  const key = `${Math.floor(at / 60_000)} ${zone}`;
  const found = known.get(key);
  if (found) return found;
  if (known.size > 5_000) known.clear();
  const parts = format(zone, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(at);
  const get = (type: string) => parts.find((p) => p.type === type)?.value ?? '';
  const answer = {
    weekday: get('weekday'),
    day: get('day'),
    month: month(get('month')),
    time: `${get('hour')}:${get('minute')}`,
  };
  known.set(key, answer);
  return answer;
}

/** Whether whoever reads likes twelve hours: the page says so in a browser, and on the server who asks. */
const hours = (): string =>
  typeof document === 'undefined'
    ? ((globalThis as { pulpitClock?: () => string }).pulpitClock?.() ?? '24')
    : (document.documentElement.dataset.clock ?? '24');

/** "23:59", or "11:59 pm" for who likes that better. */
export function shownTime(time: string): string {
  if (hours() !== '12') return time;
  const hour = Number(time.slice(0, 2));
  return `${hour % 12 || 12}:${time.slice(3, 5)} ${hour < 12 ? 'am' : 'pm'}`;
}

/** "Thu 15 Oct, 23:59" */
export function moment(at: number, zone: string): string {
  const { weekday, day, month: m, time } = partsOf(at, zone);
  return `${weekday} ${day} ${m}, ${shownTime(time)}`;
}

/** "Thu 15 Oct" */
export function day(at: number, zone: string): string {
  const { weekday, day: d, month: m } = partsOf(at, zone);
  return `${weekday} ${d} ${m}`;
}

/** "Thu 15 Oct" of a calendar date, whatever the zone. */
export const dayOf = (date: string) => day(Date.parse(`${date}T12:00:00Z`), 'UTC');

/** "Thu 15 Oct, 23:59" of a wall clock, whatever the zone. */
export const wallText = (wall: string) => moment(Date.parse(`${wall}:00Z`), 'UTC');

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
/** "October 2026" of `2026-10`. */
export const monthName = (month: string) =>
  `${MONTHS[Number(month.slice(5, 7)) - 1] ?? ''} ${month.slice(0, 4)}`;

/** "Thu" */
export const weekday = (at: number, zone: string) => partsOf(at, zone).weekday;

/** "23:59" */
export const clockTime = (at: number, zone: string) => shownTime(partsOf(at, zone).time);

const LONG_DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const SHORT_DAYS = LONG_DAYS.map((d) => d.slice(0, 3));

/** "Sunday night", "Saturday morning": a deadline as people speak of it. */
export function partOfDay(at: number, zone: string): string {
  const { weekday: short, time } = partsOf(at, zone);
  const name = LONG_DAYS[SHORT_DAYS.indexOf(short)] ?? short;
  const hour = Number(time.slice(0, 2));
  const part =
    hour < 5 ? 'night' : hour < 12 ? 'morning' : hour < 17 ? 'afternoon' : hour < 21 ? 'evening' : 'night';
  return `${name} ${part}`;
}

/** A stretch of time in its two largest units: "2 d 7 h", "3 h 05 min", "12 min", "under a minute". Never rounded up. */
export function stretch(ms: number): string {
  const minutes = Math.floor(ms / 60_000);
  if (minutes < 1) return 'under a minute';
  const days = Math.floor(minutes / 1_440);
  const hours = Math.floor((minutes % 1_440) / 60);
  const rest = minutes % 60;
  if (days > 0) return hours > 0 ? `${days} d ${hours} h` : `${days} d`;
  if (hours > 0) return rest > 0 ? `${hours} h ${String(rest).padStart(2, '0')} min` : `${hours} h`;
  return `${rest} min`;
}

/** A stretch for a live countdown: by seconds in the last two minutes, where `stretch` would stand still. */
export function countdown(ms: number): string {
  const seconds = Math.ceil(ms / 1_000);
  if (seconds > 120) return stretch(ms);
  return seconds >= 60
    ? `${Math.floor(seconds / 60)} min ${String(seconds % 60).padStart(2, '0')} s`
    : `${seconds} s`;
}

/** "London", "Athens": what people call a zone. */
export const zoneName = (zone: string) => (zone.split('/').pop() ?? zone).replaceAll('_', ' ');

const HOUR_MS = 3_600_000;

/** How long ago, in the largest unit that says something. @example ago(2.4 * 3_600_000) // "2 h ago" */
export function ago(ms: number): string {
  if (ms < 60_000) return 'just now';
  if (ms < HOUR_MS) return `${Math.floor(ms / 60_000)} min ago`;
  if (ms < 24 * HOUR_MS) return `${Math.floor(ms / HOUR_MS)} h ago`;
  const days = Math.floor(ms / (24 * HOUR_MS));
  return days < 14 ? `${days} d ago` : `${Math.floor(days / 7)} weeks ago`;
}
