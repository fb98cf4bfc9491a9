import { z } from 'zod';
import type { Doc } from '@/core/posts/document';
import { readingMinutes } from '@/core/reading/minutes';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import {
  coursesOf,
  readingBySlug,
  readingsOf,
  recordReading,
  type CourseRecord,
  type ReadingRecord,
} from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { habitsAndPace } from '../planning/habits';

type Neighbour = { slug: string; title: string } | null;
export type ReadingPage = {
  course: CourseRecord;
  reading: ReadingRecord & { doc: Doc | null; minutes: number };
  previous: Neighbour;
  next: Neighbour;
};

/** A reading with its neighbours in the course's order. */
export async function readingPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<ReadingPage, NotFound>> {
  const [reading, courses, { pace }] = await Promise.all([
    readingBySlug(deps.db, actor.id, slug),
    coursesOf(deps.db, actor.id),
    habitsAndPace(deps, actor),
  ]);
  const course = courses.find((c) => c.id === reading?.course);
  if (!reading || !course) return fail({ code: 'not-found' });
  const all = await ask(readingsOf(deps.db, course.id, actor.id));
  const at = all.findIndex((r) => r.slug === slug);
  const neighbour = (i: number): Neighbour => {
    const found = all[i];
    return found ? { slug: found.slug, title: found.title } : null;
  };
  return ok({
    course,
    reading: { ...reading, minutes: readingMinutes(reading.words, pace.reading.wordsPerMinute) },
    previous: neighbour(at - 1),
    next: neighbour(at + 1),
  });
}

export const readingProgressSchema = z.strictObject({
  /** Time it was in view since this was last said. */
  seconds: z
    .number()
    .int()
    .min(0)
    .max(4 * 3_600),
  read: z.boolean(),
});

/** Notes time spent on a reading, and whether it counts as read. */
export async function noteReading(
  deps: Deps,
  actor: Actor,
  slug: string,
  input: z.infer<typeof readingProgressSchema>,
): Promise<Result<null, NotFound>> {
  const reading = await readingBySlug(deps.db, actor.id, slug);
  if (!reading) return fail({ code: 'not-found' });
  const readAt = input.read ? (reading.readAt ?? deps.now) : null;
  await recordReading(
    deps.db,
    { course: reading.course, reading: reading.id, person: actor.id },
    input.seconds,
    readAt,
  );
  return ok(null);
}
