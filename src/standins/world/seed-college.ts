import type { Correction } from '@/core/outside/corrections';
import { giveCorrections } from '@/server/outside/corrections';
import { courseId, instant, personId, type Instant } from '@/core/ids';
import type { Deps } from '@/server/deps';
import { invite } from '@/server/people/invite';
import { joinByCode } from '@/server/people/join';
import { setUpCollege } from '@/server/setup/setup';
import { changeCollege } from '@/server/stewards/college';
import { actOnCourse, coursePage } from '@/server/stewards/courses';
import { enterAsSteward } from '@/server/stewards/enter';
import { actOnPerson } from '@/server/stewards/people';
import { emailOf, OFFERED, STEWARD } from './people';

const DAY_MS = 86_400_000;

type Named = {
  idOf: (kind: string, name: string) => string;
  passwordHash: string;
  timeZone: string;
};

/** People who were invited and have not come yet. */
const INVITED = [
  { name: 'Henrike Valdane', course: 'SND 130', role: 'assistant', daysAgo: 6 },
  { name: 'Oluwaseun Brandt-Ferreira', course: 'GEO 115', role: 'student', daysAgo: 3 },
  { name: 'Cosima Rael', course: 'PLA 204', role: 'student', daysAgo: 2 },
] as const;

/** What people here put right of what was read of their prompts, and gave. */
const PUT_RIGHT: Correction[] = [
  {
    field: 'replies.count',
    words: 'Find two benches that fail for another reason and ask after them.',
    read: '1',
    meant: '2',
    sure: 0.71,
  },
  {
    field: 'response.words.max',
    words: 'A page is plenty; I stop reading at 400.',
    read: '400',
    meant: '400',
    sure: 0.52,
  },
  {
    field: 'late',
    words: 'What comes on Monday is for the drawer.',
    read: 'accepted',
    meant: 'refused',
    sure: 0.47,
  },
  {
    field: 'response.sources.min',
    words: 'Bring the charter and one of the two letters.',
    read: '1',
    meant: '2',
    sure: 0.8,
  },
  {
    field: 'sealed',
    words: 'You read the others when you have something to set beside them.',
    read: 'on',
    meant: 'on',
    sure: 0.44,
  },
];

/**
 * The steward of the demo's college and what she did in its first six weeks, through the use-cases as in life: help is said, a course
 * has a code and somebody asks to be let in, invitations are open, and the log tells of all that.
 */
export async function addCollege(db: Deps['db'], now: Instant, { idOf, passwordHash, timeZone }: Named) {
  const ago = (days: number): Deps => ({ db, now: instant(now - days * DAY_MS) });
  const id = personId(idOf('person', STEWARD));
  const actor = (name: string) => ({
    id: personId(idOf('person', name)),
    name,
    timeZone,
    previousVisit: null,
  });
  await setUpCollege(db, {
    college: 'Tidewell Open College',
    timeZone,
    steward: { id, name: STEWARD, email: emailOf(STEWARD), passwordHash, rank: OFFERED.indexOf(STEWARD) + 1 },
    now: ago(44).now,
  });
  const door = await enterAsSteward(ago(44), actor(STEWARD));
  if (!door.ok) throw new Error('the demo’s steward is one');
  const steward = door.value;
  await changeCollege(ago(43), steward, {
    name: 'Tidewell Open College',
    timeZone,
    telephone: '+44 20 7946 0115',
    mail: 'help@tidewell.example',
    hours: 'Monday to Friday, 9 to 17',
    alone: 'yes',
    signOn: 'yes',
    signOnNew: '',
    personMb: 500,
    courseMb: 20_480,
  });
  await giveCorrections(ago(12), PUT_RIGHT.slice(0, 3));
  await giveCorrections(ago(5), PUT_RIGHT.slice(3));
  const sound = idOf('course', 'SND 130');
  await actOnCourse(ago(40), steward, sound, { act: 'code', approval: true });
  await actOnPerson(ago(38), steward, idOf('person', 'Bastian Grey'), {
    act: 'role',
    course: idOf('course', 'GEO 115'),
    role: 'assistant',
  });
  for (const { name, course, role, daysAgo } of INVITED) {
    await invite(ago(daysAgo), steward, {
      name,
      email: emailOf(name),
      as: { course: idOf('course', course), role },
    });
  }
  const page = await coursePage(ago(1), courseId(sound));
  if (page.ok && page.value.code)
    await joinByCode(ago(1), actor('Lucinda Farrow'), page.value.code.code, null);
}
