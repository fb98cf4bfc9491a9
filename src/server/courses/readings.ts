import type { z } from 'zod';
import type { readingProgressSchema } from '@/contract/readings';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { isStaff, owes } from '@/core/ids';
import { marksOf, type NoteLine, type PlacedNote } from '@/core/notes/note';
import { readingText } from '@/core/notes/reading-text';
import type { Doc } from '@/core/document/nodes';
import { readingMinutes } from '@/core/reading/minutes';
import { fail, ok, type Result } from '@/core/result';
import { askTogether } from '@/db/ask';
import { recordingOf } from '@/db/queries/recordings';
import { discussionsOf } from '@/db/queries/discussions';
import {
  coursesOf,
  readingBySlug,
  readingsOf,
  recordReading,
  type CourseRecord,
  type ReadingRecord,
} from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import { visibleNotes } from '../access/visible-notes';
import type { Actor, Deps } from '../deps';
import { noteLine } from '../notes/line';
import { placeNotes } from '../notes/notes';
import { habitsAndPace } from '../planning/habits';

type Neighbour = { slug: string; title: string } | null;
export type ReadingPage = {
  course: CourseRecord;
  reading: ReadingRecord & { doc: Doc | null; minutes: number };
  previous: Neighbour;
  next: Neighbour;
  staff: boolean;
  /** The reader looks on, and writes no notes. */
  onlooker: boolean;
  /** The margin notes the reader may read, each with where its passage stands now. */
  notes: NoteLine[];
  /** The passages that are marked, a line of the document each, with the notes that meet there. */
  marks: { from: number; to: number; notes: string[]; first: boolean }[];
  /** Discussions of its week in which one may still write a response. */
  discussions: { slug: string; title: string }[];
  recording: { id: string; speaker: string } | null;
};

/** The marks of notes as stretches of the document; only the first line of one carries its sign. */
function marksIn(notes: PlacedNote[], doc: Doc | null): ReadingPage['marks'] {
  if (!doc) return [];
  const { stretches } = readingText(doc);
  return marksOf(notes).flatMap((m) =>
    stretches(m.start, m.end).map((s, i) => ({ ...s, notes: m.notes, first: i === 0 })),
  );
}

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
  const staff = isStaff(course.role);
  const [{ all, records, recording }, visible] = await Promise.all([
    askTogether(deps.db, {
      all: readingsOf(deps.db, course.id, actor.id),
      records: discussionsOf(deps.db, actor.id, { course: course.id }),
      recording: recordingOf(deps.db, { reading: reading.id }),
    }),
    visibleNotes(deps.db, actor, { course: course.id, reading: reading.id, staff }),
  ]);
  const { placed: notes, notLooked } = await placeNotes(deps, actor, visible, reading.doc);
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
    staff,
    onlooker: course.role === 'observer',
    notes: notes.map((n) => ({ ...noteLine(n, actor), notLooked: notLooked.has(n.note.id) })),
    marks: marksIn(notes, reading.doc),
    discussions: !owes(course.role)
      ? []
      : records
          .filter((r) => r.week.number === reading.week)
          .filter((r) => deps.now < resolveSchedule(r.timetable).closes || r.course.outside)
          .map((r) => ({ slug: r.slug, title: r.title })),
    recording,
  });
}

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
