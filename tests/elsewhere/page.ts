import type { Labelled } from './discussions';

/** A discussion as one page shows it, with what it was. */
export type SavedPage = {
  name: string;
  content: string;
  of: Labelled;
  /** Its posts quote each other: what they quote is part of them. */
  quotes?: boolean;
};
type Post = Labelled['posts'][number];

export const esc = (text: string) =>
  text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/"/gu, '&quot;');
export const paragraphs = ({ text }: { text: string[] }) => text.map((t) => `<p>${esc(t)}</p>`).join('');
export const childrenOf = (d: Labelled, of: number | null) => d.posts.filter((p) => p.parent === of);

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
const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
/** The day and hour at which all pages are saved. */
export const SAVED = '2026-12-06T08:00';
export type Way =
  'long' | 'short' | 'iso' | 'day-first' | 'us' | 'weekday' | 'ago' | 'us-words' | 'dots' | 'stamp';

/** When a post was made, as pages of different countries and habits write it. */
export function at({ at: wall }: Pick<Post, 'at'>, way: Way): string {
  const [date = '', time = ''] = wall.split('T');
  const [y = 0, m = 0, d = 0] = date.split('-').map(Number);
  const [h = 0, min = 0] = time.split(':').map(Number);
  const month = MONTHS[m - 1] ?? '';
  const half = `${h % 12 || 12}:${String(min).padStart(2, '0')}`;
  const noon = h < 12 ? 'AM' : 'PM';
  const weekday = DAYS[new Date(`${date}T00:00:00Z`).getUTCDay()];
  switch (way) {
    case 'long':
      return `${d} ${month} ${y}, ${time}`;
    case 'short':
      return `${d} ${month.slice(0, 3)}, ${time}`;
    case 'iso':
      return `${date} ${time}`;
    case 'day-first':
      return `${String(d).padStart(2, '0')}/${String(m).padStart(2, '0')}/${y} ${time}`;
    case 'us':
      return `${m}/${d}/${y} ${half} ${noon}`;
    case 'weekday':
      return `${weekday}, ${d} ${month} ${y}, ${half} ${noon}`;
    case 'us-words':
      return `${month.slice(0, 3)} ${d}, ${y} at ${half}${noon.toLowerCase()}`;
    case 'dots':
      return `${String(d).padStart(2, '0')}.${String(m).padStart(2, '0')}.${y}, ${time} Uhr`;
    case 'stamp':
      return `${weekday?.slice(0, 3)}, ${d} ${month.slice(0, 3)} ${y} ${time}:00 +0100`;
    case 'ago': {
      const minutes = (Date.parse(`${SAVED}Z`) - Date.parse(`${wall}Z`)) / 60_000;
      return minutes < 60
        ? `${minutes} minutes ago`
        : minutes < 1_440
          ? `${Math.floor(minutes / 60)} hours ago`
          : `${Math.floor(minutes / 1_440)} days ago`;
    }
  }
}
