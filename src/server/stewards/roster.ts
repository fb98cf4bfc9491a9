import { randomUUID } from 'node:crypto';
import type { NotRead } from '@/contract/not-read';
import type { RosterPage } from '@/contract/stewards';
import { courseId, type PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import { accountsByAddress, enrolNew, folded } from '@/db/queries/accounts';
import { hostedCourse } from '@/db/queries/hosted-courses';
import { insertInvitations, invitedTo, type NewInvitation } from '@/db/queries/invitations';
import { postMails, type NewMail } from '@/db/queries/mails';
import { dropRoster, insertRoster, roster, rosterTaken } from '@/db/queries/rosters';
import { logSteward } from '@/db/queries/steward-log';
import type { NotFound } from '../access/enter';
import type { Deps } from '../deps';
import { readFor } from '../readers/readers';
import type { Steward } from './enter';

/** Five thousand people with long names, several times over; of a larger file nothing is read. */
export const MOST_ROSTER_BYTES = 4_000_000;
const SAMPLE = 8;

export type RosterFailure =
  | NotFound
  | NotRead
  | { code: 'roster-too-large' }
  | { code: 'roster-empty' }
  | { code: 'roster-too-long'; left: number }
  | { code: 'no-columns'; found: string[] };

/** Takes a file in as a roster that is to be looked at: nobody is invited yet. */
export async function bringRoster(
  deps: Deps,
  steward: Steward,
  course: string,
  file: { name: string; bytes: Buffer; cut: boolean },
): Promise<Result<{ roster: string }, RosterFailure>> {
  const into = await hostedCourse(deps.db, courseId(course));
  if (!into) return fail({ code: 'not-found' });
  if (file.cut) return fail({ code: 'roster-too-large' });
  const read = await readFor(deps, steward, 'roster', { bytes: file.bytes });
  if (!read.ok) return read;
  const found = read.value;
  if (found.code === 'empty') return fail({ code: 'roster-empty' });
  if (found.code === 'no-columns') return fail({ code: 'no-columns', found: found.found });
  if (found.left > 0) return fail({ code: 'roster-too-long', left: found.left });
  const id = randomUUID();
  await insertRoster(deps.db, {
    id,
    course: into.id,
    by: steward.id,
    name: file.name.slice(0, 300) || 'roster',
    lines: found.lines,
    now: deps.now,
  });
  return ok({ roster: id });
}

/** A roster before it is taken: how many can be invited, and every line that cannot be used, with why. */
export async function rosterPage(deps: Deps, id: string): Promise<Result<RosterPage, NotFound>> {
  const found = await roster(deps.db, id);
  const course = found && !found.taken ? await hostedCourse(deps.db, found.course) : null;
  if (!found || !course) return fail({ code: 'not-found' });
  const sound = found.lines.filter((l) => !l.problem);
  return ok({
    id,
    course,
    name: found.name,
    sound: sound.length,
    problems: found.lines.filter((l) => l.problem),
    sample: sound.slice(0, SAMPLE),
  });
}

export type RosterTaken = { invited: number; letIn: number; there: number };

/**
 * Takes the sound lines of a roster, in one transaction: whoever has an account is let in, everybody else is invited by mail, and who is
 * there or invited already is left as they are.
 */
export async function takeRoster(
  deps: Deps,
  steward: Steward,
  id: string,
): Promise<Result<RosterTaken, NotFound>> {
  return deps.db.transaction(async (tx) => {
    const found = await roster(tx, id, true);
    if (!found || found.taken) return fail({ code: 'not-found' as const });
    const sound = found.lines.filter((l) => !l.problem);
    const addresses = await folded(
      tx,
      sound.map((l) => l.email),
    );
    const [accounts, invited] = await Promise.all([
      accountsByAddress(tx, addresses),
      invitedTo(tx, found.course, addresses),
    ]);
    const invitations: NewInvitation[] = [];
    const mails: NewMail[] = [];
    const taken: RosterTaken = { invited: 0, letIn: 0, there: 0 };
    const mail = (kind: string, to: string, about: object) =>
      mails.push({ id: randomUUID(), kind, to, about, now: deps.now });
    const letIn = async (person: PersonId, line: (typeof sound)[number]) => {
      if (!(await enrolNew(tx, found.course, person, line.role))) {
        taken.there += 1;
        return;
      }
      taken.letIn += 1;
      mail('let-in', line.email, { person, course: found.course, role: line.role });
    };
    for (const [i, line] of sound.entries()) {
      const address = addresses[i] ?? '';
      const person = accounts.get(address);
      if (person) await letIn(person, line);
      else if (invited.has(address)) taken.there += 1;
      else {
        const invitation = randomUUID();
        invited.add(address);
        invitations.push({
          id: invitation,
          name: line.name,
          email: line.email,
          course: found.course,
          role: line.role,
          steward: false,
          by: steward.id,
          now: deps.now,
        });
        mail('invitation', line.email, { invitation });
        taken.invited += 1;
      }
    }
    await insertInvitations(tx, invitations);
    await postMails(tx, mails);
    await rosterTaken(tx, id, deps.now);
    await logSteward(tx, {
      steward: steward.id,
      act: 'roster',
      course: found.course,
      detail: { invited: taken.invited, letIn: taken.letIn },
      now: deps.now,
    });
    return ok(taken);
  });
}

/** Leaves the whole roster alone: it is thrown away. */
export const leaveRoster = (deps: Deps, id: string) => dropRoster(deps.db, id);
