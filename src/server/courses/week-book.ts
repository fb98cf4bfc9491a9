import type { BookWords } from '@/contract/course';
import { resolveSchedule } from '@/core/deadlines/schedule';
import { documentFromText } from '@/core/document/compose';
import type { Doc } from '@/core/document/nodes';
import { fail, ok, type Result } from '@/core/result';
import { textsOfReadings, weeksOf } from '@/db/queries/courses';
import { discussionsOf, promptsOf } from '@/db/queries/discussions';
import { askTogether } from '@/db/ask';
import type { NotFound } from '../access/enter';
import type { Actor } from '../deps';
import type { FileDeps } from '../files/receive';
import { epubOf, type Chapter } from '../formats/to-epub';
import { travellingPictures } from '../formats/travelling';
import { enterCourse } from './enter';

/**
 * A week of a course as a book for the way: its overview, its readings that are here, and its prompts, with their pictures. What this person may
 * not read is not in it.
 */
export async function weekBook(
  deps: FileDeps,
  actor: Actor,
  slug: string,
  number: number,
  words: BookWords,
): Promise<Result<Uint8Array, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const { db, now } = deps;
  const [weeks, readings, { records }] = await Promise.all([
    weeksOf(db, course.id),
    textsOfReadings(db, actor.id, course.id, number),
    askTogether(db, { records: discussionsOf(db, actor.id, { course: course.id }) }),
  ]);
  const week = weeks.find((w) => w.number === number);
  if (!week) return fail({ code: 'not-found' });
  const here = records.filter((r) => r.week.number === number);
  const prompts = await promptsOf(
    db,
    actor.id,
    here.map((r) => r.id),
  );
  const chapters: Chapter[] = [
    ...(week.overview ? [{ title: words.overview, doc: documentFromText(week.overview) }] : []),
    ...readings.map(({ title, author, doc }) => ({ title, line: author, doc })),
    ...here.flatMap(({ id, title, timetable }) => {
      const doc = prompts.get(id);
      return doc ? [{ title, line: words.prompt(resolveSchedule(timetable)), doc }] : [];
    }),
  ];
  if (chapters.length === 0) return fail({ code: 'not-found' });
  const all: Doc = { type: 'doc', content: chapters.flatMap((c) => c.doc.content) };
  return ok(
    epubOf(
      {
        id: `urn:pulpit:week:${course.id}:${number}`,
        title: words.title(course.code, number, week.title),
        author: course.title,
        changedAt: now,
        chapters,
      },
      await travellingPictures(deps, actor, all),
    ),
  );
}
