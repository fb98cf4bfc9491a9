import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import type { Knex } from 'knex';
import { connect } from '@/db/connection';
import { peopleOf } from '@/db/queries/courses';
import { courseId, type PersonId } from '@/core/ids';
import { currentTime } from '@/server/clock/clock';
import type { Actor } from '@/server/deps';
import { offeredPeople } from '@/server/sessions/offered';
import { actOnce, type Act } from '@/standins/classmates/classmate';
import { pick, randomFrom } from '@/standins/classmates/random';
import { realClock } from '../lib/database';
import { startCluster } from '../lib/postgres';
import { say } from '../lib/say';

export const help = `./pulpit classmates [--speed N] [--discussion SLUG] [--acts N] [--seed N]

Lets the rest of a class post, reply, edit, mark and read in the running demo, through the same functions as people do, so
that one can watch what a live discussion does. The people one can sign in as are left alone. Ends with Ctrl-C.

  --speed N          how much faster than life (60): a class does something about every five minutes
  --discussion SLUG  where (geo-115-w6)
  --acts N           ends after so many acts
  --seed N           another run; the same number makes the same choices`;

const FIVE_MINUTES_MS = 300_000;

async function classOf(db: Knex, slug: string): Promise<Actor[]> {
  const row = await db('discussions').where({ slug }).first('course_id');
  if (!row) throw new Error(`There is no discussion ${slug}.`);
  const offered = new Set<PersonId>((await offeredPeople({ db })).map((p) => p.id));
  const people = await peopleOf(db, courseId(row.course_id));
  return people
    .filter((p) => p.role === 'student' && !offered.has(p.id))
    .map(({ id, name }) => ({ id, name, timeZone: 'Europe/London', previousVisit: null }));
}

const WORDS: Record<Exclude<Act['did'], 'nothing'>, string> = {
  responded: 'shared a response',
  replied: 'replied to',
  edited: 'changed a post',
  'said well': 'said “well said” to',
  read: 'read',
};

const told = (actor: Actor, { did, post, to }: Act) =>
  did === 'nothing' ? null : `${actor.name} ${WORDS[did]}${to ? ` ${to}` : ''}${post ? ` (#${post})` : ''}`;

export async function run(args: string[]): Promise<number> {
  const { values } = parseArgs({
    args,
    options: {
      speed: { type: 'string', default: '60' },
      discussion: { type: 'string', default: 'geo-115-w6' },
      acts: { type: 'string', default: '0' },
      seed: { type: 'string', default: '1' },
    },
  });
  const speed = Number(values.speed);
  const most = Number(values.acts);
  if (!(speed > 0) || !(most >= 0)) throw new Error('--speed and --acts are numbers: see --help.');
  const random = randomFrom(Number(values.seed));
  const db = connect(process.env.DATABASE_URL ?? (await startCluster('demo')), { poolMax: 2 });
  try {
    const classmates = await classOf(db, values.discussion);
    if (classmates.length === 0) throw new Error('There is nobody in this class who could act.');
    say(`${classmates.length} classmates in ${values.discussion}, ${speed} times as fast as life.`);
    for (let done = 0, tries = 0; most === 0 || (done < most && tries < most * 20); tries += 1) {
      const actor = pick(classmates, random);
      const deps = { db, now: await currentTime(db, realClock) };
      const line = told(actor, await actOnce({ deps, actor, slug: values.discussion, random }));
      if (line === null) continue;
      say(line);
      done += 1;
      // Nobody acts by the clock: half to one and a half times the pause.
      await wait((FIVE_MINUTES_MS / speed) * (0.5 + random()));
    }
  } finally {
    await db.destroy();
  }
  return 0;
}
