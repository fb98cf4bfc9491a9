import type { Work } from '@/core/planning/work';

/** Minutes as people say them, rounded to five: "25 min", "2 h 50 min", "3 h". */
export function minutesText(minutes: number): string {
  const rounded = Math.max(5, Math.round(minutes / 5) * 5);
  const hours = Math.floor(rounded / 60);
  const rest = rounded % 60;
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')} min`;
}

/** How long a text takes to read, to the minute: "2 min", "1 h 05 min". */
export const readingText = (minutes: number) => (minutes < 60 ? `${minutes} min` : minutesText(minutes));

/** "2 h to 3 h 40 min" */
export const rangeText = (work: Pick<Work, 'least' | 'most'>) =>
  `${minutesText(work.least)} to ${minutesText(work.most)}`;

/** Where an estimate comes from, in words. */
export const paceSource = (sittings: number) =>
  sittings === 0
    ? 'a usual pace, until Pulpit knows yours'
    : sittings === 1
      ? 'your pace, from one sitting so far'
      : `your pace, from your last ${sittings} sittings`;
