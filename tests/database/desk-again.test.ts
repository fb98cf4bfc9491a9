import type { Knex } from 'knex';
import { againPage } from '@/server/desk/again';
import { actOnClass, type ClassAct } from '@/server/desk/class';
import { actOnDesk, type DeskAct } from '@/server/desk/discussion';
import { actOnParts, type PartAct } from '@/server/desk/parts-played';
import { hoursAgainPage } from '@/server/desk/hours';
import { changeRules, rulesPage } from '@/server/desk/prompts';
import { yourPart } from '@/server/discussions/your-part';
import type { Actor } from '@/server/deps';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

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

  it('dealt by chance it is looked at in every week it is dealt for, and refused where somebody there is complete no more', async () => {
    const { noor, jun } = world.people;
    await db('discussions').update({
      brief: db.raw(
        `brief || '{"leader": {"replies": 2}, "sealed": false}' || jsonb_build_object('replies', (brief -> 'replies') || '{"count": 1}')`,
      ),
    });
    await db('discussions').where({ slug: SEALED }).update({ opens: '2026-10-12T08:00' });
    const { post } = await shared(db, jun, SEALED, 'Tue 10:00', shareInput('Words of the first.'));
    await shared(db, noor, SEALED, 'Tue 11:00', shareInput('Words of the second.'));
    const reply = { kind: 'reply' as const, parent: post };
    await shared(db, noor, SEALED, 'Tue 12:00', { ...shareInput('I doubt that, Jun.'), ...reply });
    const everybody = { act: 'deal-leads' as const, each: 6 };
    expect(await parts(everybody)).toMatchObject({ failure: { code: 'touches' } });
    expect(await db('parts_played').where({ leads: true })).toEqual([]);
  });
});

describe('more time all term that is taken back after something counted by it', () => {
  const onClass = (done: ClassAct) => actOnClass(deps(db, WHEN), holt(), GEO, done);
  const stateIn = async (slug: string) => {
    const part = await yourPart(deps(db, WHEN), world.people.noor, slug);
    if (!part.ok) throw new Error(part.failure.code);
    return part.value.head.ledger?.obligations[0]?.state;
  };

  /** Noor always has two days more, and shares within them in one of two discussions. */
  async function slower() {
    const { noor } = world.people;
    const given = await onClass({ act: 'hours', people: [noor.id], hours: 48, reason: 'reads slowly' });
    expect(given.ok).toBe(true);
    await shared(db, noor, OPEN, 'Fri 10:00', shareInput('Words enough for this one.'));
    return noor;
  }

  it('is asked about first, by name and discussion; nothing is changed by asking', async () => {
    const noor = await slower();
    const none: ClassAct = { act: 'no-hours', people: [noor.id] };
    expect(await onClass(none)).toMatchObject({ failure: { code: 'touches' } });
    const page = await hoursAgainPage(deps(db, WHEN), holt(), GEO, { act: 'no-hours', people: [noor.id] });
    if (!page.ok) throw new Error(page.failure.code);
    expect(page.value.each).toMatchObject([
      { discussion: { title: 'Open' }, touched: [{ name: 'Noor Vasquez', worse: true, loses: 1 }] },
    ]);
    expect(await db('accommodations').select('hours', 'reason')).toEqual([
      { hours: 48, reason: 'reads slowly' },
    ]);
    expect(await onClass({ ...none, sure: 'another stamp' })).toMatchObject({ ok: false });
    expect(await stateIn(OPEN)).toBe('counted');
    expect((await onClass({ ...none, sure: page.value.stamp })).ok).toBe(true);
    expect(await stateIn(OPEN)).toBe('missed');
    expect(await db('accommodations')).toEqual([]);
  });

  it('is asked about where there are fewer hours than before, and not where there are more', async () => {
    const noor = await slower();
    const hours = (n: number): ClassAct => ({ act: 'hours', people: [noor.id], hours: n, reason: '' });
    expect(await onClass(hours(4))).toMatchObject({ failure: { code: 'touches' } });
    expect((await onClass(hours(24))).ok).toBe(true);
    expect((await onClass(hours(72))).ok).toBe(true);
  });

  it('is no page for whoever does not teach the course', async () => {
    const noor = await slower();
    const asked = { act: 'no-hours' as const, people: [noor.id] };
    expect((await hoursAgainPage(deps(db, WHEN), noor, GEO, asked)).ok).toBe(false);
  });
});
