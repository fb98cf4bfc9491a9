import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { DocumentFailure } from '@/core/document/document';
import { plainText } from '@/core/document/flatten';
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
  recordAnnouncementRead,
  type AnnouncementRecord,
} from '@/db/queries/announcements';
import { peopleOf } from '@/db/queries/courses';
import { announcementMails } from '@/db/queries/deliveries';
import type { Doc } from '@/core/document/nodes';
import type { NotFound } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { enterCourse, type EnteredCourse } from './enter';
import { toAnnounce } from '../questions/to-announce';
import { tellAnnouncements } from '../notices/happened';
import { materialText } from './material';

const ALL = 200;

export type AnnouncementsPage = {
  course: EnteredCourse;
  now: number;
  announcements: (AnnouncementRecord & {
    readBy: number | null;
    /** How it fares by mail; for staff. */
    mailed: { waiting: number; sent: number; refused: number } | null;
  })[];
  students: number;
  /** What a new one begins with; null for nothing. */
  begin: { title: string; doc: Doc } | null;
};

/** A course's announcements. Staff see how many students have read each. */
export async function announcementsPage(
  deps: Deps,
  actor: Actor,
  slug: string,
  /** The answer to a question that is to be announced. */
  from: number | null = null,
): Promise<Result<AnnouncementsPage, NotFound>> {
  const door = await enterCourse(deps, actor, slug);
  if (!door.ok) return door;
  const course = door.value;
  const [found, readers, mails, people] = await Promise.all([
    ask(announcementsFor(deps.db, actor.id, deps.now, ALL, { course: course.id })),
    course.staff ? announcementReaders(deps.db, course.id) : null,
    course.staff ? announcementMails(deps.db, course.id) : null,
    course.staff ? peopleOf(deps.db, course.id) : [],
  ]);
  return ok({
    course,
    now: deps.now,
    announcements: found.map((a) => ({
      ...a,
      readBy: readers ? (readers.get(a.id) ?? 0) : null,
      mailed: mails?.get(a.id) ?? null,
    })),
    students: people.filter((p) => p.role === 'student').length,
    begin: from === null ? null : await toAnnounce(deps, actor, slug, from),
  });
}

/** The most plain words of one that are kept beside its text. */
const MOST_PLAIN = 10_000;

/** What every announcement says, and when: plain text, or a document of the editor in its place. */
export const announced = {
  title: z.string().trim().min(1).max(200),
  body: z.string().trim().max(MOST_PLAIN).default(''),
  doc: z.unknown().optional(),
  /** By the course's clock; empty for at once. */
  at: z.string().max(40).transform(typedWall).default(''),
};

export const announcementSchema = z.object({
  ...announced,
  /** For these alone; nobody named is everybody. */
  people: z.array(z.uuid()).max(500).default([]),
});

type Said = z.output<typeof announcementSchema>;

export type AnnounceFailure =
  NotFound | { code: 'staff-only' | 'no-time' | 'no-student' | 'nothing-written' } | DocumentFailure;

/** Announces something to a course, or to some of it, now or at a time. Only its staff may; nobody can switch announcements off. */
export async function announce(
  deps: Deps,
  actor: Actor,
  slug: string,
  said: Pick<Said, 'title'> & Partial<Said>,
): Promise<Result<{ id: string }, AnnounceFailure>> {
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
  return deps.db.transaction(async (tx): Promise<Result<{ id: string }, AnnounceFailure>> => {
    const doc = said.doc ? await materialText(tx, actor, course.id, said.doc, null) : null;
    if (doc && !doc.ok) return doc;
    const body = doc ? plainText(doc.value).trim().slice(0, MOST_PLAIN) : (said.body ?? '');
    if (!doc && !body) return fail({ code: 'nothing-written' });
    await insertAnnouncement(tx, {
      course: course.id,
      id,
      author: actor.id,
      title: said.title,
      body,
      doc: doc?.value ?? null,
      postedAt: at > deps.now ? at : deps.now,
      people: [...new Set(people)].map(personId),
    });
    if (at <= deps.now) await tellAnnouncements(deps, tx);
    return ok({ id });
  });
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
export const readAnnouncement = (deps: Deps, actor: Actor, id: string) =>
  recordAnnouncementRead(deps.db, actor.id, id, deps.now);
