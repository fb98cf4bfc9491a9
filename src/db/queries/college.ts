import { timestamptz, type Db } from '../connection';
import type { Instant } from '@/core/ids';

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
};

/** Whose installation this is; null before anybody has said so. */
export async function college(db: Db): Promise<CollegeRecord | null> {
  const row = await db('college').first(
    'name',
    'time_zone',
    'help_telephone',
    'help_mail',
    'help_hours',
    'alone',
    'sign_on',
    'sign_on_new',
  );
  return row
    ? {
        name: row.name,
        timeZone: row.time_zone,
        help: { telephone: row.help_telephone, mail: row.help_mail, hours: row.help_hours },
        alone: row.alone,
        signOn: row.sign_on,
        signOnNew: row.sign_on_new,
      }
    : null;
}

/** Says whose installation this is, or says it anew. */
export async function nameCollege(
  db: Db,
  { name, timeZone, help, alone, signOn, signOnNew }: CollegeRecord,
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
    ]);
}
