/** Words a minute at which a student reads course texts, until Pulpit knows the student's own pace. */
export const READING_PACE = 220;

/** How long a text takes to read, in whole minutes, at least one. @example readingMinutes(1_100) // 5 */
export const readingMinutes = (words: number, pace: number = READING_PACE): number =>
  Math.max(1, Math.round(words / pace));
