import type { CourseId, DiscussionId, Instant, PersonId, PostId } from '@/core/ids';
import type { Db } from '@/db/connection';
import { announcementsToTell, noteTold } from '@/db/queries/announcements';
import { everybodyIn, staffOf } from '@/db/queries/class';
import { courseOfMail } from '@/db/queries/deliveries';
import { keepPromptVersion } from '@/db/queries/prompt-versions';
import type { Deps } from '../deps';
import { tell } from './tell';

type Place = { course: CourseId; discussion: DiscussionId };

/** Marks of a discussion were released to these students. */
export const tellMarks = (
  db: Db,
  now: Instant,
  { course, discussion }: Place,
  marks: readonly { student: PersonId; n: number; by: PersonId }[],
) =>
  tell(
    db,
    now,
    marks.map(({ student, n, by }) => ({
      course,
      kind: 'mark',
      key: `mark ${discussion} ${n}`,
      topic: `mark ${discussion}`,
      discussion,
      by,
      to: [student],
      about: { n },
    })),
  );

/** Something was said about a mark or a comment: to its student by staff, or to the staff by its student. */
export async function tellTalk(
  db: Db,
  now: Instant,
  { course, discussion }: Place,
  said: { id: string; by: PersonId; student: PersonId },
) {
  const fromStudent = said.by === said.student;
  await tell(db, now, [
    {
      course,
      kind: fromStudent ? 'request' : 'answer',
      key: `said ${said.id}`,
      topic: `about mark ${discussion} ${said.student}`,
      discussion,
      by: said.by,
      to: fromStudent ? await staffOf(db, course) : [said.student],
      about: { asks: 'mark', student: said.student },
    },
  ]);
}

/** Somebody wrote a margin note that answers another's, or that asks the staff. */
export async function tellNote(
  db: Db,
  now: Instant,
  note: {
    id: string;
    course: CourseId;
    reading: string;
    by: PersonId;
    answers: PersonId | null;
    staff: boolean;
  },
) {
  const about = { reading: note.reading, note: note.id };
  const base = { course: note.course, key: `note ${note.id}`, by: note.by };
  if (note.answers)
    await tell(db, now, [{ ...base, kind: 'answer', to: [note.answers], about: { ...about, asks: 'note' } }]);
  else if (note.staff)
    await tell(db, now, [
      { ...base, kind: 'request', to: await staffOf(db, note.course), about: { ...about, asks: 'note' } },
    ]);
}

/** What a discussion asks for, or until when, is another: its whole class is told. */
export async function tellChange(
  db: Db,
  now: Instant,
  { course, discussion }: Place,
  by: PersonId,
  what: 'dates' | 'prompt',
) {
  const to = (await everybodyIn(db, course)).filter((p) => p.role !== 'observer').map((p) => p.id);
  await tellLeave(db, now, { course, discussion }, by, to, what);
}

/** What is asked of these in a discussion is another than before: of all, or of some more time, nothing at all, or as usual again. */
export const tellLeave = (
  db: Db,
  now: Instant,
  { course, discussion }: Place,
  by: PersonId,
  to: readonly PersonId[],
  what: 'dates' | 'prompt' | 'more-time' | 'excused' | 'refused' | 'usual' | 'draft-counted' | 'draft-back',
) =>
  tell(db, now, [
    {
      course,
      kind: 'change',
      key: `${what} ${discussion} ${now}`,
      topic: `change ${discussion}`,
      discussion,
      by,
      to,
      about: { what },
    },
  ]);

/** Somebody reported a post, asks for time, hands a draft over or gives a part back: their staff are told. */
export async function tellStaff(
  db: Db,
  now: Instant,
  { course, discussion }: Place,
  what:
    | { kind: 'report'; by: PersonId; post: PostId; id: string }
    | { kind: 'request'; by: PersonId; asks: 'time' | 'draft' | 'again' },
) {
  await tell(db, now, [
    {
      course,
      kind: what.kind,
      key: what.kind === 'report' ? `report ${what.id}` : `${what.asks} ${discussion} ${what.by} ${now}`,
      topic: what.kind === 'report' ? `report ${what.post}` : `${what.asks} ${discussion}`,
      discussion,
      by: what.by,
      to: await staffOf(db, course),
      about: what.kind === 'report' ? { post: what.post } : { asks: what.asks, student: what.by },
    },
  ]);
}

/**
 * Tells of announcements whose time has come: whom each reaches, once.
 *
 * @returns how many there were
 */
export async function tellAnnouncements({ now }: Pick<Deps, 'now'>, db: Db): Promise<number> {
  const due = await announcementsToTell(db, now);
  for (const { course, id, author, to } of due) {
    await tell(db, now, [
      {
        course,
        kind: 'announcement',
        key: `announcement ${id}`,
        by: author,
        to,
        about: { announcement: id },
      },
    ]);
    await noteTold(db, course, id, now);
  }
  return due.length;
}

/** Keeps what a discussion asked for before its staff change it, and tells the class that sees it. */
export async function keepAndTell(
  db: Db,
  place: Place,
  by: PersonId,
  now: Instant,
  what: 'dates' | 'prompt' = 'prompt',
) {
  if (await keepPromptVersion(db, place, by, now)) await tellChange(db, now, place, by, what);
}

/** Mail to somebody could not be delivered: it stands on their page, and why. */
export async function tellMailTrouble(db: Db, now: Instant, person: PersonId, mail: string, why: string) {
  const course = await courseOfMail(db, mail, person);
  if (course)
    await tell(db, now, [
      { course, kind: 'mail', key: `mail ${mail}`, topic: 'mail', by: null, to: [person], about: { why } },
    ]);
}
