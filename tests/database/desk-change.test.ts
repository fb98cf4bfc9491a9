import type { Knex } from 'knex';
import type { Fields } from '@/core/outside/fields';
import { actOnDesk, datesPage } from '@/server/desk/discussion';
import { changeRules, rulesPage } from '@/server/desk/prompts';
import { changeMaterial, materialPage } from '@/server/courses/material';
import { moveTerm, termPage } from '@/server/desk/term';
import { promptChanges } from '@/server/discussions/prompt-versions';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { thisWeek } from '@/server/week/this-week';
import type { Actor } from '@/server/deps';
import { deps, on, OPEN, shared, shareInput, smallCourse, text } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let n = 0;
beforeEach(async () => {
  n += 1;
  world = await smallCourse(`desk-change-${n}`);
  db = world.db;
});
afterEach(() => db.destroy());

const at = (when: string) => deps(db, when);
const holt = () => world.people.holt;
const says = (who: Actor, words: string, when = 'Tue 10:00') =>
  shared(db, who, OPEN, when, shareInput(words)).then((s) => s.post);

/** Changes what a discussion asks for as its instructor does: the form, with some fields other. */
async function change(more: Fields, over: { sure?: string; doc?: unknown; when?: string } = {}) {
  const when = at(over.when ?? 'Wed 09:00');
  const page = await rulesPage(when, holt(), GEO, OPEN);
  if (!page.ok) throw new Error(page.failure.code);
  const fields = { ...page.value.fields, ...more };
  return changeRules(when, holt(), GEO, OPEN, { fields, doc: over.doc, sure: over.sure });
}
const touchedIn = (done: Awaited<ReturnType<typeof change>>) => {
  if (done.ok || done.failure.code !== 'touches') throw new Error(JSON.stringify(done));
  return done.failure;
};
const stateOf = async (who: Actor, when = 'Wed 10:00') => {
  const part = await yourPart(at(when), who, OPEN);
  if (!part.ok || !part.value.head.ledger) throw new Error('no part');
  return part.value.head.ledger.obligations.map((o) => o.state);
};

describe('what a discussion asks for, changed after somebody has shared', () => {
  it('asks first where it is other for somebody, names them, and is done by who has seen that', async () => {
    const { jun, noor, rafi } = world.people;
    await says(jun, 'Two words.');
    const hers = await says(noor, 'Words enough for this one.');
    await shared(db, rafi, OPEN, 'Tue 11:00', {
      ...shareInput('I see it otherwise.'),
      kind: 'reply',
      parent: hers,
    });
    expect(await stateOf(jun)).toEqual(['short', 'owed', 'owed', 'owed']);
    const asked = touchedIn(await change({ 'response.words.min': '2' }));
    expect(asked.touched).toMatchObject([{ name: 'Jun Hathaway', worse: false, gains: 1 }]);
    expect(await stateOf(jun)).toEqual(['short', 'owed', 'owed', 'owed']);
    // Another change is not what was agreed to.
    expect((await change({ 'replies.count': '1' }, { sure: asked.stamp })).ok).toBe(false);
    expect((await change({ 'response.words.min': '2' }, { sure: asked.stamp })).ok).toBe(true);
    expect(await stateOf(jun)).toEqual(['counted', 'owed', 'owed', 'owed']);
  });

  it('asks nobody for more words than were asked for when they shared', async () => {
    const { jun, noor } = world.people;
    await says(noor, 'Words enough for this one.');
    await says(jun, 'Two words.');
    expect(await change({ 'response.words.min': '400', 'response.sources.min': '2' })).toMatchObject({
      ok: true,
    });
    expect(await stateOf(noor)).toEqual(['counted', 'owed', 'owed', 'owed']);
    expect(await stateOf(jun)).toEqual(['short', 'owed', 'owed', 'owed']);
    // Whoever shares from now on is asked for what stands there now.
    await says(world.people.rafi, 'Words enough for this one, too.', 'Wed 09:30');
    expect(await stateOf(world.people.rafi)).toEqual(['short', 'owed', 'owed', 'owed']);
  });

  it('says for whom it is worse: who was complete, and whose reply counts no more', async () => {
    const { imani, noor } = world.people;
    await change({ 'replies.count': '1', 'replies.distinctPeers': '' });
    await says(imani, 'Words enough for mine.');
    const hers = await says(noor, 'Words enough for hers.');
    await shared(db, imani, OPEN, 'Tue 11:00', {
      ...shareInput('I see it otherwise.'),
      kind: 'reply',
      parent: hers,
    });
    const more = touchedIn(await change({ 'replies.count': '2' }));
    expect(more.touched.find((t) => t.name === 'Imani Okoro')).toMatchObject({
      worse: true,
      complete: { was: true, is: false },
      owed: { was: 2, is: 3 },
    });
    expect(await stateOf(imani)).toEqual(['counted', 'counted']);
  });

  it('keeps what was asked before, for everybody to compare, and This week tells who was away', async () => {
    const { rafi, stranger } = world.people;
    const doc = text('Say what the river wants, in 300 words.');
    expect((await change({ 'response.words.min': '300' }, { doc })).ok).toBe(true);
    const read = await promptChanges(at('Wed 10:00'), rafi, OPEN);
    if (!read.ok) throw new Error(read.failure.code);
    expect(read.value.changes).toMatchObject([
      {
        by: 'Dr. Maren Holt',
        text: 'changed',
        rules: [{ field: 'response.words.min', was: '3', is: '300' }],
      },
    ]);
    expect((await promptChanges(at('Wed 10:00'), stranger, OPEN)).ok).toBe(false);
    const room = await responseRoom(at('Wed 10:00'), rafi, OPEN);
    expect(room.ok && [room.value.changed?.times, room.value.disagreements]).toEqual([1, []]);
    const before = { ...rafi, previousVisit: on('Tue 20:00') };
    const after = { ...rafi, previousVisit: on('Wed 09:30') };
    expect((await thisWeek(at('Wed 10:00'), before)).since.changed.map((c) => c.slug)).toEqual([OPEN]);
    expect((await thisWeek(at('Wed 10:00'), after)).since.changed).toEqual([]);
    expect(
      (await thisWeek(at('Wed 10:00'), { ...holt(), previousVisit: on('Tue 20:00') })).since.changed,
    ).toEqual([]);
  });

  it('is one more version where only the text is changed, and none where nothing is', async () => {
    const page = await materialPage(at('Wed 09:00'), holt(), { of: 'prompt', slug: OPEN });
    if (!page.ok) throw new Error(page.failure.code);
    await changeMaterial(
      at('Wed 09:00'),
      holt(),
      { of: 'prompt', slug: OPEN },
      { doc: text('Other words.'), stamp: page.value.stamp },
    );
    expect((await change({})).ok).toBe(true);
    const read = await promptChanges(at('Wed 10:00'), holt(), OPEN);
    expect(read.ok && read.value.changes.map((c) => [c.text, c.rules])).toEqual([['changed', []]]);
  });
});

