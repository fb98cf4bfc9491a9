import type { Knex } from 'knex';
import { briefSchema } from '@/core/brief/brief';
import {
  courseId,
  discussionId,
  instant,
  personId,
  type CourseId,
  type Instant,
  type Role,
} from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { connect } from '@/db/connection';
import type { Actor, Deps } from '@/server/deps';
import { share } from '@/server/posts/share';
import type { ShareInput } from '@/contract/writing';
import { boxOf, type Box } from '@/server/secrets/box';
import * as setup from '@/server/setup/setup';
import { createDatabase, withDatabase } from '../../scripts/lib/database';
import { randomUUID } from 'node:crypto';
import { MIGRATED } from './template';

/** A database of its own for one test file, with one small course in it. */
export async function smallCourse(name: string) {
  const server = process.env.PULPIT_TEST_DATABASE;
  if (!server) throw new Error('Run these tests with ./pulpit test: they need PostgreSQL.');
  const database = `test_${name}`;
  await createDatabase(server, database, MIGRATED);
  const db = connect(withDatabase(server, database), { poolMax: 8 });
  return { db, ...(await fill(db)) };
}

export const SEALED = 'geo-1';
export const OPEN = 'geo-2';

async function fill(db: Knex) {
  const course = courseId(randomUUID());
  const other = courseId(randomUUID());
  const person = (n: string): Actor => ({
    id: personId(randomUUID()),
    name: n,
    timeZone: 'UTC',
    previousVisit: null,
  });
  const people = {
    imani: person('Imani Okoro'),
    noor: person('Noor Vasquez'),
    jun: person('Jun Hathaway'),
    rafi: person('Rafi Castellan'),
    kwame: person('Kwame Sorley'),
    holt: person('Dr. Maren Holt'),
    stranger: person('Leila Fenwick'),
  };
  const discussion = { sealed: discussionId(randomUUID()), open: discussionId(randomUUID()) };
  await setup.addPeople(
    db,
    Object.values(people).map((p) => ({
      id: p.id,
      name: p.name,
      email: `${p.id}@tidewell.example`,
      passwordHash: 'x',
      timeZone: 'UTC',
      demoRank: null,
      lastSeen: null,
    })),
  );
  await setup.addCourses(
    db,
    [
      { id: course, code: 'GEO 115', title: 'Rivers', timeZone: 'UTC' },
      { id: other, code: 'PLA 204', title: 'Signs', timeZone: 'UTC' },
    ],
    [{ course, number: 6, title: 'Room for the river', startsOn: '2026-10-12', overview: '' }],
  );
  await setup.enrol(
    db,
    Object.entries(people).map(([key, p]) => ({
      course: key === 'stranger' ? other : course,
      person: p.id,
      role: (key === 'holt' ? 'instructor' : 'student') as Role,
    })),
  );
  const base = {
    course,
    week: 6,
    prompt: { type: 'doc', content: [{ type: 'paragraph' }] } as Doc,
    late: { rule: 'refused' } as const,
    graceMinutes: 0,
    opens: '2026-10-12T06:00',
    responseDue: '2026-10-15T23:59',
    repliesDue: '2026-10-18T23:59',
  };
  const brief = (sealed: boolean) =>
    briefSchema.parse({
      response: { words: { min: 3 } },
      replies: { count: 3, distinctPeers: true, words: { min: 2 } },
      sealed,
    });
  await setup.addDiscussions(db, [
    { ...base, id: discussion.sealed, slug: SEALED, title: 'Sealed', brief: brief(true) },
    { ...base, id: discussion.open, slug: OPEN, title: 'Open', brief: brief(false) },
  ]);
  return { course, people, discussion };
}

export const text = (words: string): Doc => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }],
});

/** A moment of the discussion's week, in UTC: `on('Tue 10:00')`. */
export function on(when: string): Instant {
  const [day = '', time = ''] = when.split(' ');
  const [h = 0, m = 0] = time.split(':').map(Number);
  return instant(
    Date.UTC(2026, 9, 12 + ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].indexOf(day), h, m),
  );
}

/** What these tests seal with. */
export const box = boxOf(Buffer.alloc(32, 1));

export const deps = (db: Knex, when: string): Deps & { box: Box } => ({ db, now: on(when), box });

/** As if so many minutes had passed since what was tried: tries are counted by the clock on the wall. */
export const triedBefore = (db: Knex, minutes: number) =>
  db('tries').update({ expire: db.raw('expire - ?', [minutes * 60_000]) });

export const shareInput = (words: string, over: Partial<ShareInput> = {}): ShareInput => ({
  kind: 'response',
  parent: null,
  submission: randomUUID(),
  title: '',
  doc: text(words),
  private: false,
  ...over,
});

/** Shares and insists that it went through. */
export async function shared(db: Knex, actor: Actor, slug: string, when: string, input: ShareInput) {
  const result = await share(deps(db, when), actor, slug, input);
  if (!result.ok) throw new Error(`not shared: ${result.failure.code}`);
  return result.value;
}

/** More people of the small course, by name. */
export async function joined(
  db: Knex,
  course: CourseId,
  names: readonly string[],
  role: Role = 'student',
): Promise<Actor[]> {
  const people = names.map((name): Actor => ({
    id: personId(randomUUID()),
    name,
    timeZone: 'UTC',
    previousVisit: null,
  }));
  await setup.addPeople(
    db,
    people.map(({ id, name }) => ({
      id,
      name,
      email: `${id}@tidewell.example`,
      passwordHash: 'x',
      timeZone: 'UTC',
      demoRank: null,
      lastSeen: null,
    })),
  );
  await setup.enrol(
    db,
    people.map(({ id }) => ({ course, person: id, role })),
  );
  return people;
}

/** Until somebody in this database waits for somebody else. */
export async function waitsForALock(db: Knex): Promise<void> {
  const { rows } = await db.raw(
    `select 1 from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`,
  );
  if (rows.length === 0) await waitsForALock(db);
}
