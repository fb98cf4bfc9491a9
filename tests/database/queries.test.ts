import { documentFromText } from '@/core/document/compose';
import { tmpdir } from 'node:os';
import type { Knex } from 'knex';
import { calendarView } from '@/server/calendar/calendar';
import { beginPage } from '@/server/courses/begin';
import { courseWeek } from '@/server/courses/weeks';
import { listDiscussions } from '@/server/discussions/list';
import { find } from '@/server/find/find';
import { planView } from '@/server/planning/plan';
import { randomUUID } from 'node:crypto';
import { personId } from '@/core/ids';
import { classPage } from '@/server/desk/class';
import { deskPage } from '@/server/desk/discussion';
import { groupsPage } from '@/server/desk/groups';
import { termPage } from '@/server/desk/term';
import { yourPart } from '@/server/discussions/your-part';
import { markingPage } from '@/server/marks/marking';
import { marksTable } from '@/server/marks/table';
import { howItGoesPage } from '@/server/rhythm/how-it-goes';
import { progressPage } from '@/server/progress/progress';
import { addPeople, enrol } from '@/server/setup/setup';
import { readiness } from '@/server/setup/readiness';
import { thisWeek } from '@/server/week/this-week';
import { conversation } from '@/server/discussions/conversation';
import { migrationState } from '@/db/migrate';
import { prepareSchema } from '../../scripts/lib/database';
import { resumeClock, currentTime } from '@/server/clock/clock';
import { findSession, hashPassword, signIn, signOut, type SignInTry } from '@/server/sessions/sessions';
import { noteVisit } from '@/server/sessions/sessions';
import { asksIn, PLAIN } from './asks';
import { questionsPage } from '@/server/questions/questions';
import { deps, on, OPEN, shared, shareInput, smallCourse, triedBefore } from './world';
import { isIn } from './college';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('queries');
  db = world.db;
});
afterAll(() => db.destroy());
const { asked } = asksIn(() => db);

async function queriesOf(work: () => Promise<unknown>): Promise<number> {
  let n = 0;
  const count = () => (n += 1);
  db.on('query', count);
  try {
    await work();
  } finally {
    db.off('query', count);
  }
  return n;
}

/** So many more students in the course, who have shared nothing. */
async function manyMore(n: number) {
  const people = Array.from({ length: n }, (_, i) => ({
    id: personId(randomUUID()),
    name: `Student ${i}`,
    email: `many${i}@tidewell.example`,
    passwordHash: 'none',
    demo: false,
    timeZone: 'Europe/London',
    demoRank: null,
    lastSeen: null,
  }));
  await addPeople(db, people);
  await enrol(
    db,
    people.map(({ id }) => ({ course: world.course, person: id, role: 'student' as const })),
  );
}

describe('a page costs a fixed number of queries', () => {
  it('however many posts and students the class has', async () => {
    const { imani, noor, jun, holt } = world.people;
    const d = deps(db, 'Tue 16:00');
    const pages: [string, number, () => Promise<unknown>][] = [
      ['This week', 8, () => thisWeek(d, imani)],
      ['Discussions', 4, () => listDiscussions(d, imani, {})],
      ['Conversation', 7, () => conversation(d, imani, OPEN, { post: null, filter: 'all' })],
      ['Worth answering', 7, () => conversation(d, imani, OPEN, { post: null, filter: 'worth' })],
      ['Calendar', 10, () => calendarView(d, imani, { view: 'month' })],
      ['Plan', 6, () => planView(d, imani)],
      ['Course', 9, () => courseWeek(d, imani, 'geo-115', null)],
      ['Begin here', 6, () => beginPage(d, imani, 'geo-115')],
      ['Questions', 10, () => questionsPage(d, imani, 'geo-115', { ...PLAIN, number: null })],
      ['A question', 13, () => questionsPage(d, imani, 'geo-115', { ...PLAIN, number: 1 })],
      ['Find', 6, () => find(d, imani, 'reply number')],
      ['The term on the desk', 12, () => termPage(d, holt, 'geo-115')],
      ['A discussion on the desk', 18, () => deskPage(d, holt, 'geo-115', OPEN)],
      ['The marks of a discussion', 20, () => markingPage(d, holt, 'geo-115', OPEN, null)],
      ['Marks as a table', 15, () => marksTable(d, holt, 'geo-115', OPEN, 'name', 1)],
      ['How a course goes', 9, () => howItGoesPage(d, holt, 'geo-115')],
      ['Your part', 6, () => yourPart(d, noor, OPEN)],
      ['Progress', 1, () => progressPage(d, imani)],
      ['Groups', 6, () => groupsPage(d, holt, 'geo-115')],
      ['The class', 9, () => classPage(d, holt, 'geo-115', { page: 1, choose: '' })],
    ];
    await asked(noor, 'Is the table one source?');
    await db('courses').update({ beginning: JSON.stringify(documentFromText('Welcome.')) });
    const cost = async () => {
      const counts: [string, number][] = [];
      for (const [name, , load] of pages) counts.push([name, await queriesOf(load)]);
      return counts;
    };
    const first = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('A first response.'));
    const replyBy = (who: typeof noor, time: string, i: number) =>
      shared(
        db,
        who,
        OPEN,
        `Tue ${time}`,
        shareInput(`Reply number ${i}.`, { kind: 'reply', parent: first.post }),
      );
    await replyBy(jun, '10:30', 0);
    const before = await cost();
    for (let i = 0; i < 12; i += 1) await replyBy(jun, `11:${10 + i}`, i);
    await manyMore(300);
    expect(await cost()).toEqual(before);
    for (const [i, [name, most]] of pages.entries()) {
      expect([name, (before[i]?.[1] ?? Infinity) <= most]).toEqual([name, true]);
    }
  });
});

