import {
  courseId,
  instant,
  personId,
  type CourseId,
  type Instant,
  type PersonId,
  type Role,
} from '@/core/ids';
import { timestamptz, type Db } from '../connection';

export type NewInvitation = {
  id: string;
  name: string;
  email: string;
  course: CourseId | null;
  role: Role | null;
  steward: boolean;
  /** Who invites; nobody where somebody asked for themselves. */
  by: PersonId | null;
  now: Instant;
};

export async function insertInvitations(db: Db, all: readonly NewInvitation[]) {
  for (let i = 0; i < all.length; i += 500)
    await db('invitations').insert(
      all.slice(i, i + 500).map((v) => ({
        id: v.id,
        name: v.name,
        email: v.email,
        course_id: v.course,
        role: v.role,
        steward: v.steward,
        invited_by: v.by,
        made_at: timestamptz(v.now),
        asked_at: timestamptz(v.now),
      })),
    );
}

export type InvitationRecord = {
  id: string;
  name: string;
  email: string;
  course: { id: CourseId; code: string; title: string } | null;
  role: Role | null;
  steward: boolean;
  /** When it was sent last. */
  asked: Instant;
  takenBack: boolean;
  accepted: boolean;
  by: string | null;
};

const COLUMNS = [
  'i.id',
  'i.name',
  'i.email',
  'i.course_id',
  'c.code',
  'c.title',
  'i.role',
  'i.steward',
  'i.asked_at',
  'i.taken_back_at',
  'i.accepted_at',
  'b.name as by',
];
const from = (db: Db) =>
  db('invitations as i')
    .leftJoin('courses as c', 'c.id', 'i.course_id')
    .leftJoin('people as b', 'b.id', 'i.invited_by');

// eslint-disable-next-line @typescript-eslint/no-explicit-any
const toInvitation = (r: any): InvitationRecord => ({
  id: r.id,
  name: r.name,
  email: r.email,
  course: r.course_id === null ? null : { id: courseId(r.course_id), code: r.code, title: r.title },
  role: r.role,
  steward: r.steward,
  asked: instant(r.asked_at),
  takenBack: r.taken_back_at !== null,
  accepted: r.accepted_at !== null,
  by: r.by,
});

export async function invitation(db: Db, id: string): Promise<InvitationRecord | null> {
  const row = await from(db).where('i.id', id).first(COLUMNS);
  return row ? toInvitation(row) : null;
}

const open = (q: ReturnType<typeof from>) => q.whereNull('i.accepted_at').whereNull('i.taken_back_at');

/** Invitations that may still be accepted, of an address, newest first. */
export async function openInvitationsTo(db: Db, email: string): Promise<InvitationRecord[]> {
  const rows = await open(from(db))
    .whereRaw('lower(i.email) = lower(?)', [email])
    .orderBy('i.made_at', 'desc')
    .select(COLUMNS);
  return rows.map(toInvitation);
}

/** Invitations that nobody has answered yet, newest first: of a course, or of all. */
export async function openInvitations(
  db: Db,
  course: CourseId | null,
  limit: number,
): Promise<InvitationRecord[]> {
  const rows = await open(from(db))
    .modify((q) => void (course === null ? q : q.where('i.course_id', course)))
    .orderBy('i.asked_at', 'desc')
    .orderBy('i.id')
    .limit(limit)
    .select(COLUMNS);
  return rows.map(toInvitation);
}

export async function countOpenInvitations(db: Db): Promise<number> {
  const row = await open(from(db)).count('* as n').first();
  return Number(row?.n ?? 0);
}

export const askAgain = (db: Db, id: string, now: Instant) =>
  db('invitations')
    .where({ id })
    .update({ asked_at: timestamptz(now) });

export const takeInvitationBack = (db: Db, id: string, now: Instant) =>
  db('invitations')
    .where({ id })
    .whereNull('accepted_at')
    .update({ taken_back_at: timestamptz(now) });

/** Accepts every open invitation to an address for a person; gives which they were. */
export async function acceptInvitationsTo(
  db: Db,
  email: string,
  person: PersonId,
  now: Instant,
): Promise<{ course: CourseId | null; role: Role | null; steward: boolean; by: PersonId | null }[]> {
  const rows = await db('invitations')
    .whereRaw('lower(email) = lower(?)', [email])
    .whereNull('accepted_at')
    .whereNull('taken_back_at')
    .update({ accepted_at: timestamptz(now), accepted_by: person })
    .returning(['course_id', 'role', 'steward', 'invited_by']);
  return rows.map((r) => ({
    course: r.course_id === null ? null : courseId(r.course_id),
    role: r.role,
    steward: r.steward,
    by: r.invited_by === null ? null : personId(r.invited_by),
  }));
}

/** Of these addresses (folded as the database folds them), those that are invited to a course and have not answered. */
export async function invitedTo(
  db: Db,
  course: CourseId,
  addresses: readonly string[],
): Promise<Set<string>> {
  const { rows } = await db.raw(
    `select distinct lower(email) as address from invitations
     where course_id = ? and accepted_at is null and taken_back_at is null and lower(email) = any(?::text[])`,
    [course, [...addresses]],
  );
  return new Set(rows.map((r: { address: string }) => r.address));
}
