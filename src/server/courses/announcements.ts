import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { isTime, typedWall } from '@/core/deadlines/typed';
import { instantOf } from '@/core/deadlines/wallclock';
import { personId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import {
  announcementReaders,
  announcementsFor,
  dropWaitingAnnouncement,
  insertAnnouncement,
  recordAnnouncementReads,
  type AnnouncementRecord,
} from '@/db/queries/announcements';
import { peopleOf } from '@/db/queries/courses';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse, type EnteredCourse } from './enter';

const ALL = 200;

export type AnnouncementsPage = {
  course: EnteredCourse;
  now: number;
  announcements: (AnnouncementRecord & { readBy: number | null })[];
  students: number;
};

/** A course's announcements. Staff see how many students have read each. */
export async function announcementsPage(
  deps: Deps,
  actor: Actor,
  slug: string,
): Promise<Result<AnnouncementsPage, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const [found, readers, people] = await Promise.all([
    ask(announcementsFor(deps.db, actor.id, deps.now, ALL, { course: course.id })),
    course.staff ? announcementReaders(deps.db, course.id) : null,
    course.staff ? peopleOf(deps.db, course.id) : [],
  ]);
  return ok({
    course,
    now: deps.now,
    announcements: found.map((a) => ({ ...a, readBy: readers ? (readers.get(a.id) ?? 0) : null })),
    students: people.filter((p) => p.role === 'student').length,
  });
}

export const announcementSchema = z.object({
  title: z.string().trim().min(1).max(200),
  body: z.string().trim().min(1).max(10_000),
  /** By the course's clock; empty for at once. */
  at: z.string().max(40).transform(typedWall).default(''),
  /** For these alone; nobody named is everybody. */
  people: z.array(z.uuid()).max(500).default([]),
});

type Said = z.output<typeof announcementSchema>;

/** Announces something to a course, or to some of it, now or at a time. Only its staff may; nobody can switch announcements off. */
export async function announce(
  deps: Deps,
  actor: Actor,
  slug: string,
  said: Pick<Said, 'title' | 'body'> & Partial<Said>,
): Promise<
  Result<{ id: string }, NotFound | { code: 'staff-only' } | { code: 'no-time' } | { code: 'no-student' }>
> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  if (!door.value.staff) return fail({ code: 'staff-only' });
  const course = door.value;
  const people = said.people ?? [];
  if (said.at && !isTime(said.at)) return fail({ code: 'no-time' });
  const here = new Set<string>((await peopleOf(deps.db, course.id)).map((p) => p.id));
  if (people.some((p) => !here.has(p))) return fail({ code: 'no-student' });
  const id = randomUUID();
  // One for a time that has passed goes out now.
  const at = said.at ? instantOf(said.at, course.zone) : deps.now;
  await deps.db.transaction((tx) =>
    insertAnnouncement(tx, {
      course: course.id,
      id,
      author: actor.id,
      title: said.title,
      body: said.body,
      postedAt: at > deps.now ? at : deps.now,
      people: [...new Set(people)].map(personId),
    }),
  );
  return ok({ id });
}

/** Takes back one that waits for its time: what was announced stays. */
export async function takeBackAnnouncement(
  deps: Deps,
  actor: Actor,
  slug: string,
  id: string,
): Promise<Result<null, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const gone = door.value.staff && (await dropWaitingAnnouncement(deps.db, door.value.id, id, deps.now));
  return gone ? ok(null) : fail({ code: 'not-found' });
}

/** Notes that announcements were read; those of other courses are left alone. */
export const readAnnouncements = (deps: Deps, actor: Actor, ids: string[]) =>
  recordAnnouncementReads(deps.db, actor.id, ids, deps.now);
