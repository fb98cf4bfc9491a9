import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { fail, ok, type Result } from '@/core/result';
import { ask } from '@/db/ask';
import {
  announcementReaders,
  announcementsFor,
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
    ask(announcementsFor(deps.db, actor.id, ALL, { course: course.id })),
    course.staff ? announcementReaders(deps.db, course.id) : null,
    course.staff ? peopleOf(deps.db, course.id) : [],
  ]);
  return ok({
    course,
    announcements: found.map((a) => ({ ...a, readBy: readers ? (readers.get(a.id) ?? 0) : null })),
    students: people.filter((p) => p.role === 'student').length,
  });
}

export const announcementSchema = z.object({
  title: z.string().trim().min(1).max(200),
  body: z.string().trim().min(1).max(10_000),
});

/** Announces something to a course. Only its staff may; nobody can switch announcements off. */
export async function announce(
  deps: Deps,
  actor: Actor,
  slug: string,
  said: z.infer<typeof announcementSchema>,
): Promise<Result<{ id: string }, NotFound | { code: 'staff-only' }>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  if (!door.value.staff) return fail({ code: 'staff-only' });
  const id = randomUUID();
  await insertAnnouncement(deps.db, {
    course: door.value.id,
    id,
    author: actor.id,
    title: said.title,
    body: said.body,
    postedAt: deps.now,
  });
  return ok({ id });
}

/** Notes that announcements were read; those of other courses are left alone. */
export const readAnnouncements = (deps: Deps, actor: Actor, ids: string[]) =>
  recordAnnouncementReads(deps.db, actor.id, ids, deps.now);
