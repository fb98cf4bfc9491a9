const HOUR_MS = 3_600_000;
/** Of fewer answers nothing is said: it would be a guess. */
const FEWEST = 3;
const NEARLY_ALL = 0.8;

/**
 * Within how many hours staff usually answer, by their own record: four of five answers came within it. Null where there are fewer than three.
 *
 * @param waited how long each question waited for the first answer of staff, in milliseconds
 * @example usuallyWithin([hour, 2 * hour, 3 * hour, 30 * hour, 4 * hour]) // 4
 */
export function usuallyWithin(waited: readonly number[]): number | null {
  if (waited.length < FEWEST) return null;
  const sorted = [...waited].sort((a, b) => a - b);
  const at = sorted[Math.ceil(sorted.length * NEARLY_ALL) - 1] ?? 0;
  return Math.max(1, Math.ceil(at / HOUR_MS));
}

/** How that is said. @example answeredWithin(5) // 'usually answered within 5 hours' */
export function answeredWithin(hours: number | null): string {
  if (hours === null) return '';
  if (hours === 1) return 'usually answered within an hour';
  if (hours <= 18) return `usually answered within ${hours} hours`;
  const days = Math.ceil(hours / 24);
  return days === 1 ? 'usually answered within a day' : `usually answered within ${days} days`;
}