describe('This week', () => {
  it('shows a discussion from a week before it opens until a week after it closed, and owes only what is open', async () => {
    const line = async (now: number) => {
      const week = await thisWeek({ db, now: now as never }, world.people.imani);
      return { shown: week.lines.map((l) => l.slug), owed: week.owed.replies };
    };
    const day = 86_400_000;
    const monday = on('Mon 00:00');
    const closed = on('Sun 23:59') + 60_000;
    expect((await line(monday - 8 * day)).shown).toEqual([]);
    expect(await line(monday + 6 * 3_600_000)).toMatchObject({ shown: ['geo-1', 'geo-2'], owed: 6 });
    expect(await line(closed - 1)).toMatchObject({ owed: 3 });
    expect(await line(closed + 6.9 * day)).toMatchObject({ shown: ['geo-1', 'geo-2'], owed: 0 });
    expect((await line(closed + 7.1 * day)).shown).toEqual([]);
  });
});

describe('the schema', () => {
  it('serves while one version follows another, until what the earlier needs is taken away', async () => {
    const add = (name: string) =>
      db('knex_migrations').insert({ name, batch: 99, migration_time: new Date() });
    const ready = async () => (await readiness(db, tmpdir())).tables;
    try {
      await db('knex_migrations').where({ name: '0025_ways_in_finished' }).delete();
      expect(await migrationState(db)).toEqual({ code: 'unfinished', missing: ['0025_ways_in_finished'] });
      expect(await ready()).toBe('well');
      await add('0025_ways_in_finished');
      await add('9999_of_the_next');
      expect(await migrationState(db)).toMatchObject({ code: 'newer', finished: false });
      expect(await ready()).toBe('well');
      await add('9999_of_the_next_finished');
      expect(await migrationState(db)).toMatchObject({ code: 'newer', finished: true });
      expect(await ready()).toBe('not-well');
    } finally {
      await db('knex_migrations').where('name', 'like', '9999%').delete();
    }
    await db('knex_migrations').where({ name: '0024_ways_in' }).delete();
    expect(await migrationState(db)).toEqual({ code: 'behind', missing: ['0024_ways_in'] });
    expect(await ready()).toBe('not-well');
    await add('0024_ways_in');
  });

  it('is current after migrating, and a newer one is not touched', async () => {
    expect(await migrationState(db)).toEqual({ code: 'current' });
    await db('knex_migrations').insert({
      name: '9999_from_the_future',
      batch: 99,
      migration_time: new Date(),
    });
    try {
      await expect(prepareSchema(db)).rejects.toThrow(/newer Pulpit/u);
    } finally {
      await db('knex_migrations').where({ name: '9999_from_the_future' }).delete();
    }
  });
});

describe('the demo’s clock', () => {
  it('goes on from where things last happened, and never behind it', async () => {
    const week = 7 * 86_400_000;
    await resumeClock(db, { real: () => on('Mon 00:00') + 10 * week }, on('Mon 08:00'));
    const last = await shared(db, world.people.rafi, OPEN, 'Wed 12:00', shareInput('The latest thing.'));
    expect(last.repeated).toBe(false);
    const clock = { real: () => on('Mon 00:00') + 20 * week };
    await resumeClock(db, clock, null);
    expect(await currentTime(db, clock)).toBe(on('Wed 12:00'));
    expect(await currentTime(db, { real: () => clock.real() + 5_000 })).toBe(on('Wed 12:00') + 5_000);
  });
});

