import { instant, type CourseId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** What a steward can do that is logged. */
export type StewardAct =
  | 'college'
  | 'course-made'
  | 'course-code'
  | 'course-code-stopped'
  | 'invited'
  | 'invited-again'
  | 'invitation-taken-back'
  | 'roster'
  | 'role-given'
  | 'role-taken'
  | 'steward-made'
  | 'steward-ended'
  | 'account-ended'
  | 'account-reopened'
  | 'signed-out'
  | 'second-factor-taken'
  | 'forgotten'
  | 'leavers'
  | 'join-granted'
  | 'join-refused'
  | 'corrections-forgotten'
  | 'first-run';

export type Logged = {
  steward: PersonId;
  act: StewardAct;
  person?: PersonId | null;
  course?: CourseId | null;
  detail?: Record<string, string | number>;
  now: Instant;
};

export const logSteward = (db: Db, { steward, act, person, course, detail, now }: Logged) =>
  db('steward_log').insert({
    done_at: timestamptz(now),
    steward_id: steward,
    act,
    person_id: person ?? null,
    course_id: course ?? null,
    detail: JSON.stringify(detail ?? {}),
  });

export type LogEntry = {
  id: number;
  at: Instant;
  act: StewardAct;
  by: string | null;
  person: string | null;
  course: string | null;
  detail: Record<string, string | number>;
};

/** The log, newest first, from before an entry on. */
export async function stewardLog(db: Db, before: number | null, limit: number): Promise<LogEntry[]> {
  const rows = await db('steward_log as l')
    .leftJoin('people as s', 's.id', 'l.steward_id')
    .leftJoin('people as p', 'p.id', 'l.person_id')
    .leftJoin('courses as c', 'c.id', 'l.course_id')
    .where('l.id', '<', before ?? Number.MAX_SAFE_INTEGER)
    .orderBy('l.id', 'desc')
    .limit(limit)
    .select('l.id', 'l.done_at', 'l.act', 'l.detail', 's.name as by', 'p.name as person', 'c.code as course');
  return rows.map((r) => ({
    id: Number(r.id),
    at: instant(r.done_at),
    act: r.act,
    by: r.by,
    person: r.person,
    course: r.course,
    detail: r.detail,
  }));
}
