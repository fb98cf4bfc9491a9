import type { Instant, PersonId } from '@/core/ids';
import { setSteward } from '@/db/queries/accounts';
import { nameCollege } from '@/db/queries/college';
import { insertPeople } from '@/db/queries/setup';
import { logSteward } from '@/db/queries/steward-log';
import type { Deps } from '../deps';

/**
 * Setting up courses and people: what an administrator's import will do, and what the demo world does today. Callers
 * own the transaction.
 */
export {
  anyPeople,
  insertCourses as addCourses,
  insertDiscussions as addDiscussions,
  insertEnrolments as enrol,
  insertExcusal as excuse,
  insertExtension as extend,
  insertPeople as addPeople,
  insertFiles as addFiles,
  insertReadings as addReadings,
  insertSpells as addSpells,
  insertSyllabus as addSyllabus,
  markReadBefore,
  takeBack,
  type NewCourse,
  type NewDiscussion,
  type NewPerson,
  type NewWeek,
} from '@/db/queries/setup';
export { insertAnnouncement as addAnnouncement } from '@/db/queries/announcements';
export { announcementTimes, settleNotices } from '@/db/queries/setup-notices';
export { insertPasskey as addPasskey, notePasskeyUsed } from '@/db/queries/passkeys';
export { openSession as addSession } from '@/db/queries/people';
export {
  confirmSecondFactor,
  proposeSecondFactor as addSecondFactor,
  replaceRecoveryCodes as addRecoveryCodes,
} from '@/db/queries/second-factors';

/** Names a college that is laid out whole, with the steward who looks after it. */
export async function setUpCollege(
  db: Deps['db'],
  c: {
    college: string;
    timeZone: string;
    steward: { id: PersonId; name: string; email: string; passwordHash: string; rank: number };
    now: Instant;
  },
) {
  await db.transaction(async (tx) => {
    const help = { telephone: '', mail: '', hours: '' };
    await nameCollege(
      tx,
      {
        name: c.college,
        timeZone: c.timeZone,
        help,
        alone: true,
        signOn: true,
        signOnNew: false,
        personMb: 500,
        courseMb: 20_480,
      },
      c.now,
    );
    const { rank, ...steward } = c.steward;
    await insertPeople(tx, [
      { ...steward, demo: true, timeZone: c.timeZone, demoRank: rank, lastSeen: c.now },
    ]);
    await setSteward(tx, steward.id, true);
    await logSteward(tx, { steward: steward.id, act: 'first-run', now: c.now });
  });
}
