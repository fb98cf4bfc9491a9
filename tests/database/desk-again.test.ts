import type { Knex } from 'knex';
import { againPage } from '@/server/desk/again';
import { actOnDesk, type DeskAct } from '@/server/desk/discussion';
import { actOnParts, type PartAct } from '@/server/desk/parts-played';
import { changeRules, rulesPage } from '@/server/desk/prompts';
import { yourPart } from '@/server/discussions/your-part';
import type { Actor } from '@/server/deps';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
const WHEN = 'Sat 10:00';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let n = 0;
beforeEach(async () => {
  n += 1;
  world = await smallCourse(`desk-again-${n}`);
  db = world.db;
});
afterEach(() => db.destroy());

const holt = () => world.people.holt;
const act = (done: DeskAct, when = WHEN) => actOnDesk(deps(db, when), holt(), GEO, OPEN, done);
const parts = (done: PartAct) => actOnParts(deps(db, WHEN), holt(), GEO, OPEN, done);
const stateOf = async (who: Actor) => {
  const part = await yourPart(deps(db, WHEN), who, OPEN);
  if (!part.ok || !part.value.head.ledger) throw new Error('no part');
  return part.value.head.ledger.obligations.map((o) => o.state);
};
const told = async () => Number((await db('notices').count('* as n').first())?.n);
const again = async (asked: Parameters<typeof againPage>[4], who = holt()) => {
  const page = await againPage(deps(db, WHEN), who, GEO, OPEN, asked);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value;
};

/** Noor has until Saturday, and shares on Friday, when everybody else’s time is over. */
async function extended() {
  const { noor } = world.people;
  const done = await act(
    { act: 'extend', people: [noor.id], responseDue: '2026-10-17T12:00', repliesDue: '', reason: 'ill' },
    'Tue 09:00',
  );
  expect(done.ok).toBe(true);
  await shared(db, noor, OPEN, 'Fri 10:00', shareInput('Words enough for this one.'));
  expect(await stateOf(noor)).toEqual(['counted', 'owed', 'owed', 'owed']);
  return noor;
}

describe('more time that is taken back after something counted by it', () => {
  it('is asked about first, with whom it touches; nothing is changed and nobody told by asking', async () => {
    const noor = await extended();
    const before = await told();
    const tried = await act({ act: 'usual', people: [noor.id] });
    expect(tried).toMatchObject({ ok: false, failure: { code: 'touches' } });
    const page = await again({ act: 'usual', people: [noor.id] });
    expect(page.people).toEqual([{ id: noor.id, name: 'Noor Vasquez' }]);
    expect(page.touched).toMatchObject([{ name: 'Noor Vasquez', worse: true, loses: 1 }]);
    expect(await stateOf(noor)).toEqual(['counted', 'owed', 'owed', 'owed']);
    expect(await told()).toBe(before);
    expect((await act({ act: 'usual', people: [noor.id], sure: page.stamp })).ok).toBe(true);
    expect(await stateOf(noor)).toEqual(['missed', 'owed', 'owed', 'owed']);
    expect(await db('posts').where({ author_id: noor.id })).toHaveLength(1);
    expect(await told()).toBeGreaterThan(before);
  });

  it('is asked about where it is made shorter, too; where nobody loses anything nobody is asked', async () => {
    const noor = await extended();
    const until = (responseDue: string): DeskAct => ({
      act: 'extend',
      people: [noor.id],
      responseDue,
      repliesDue: '',
      reason: 'better',
    });
    expect(await act(until('2026-10-16T08:00'))).toMatchObject({ failure: { code: 'touches' } });
    expect((await act(until('2026-10-17T20:00'))).ok).toBe(true);
    expect((await act({ act: 'excuse', people: [noor.id], reason: '' })).ok).toBe(true);
    const [x] = await db('extensions').select('response_due', 'reason');
    expect(x).toEqual({ response_due: '2026-10-17T20:00', reason: 'better' });
  });

  it('is no page for whoever does not teach the course', async () => {
    const noor = await extended();
    expect((await againPage(deps(db, WHEN), noor, GEO, OPEN, { act: 'usual', people: [noor.id] })).ok).toBe(
      false,
    );
  });
});

describe('a side or the lead that is given after somebody answered', () => {
  async function sides() {
    const { imani, noor } = world.people;
    const read = await rulesPage(deps(db, 'Mon 08:00'), holt(), GEO, OPEN);
    if (!read.ok) throw new Error(read.failure.code);
    const more = {
      'sides.first': 'Move',
      'sides.second': 'Hold',
      'replies.otherSide': 'on',
      'leader.replies': '5',
    };
    await changeRules(deps(db, 'Mon 08:01'), holt(), GEO, OPEN, {
      fields: { ...read.value.fields, ...more },
    });
    expect((await parts({ act: 'side', people: [imani.id], side: '1' })).ok).toBe(true);
    expect((await parts({ act: 'side', people: [noor.id], side: '2' })).ok).toBe(true);
    const { post } = await shared(db, noor, OPEN, 'Tue 10:00', shareInput('Words of the other.'));
    await shared(db, imani, OPEN, 'Tue 11:00', {
      ...shareInput('I doubt that, Noor.'),
      kind: 'reply',
      parent: post,
    });
    expect(await stateOf(imani)).toEqual(['missed', 'counted', 'owed', 'owed']);
    return { imani, noor };
  }

  it('names whoever answered them, though they are not the one it is given to', async () => {
    const { imani, noor } = await sides();
    const other = { act: 'side' as const, people: [noor.id], side: '1' as const };
    expect(await parts(other)).toMatchObject({ failure: { code: 'touches' } });
    const page = await again(other);
    expect(page.side).toBe('Move');
    expect(page.touched).toMatchObject([{ name: imani.name, worse: true, loses: 1 }]);
    expect(await stateOf(imani)).toEqual(['missed', 'counted', 'owed', 'owed']);
    expect((await parts({ ...other, sure: 'another stamp' })).ok).toBe(false);
    expect((await parts({ ...other, sure: page.stamp })).ok).toBe(true);
    expect(await stateOf(imani)).toEqual(['missed', 'owed', 'owed', 'owed']);
  });

  it('the lead asks for more, and takes nothing: nobody is asked', async () => {
    const { imani } = await sides();
    expect((await parts({ act: 'lead', people: [imani.id] })).ok).toBe(true);
  });
});