describe('dates of an open discussion', () => {
  const dates = (responseDue: string, sure?: string) =>
    actOnDesk(at('Wed 12:00'), holt(), GEO, OPEN, {
      act: 'dates',
      opens: '2026-10-12T06:00',
      responseDue,
      repliesDue: '2026-10-18T23:59',
      sure,
    });

  it('are asked about where something that was in time would not be, and nothing is lost by asking', async () => {
    const { noor } = world.people;
    await says(noor, 'Words enough for this one.', 'Tue 10:00');
    const early = '2026-10-13T08:00';
    const tried = await dates(early);
    expect(tried).toMatchObject({ ok: false, failure: { code: 'touches' } });
    const page = await datesPage(at('Wed 12:00'), holt(), GEO, OPEN, {
      opens: '2026-10-12T06:00',
      responseDue: early,
      repliesDue: '2026-10-18T23:59',
    });
    if (!page.ok) throw new Error(page.failure.code);
    expect(page.value.touched).toMatchObject([{ name: 'Noor Vasquez', worse: true, loses: 1 }]);
    expect(await stateOf(noor)).toEqual(['counted', 'owed', 'owed', 'owed']);
    expect((await dates('2026-10-16T23:59')).ok).toBe(true);
    expect((await dates(early, page.value.stamp)).ok).toBe(true);
    expect(await stateOf(noor, 'Wed 13:00')).toEqual(['missed', 'owed', 'owed', 'owed']);
    expect(await db('posts').where({ author_id: noor.id })).toHaveLength(1);
    const told = await promptChanges(at('Wed 13:00'), noor, OPEN);
    expect(told.ok && told.value.changes.map((c) => c.rules.map((r) => r.field))).toEqual([
      ['responseDue'],
      ['responseDue'],
    ]);
  });
});

describe('a term that is moved', () => {
  it('tells the class, and leaves what single students were given where it is, where that is asked for', async () => {
    const { rafi } = world.people;
    await actOnDesk(at('Tue 10:00'), holt(), GEO, OPEN, {
      act: 'extend',
      people: [rafi.id],
      responseDue: '2026-10-16T12:00',
      repliesDue: '',
      reason: '',
    });
    expect(
      await moveTerm(at('Wed 09:00'), holt(), GEO, { from: 6, weeks: 1, extensions: 'stay' }),
    ).toMatchObject({
      ok: true,
    });
    const [x] = await db('extensions').select('response_due');
    expect(x.response_due).toBe('2026-10-16T12:00');
    const told = await promptChanges(at('Wed 10:00'), rafi, OPEN);
    expect(told.ok && told.value.changes[0]?.rules.map((r) => r.field)).toEqual([
      'responseDue',
      'repliesDue',
    ]);
  });
});

it('what a text says otherwise than the rules needs the staff, until it is settled', async () => {
  const needs = async () => {
    const term = await termPage(at('Wed 12:00'), holt(), GEO);
    return term.ok ? term.value.needs.filter((n) => n.kind === 'differs') : [];
  };
  const doc = text('Write at least 300 words. Reply to three classmates.');
  expect((await change({ 'response.words.min': '200' }, { doc })).ok).toBe(true);
  expect(await needs()).toMatchObject([{ slug: OPEN, n: 1 }]);
  expect((await change({ 'response.words.min': '300' })).ok).toBe(true);
  expect(await needs()).toEqual([]);
});
