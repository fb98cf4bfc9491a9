import { ask, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import type { Instant } from '@/core/ids';
import { versionOf } from './pictures';

export type CollegeRecord = {
  name: string;
  timeZone: string;
  help: { telephone: string; mail: string; hours: string };
  /** Whether anybody may make an account for themselves, in no course here. */
  alone: boolean;
  /** Whether the college's own sign-on is offered, where there is one. */
  signOn: boolean;
  /** Whether whoever it lets in gets an account here, invited or not. */
  signOnNew: boolean;
  /** How much one person may keep in a course, and all of a course together, in millions of bytes of 1,048,576. */
  personMb: number;
  courseMb: number;
};
/** The college as it is read: with what of its mark stands in the mark's address. */
export type College = CollegeRecord & { mark: string | null };

/** Whose installation this is; null before anybody has said so. */
export const askCollege = (db: Db): Ask<College | null> => ({
  query: db('college')
    .select(
      'name',
      'time_zone',
      'help_telephone',
      'help_mail',
      'help_hours',
      'alone',
      'sign_on',
      'sign_on_new',
      'person_mb',
      'course_mb',
      'mark',
    )
    .limit(1),
  read: ([row]) =>
    row
      ? {
          name: row.name,
          timeZone: row.time_zone,
          help: { telephone: row.help_telephone, mail: row.help_mail, hours: row.help_hours },
          alone: row.alone,
          signOn: row.sign_on,
          signOnNew: row.sign_on_new,
          personMb: row.person_mb,
          courseMb: row.course_mb,
          mark: versionOf(row.mark),
        }
      : null,
});
export const college = (db: Db): Promise<College | null> => ask(askCollege(db));

/** Says whose installation this is, or says it anew. */
export async function nameCollege(
  db: Db,
  { name, timeZone, help, alone, signOn, signOnNew, personMb, courseMb }: CollegeRecord,
  now: Instant,
) {
  await db('college')
    .insert({
      name,
      time_zone: timeZone,
      help_telephone: help.telephone,
      help_mail: help.mail,
      help_hours: help.hours,
      alone,
      sign_on: signOn,
      sign_on_new: signOnNew,
      person_mb: personMb,
      course_mb: courseMb,
      named_at: timestamptz(now),
    })
    .onConflict('only_row')
    .merge([
      'name',
      'time_zone',
      'help_telephone',
      'help_mail',
      'help_hours',
      'alone',
      'sign_on',
      'sign_on_new',
      'person_mb',
      'course_mb',
    ]);
}

/** The sum of the college's mark. */
export const markOf = async (db: Db): Promise<string | null> =>
  (await db('college').first('mark'))?.mark ?? null;
export const setMark = (db: Db, sum: string | null) => db('college').update({ mark: sum });

/** How much may be kept, where nobody has said so: see the table. */
const QUOTA = { personMb: 500, courseMb: 20_480 };
export async function quotas(db: Db): Promise<{ personMb: number; courseMb: number }> {
  const row = await db('college').first('person_mb', 'course_mb');
  return row ? { personMb: row.person_mb, courseMb: row.course_mb } : QUOTA;
}