describe('signing in', () => {
  beforeEach(() => triedBefore(db, 15));

  const from = (email: string, password: string, over: Partial<SignInTry> = {}): SignInTry => ({
    email,
    password,
    network: '192.0.2.7',
    device: null,
    agent: '',
    demo: true,
    ...over,
  });

  it('wants the right password, forgets a session that ends, and slows guessing down', async () => {
    const { imani } = world.people;
    await db('people')
      .where({ id: imani.id })
      .update({ email: 'imani@tidewell.example', password_hash: await hashPassword('two banks') });
    const d = deps(db, 'Tue 10:00');
    expect(await signIn(d, from('imani@tidewell.example', 'one bank'))).toMatchObject({
      failure: { code: 'wrong-credentials' },
    });
    expect(await signIn(d, from('nobody@tidewell.example', 'two banks'))).toMatchObject({
      failure: { code: 'wrong-credentials' },
    });
    const { token } = isIn(await signIn(d, from('IMANI@tidewell.example', 'two banks')));
    expect((await findSession(db, token))?.person).toBe(imani.id);
    expect(await db('sessions').whereRaw("encode(token_hash, 'escape') like ?", [`%${token}%`])).toEqual([]);
    await signOut(db, token);
    expect(await findSession(db, token)).toBeNull();
    for (let i = 0; i < 20; i += 1) await signIn(d, from('imani@tidewell.example', 'guess'));
    const right = () => signIn(d, from('imani@tidewell.example', 'two banks'));
    expect(await right()).toMatchObject({ failure: { code: 'too-many-tries' } });
    await triedBefore(db, 14);
    expect(await right()).toMatchObject({ failure: { code: 'too-many-tries' } });
    await triedBefore(db, 1);
    expect(await right()).toMatchObject({ ok: true });
  });

  it('counts an address by the database’s own folding, and many at once like many in a row', async () => {
    const d = deps(db, 'Wed 10:00');
    const spellings = ['imani@tidewell.example', 'IMANI@Tidewell.example'];
    const tries = (n: number, net: string) =>
      Promise.all(
        Array.from({ length: n }, (_, i) =>
          signIn(d, from(spellings[i % 2] ?? '', 'guess', { network: `${net}.${i}` })),
        ),
      );
    await tries(10, '192.0.2');
    // Ten tries by a stranger lock nobody out.
    expect(await signIn(d, from('imani@tidewell.example', 'two banks'))).toMatchObject({ ok: true });
    const codes = (await tries(130, '198.51.100')).map((r) => (r.ok ? 'in' : r.failure.code));
    // Of all, in a quarter of an hour, a hundred are looked at, from wherever they come and however they are spelt.
    expect(codes.filter((c) => c === 'wrong-credentials')).toHaveLength(90);
    expect(codes.filter((c) => c === 'too-many-tries')).toHaveLength(40);
    const { rows } = await db.raw(`select lower('İmani@x') = lower('imani@x') as same`);
    const dotted = await signIn(d, from('İmani@tidewell.example', 'guess', { network: '203.0.113.77' }));
    expect(dotted).toMatchObject({
      failure: { code: rows[0].same ? 'too-many-tries' : 'wrong-credentials' },
    });
  });

  it('stops addresses being sprayed from one network, and locks nobody out on a device they know', async () => {
    const d = deps(db, 'Thu 10:00');
    const first = isIn(
      await signIn(d, from('imani@tidewell.example', 'two banks', { network: '203.0.113.9' })),
    );
    const spray = Array.from({ length: 70 }, (_, i) =>
      signIn(d, from(`student${i}@tidewell.example`, 'a river has two banks', { network: '203.0.113.9' })),
    );
    const codes = (await Promise.all(spray)).map((r) => (r.ok ? 'in' : r.failure.code));
    expect(codes.filter((c) => c === 'too-many-tries')).toHaveLength(10);
    const at = (device: string | null) =>
      signIn(d, from('imani@tidewell.example', 'two banks', { network: '203.0.113.9', device }));
    expect(await at(null)).toMatchObject({ failure: { code: 'too-many-tries' } });
    expect(await at('another-device')).toMatchObject({ failure: { code: 'too-many-tries' } });
    expect(await at(first.device)).toMatchObject({ ok: true });
  });

  it('is not for people of the demo where there is none', async () => {
    const { imani } = world.people;
    await db('people').where({ id: imani.id }).update({ demo: true });
    const d = deps(db, 'Fri 10:00');
    const as = (demo: boolean) =>
      signIn(d, from('imani@tidewell.example', 'two banks', { demo, network: '192.0.2.99' }));
    expect(await as(false)).toMatchObject({ failure: { code: 'wrong-credentials' } });
    expect(await as(true)).toMatchObject({ ok: true });
    await db('people').where({ id: imani.id }).update({ demo: false });
  });

  it('knows when the visit before this one ended', async () => {
    const person = world.people.noor.id;
    const visit = (when: string, lastSeen: string | null, before: string | null) =>
      noteVisit(deps(db, when), {
        person,
        hash: Buffer.alloc(32),
        seen: on(lastSeen ?? when),
        lastSeen: lastSeen === null ? null : on(lastSeen),
        previousVisit: before === null ? null : on(before),
      });
    expect(await visit('Mon 10:00', null, null)).toBeNull();
    expect(await visit('Mon 10:20', 'Mon 10:00', null)).toBeNull();
    expect(await visit('Tue 09:00', 'Mon 10:20', null)).toBe(on('Mon 10:20'));
    expect(await visit('Tue 09:02', 'Tue 09:00', 'Mon 10:20')).toBe(on('Mon 10:20'));
  });
});
