import { instantOf, type WallClock } from './wallclock';

/**
 * A date and time as somebody types them, year first and with 24 hours, as a wall clock; as it was typed where it is none.
 *
 * @example typedWall('2026-10-15 9:05') // '2026-10-15T09:05'
 */
export function typedWall(text: string): WallClock | string {
  const m = /^(\d{4})[-./](\d{1,2})[-./](\d{1,2})[\sT,]+(\d{1,2})[:.](\d{2})/u.exec(text.trim());
  if (!m) return text.trim();
  const [, year = '', month = '', day = '', hour = '', minute = ''] = m;
  const two = (n: string) => n.padStart(2, '0');
  return `${year}-${two(month)}-${two(day)}T${two(hour)}:${minute}`;
}

const WALL = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/u;
/** Whether a text is a moment of some calendar day. @example isTime('2026-02-31T10:00') // false */
export const isTime = (wall: string): boolean => {
  if (!WALL.test(wall)) return false;
  try {
    instantOf(wall, 'UTC');
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
};
