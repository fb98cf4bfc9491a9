import type { Instant, PersonId } from '../ids';

/** Fewer people than this are never drawn: a picture of nine is a picture of somebody. */
export const FEWEST = 10;
/** A mean over fewer responses than this is not said. */
const FEWEST_IN_A_STRETCH = 5;
/** Shares are said in steps of so many percent: one person more or less is not to be seen in them. */
const STEP_PERCENT = 5;

const HOUR_MS = 3_600_000;
/** Stretches of time before the response is due, by their end in hours; the last is after it. */
export const STRETCHES = [
  { id: 'days', until: 48 },
  { id: 'day-before', until: 24 },
  { id: 'half-day', until: 12 },
  { id: 'hours', until: 3 },
  { id: 'last', until: 0 },
  { id: 'late', until: -Infinity },
] as const;
export type StretchId = (typeof STRETCHES)[number]['id'];

/** One response of a discussion that is over: whose, when, and how many replies it had. */
export type Responded = { author: PersonId; at: Instant; replies: number };

/** When the class shared its responses, and how many replies these got. */
export type ClassRhythm = {
  /** How many percent of the responses came in each stretch, in steps. */
  shares: Record<StretchId, number>;
  /** Replies for each response of a stretch, to the half; null where there are too few to say. */
  replies: Record<StretchId, number | null>;
};

const stretchOf = (due: Instant, at: Instant): StretchId => {
  const hours = (due - at) / HOUR_MS;
  return (STRETCHES.find((s) => hours >= s.until) ?? STRETCHES[STRETCHES.length - 1])?.id ?? 'late';
};

/**
 * The rhythm of a class in a discussion that is over, without names; null where fewer than ten people responded. What is given out is
 * rounded and kept as it was when the discussion closed, never worked out anew: what somebody does later (a late post, a withdrawal,
 * leaving) changes no picture, so that no two pictures differ by one person.
 *
 * @param responses those that stood when it closed
 * @example nine people: null
 */
export function classRhythm(responses: readonly Responded[], due: Instant): ClassRhythm | null {
  // Whoever responded twice is one person, by their first.
  const firsts = new Map<PersonId, Responded>();
  for (const r of [...responses].sort((a, b) => a.at - b.at))
    if (!firsts.has(r.author)) firsts.set(r.author, r);
  if (firsts.size < FEWEST) return null;
  const by = new Map<StretchId, Responded[]>(STRETCHES.map((s) => [s.id, []]));
  for (const r of firsts.values()) by.get(stretchOf(due, r.at))?.push(r);
  const each = <T>(of: (inIt: readonly Responded[]) => T) =>
    Object.fromEntries(STRETCHES.map((s) => [s.id, of(by.get(s.id) ?? [])])) as Record<StretchId, T>;
  return {
    shares: each((inIt) => Math.round(((inIt.length / firsts.size) * 100) / STEP_PERCENT) * STEP_PERCENT),
    replies: each((inIt) =>
      inIt.length < FEWEST_IN_A_STRETCH
        ? null
        : Math.round((inIt.reduce((n, r) => n + r.replies, 0) / inIt.length) * 2) / 2,
    ),
  };
}

/**
 * The rhythm of a course: the mean of its discussions', each as it was given out; null where none was. As each counts alike, one more is
 * told from the others only as a whole.
 *
 * @example two discussions with 40 and 60 percent in the last hours: 50
 */
export function courseRhythm(all: readonly ClassRhythm[]): ClassRhythm | null {
  if (all.length === 0) return null;
  const mean = (numbers: readonly number[]) =>
    numbers.length ? numbers.reduce((a, b) => a + b, 0) / numbers.length : null;
  const each = <T>(of: (id: StretchId) => T) =>
    Object.fromEntries(STRETCHES.map((s) => [s.id, of(s.id)])) as Record<StretchId, T>;
  return {
    shares: each((id) => Math.round(mean(all.map((r) => r.shares[id])) ?? 0)),
    replies: each((id) => {
      const found = mean(all.flatMap((r) => r.replies[id] ?? []));
      return found === null ? null : Math.round(found * 10) / 10;
    }),
  };
}
