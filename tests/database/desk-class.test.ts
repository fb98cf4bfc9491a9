import type { Knex } from 'knex';
import { announce, announcementsPage, takeBackAnnouncement } from '@/server/courses/announcements';
import { actOnClass, classPage, type ClassAct } from '@/server/desk/class';
import { moveWeeks } from '@/db/queries/desk';
import { moveTerm } from '@/server/desk/term';
import { yourPart } from '@/server/discussions/your-part';
import { thisWeek } from '@/server/week/this-week';
import type { Actor } from '@/server/deps';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-class');
  db = world.db;
});
afterAll(() => db.destroy());

const at = (when: string) => deps(db, when);
const act = (given: ClassAct, who: Actor = world.people.holt, when = 'Tue 10:00') =>
  actOnClass(at(when), who, GEO, given);
const line = async (name: string, when = 'Tue 10:00') => {
  const page = await classPage(at(when), world.people.holt, GEO, { page: 1, choose: '' });
  if (!page.ok) throw new Error(page.failure.code);
  return page.value.students.find((s) => s.name === name);
};
const due = async (who: Actor, slug: string) => {
  const part = await yourPart(at('Tue 10:00'), who, slug);
  if (!part.ok) throw new Error(part.failure.code);
  const { response, replies } = part.value.head.schedule;
  return { response: response.due, replies: replies.due, from: response.movedFrom };
};

describe('the class at the desk', () => {
  it('is there for who teaches the course, and for nobody else', async () => {
    const { imani, stranger } = world.people;
    for (const who of [imani, stranger]) {
      const page = await classPage(at('Tue 10:00'), who, GEO, { page: 1, choose: '' });
      expect(page).toMatchObject({ failure: { code: 'not-found' } });
      const done = await act({ act: 'hours', people: [imani.id], hours: 24, reason: '' }, who);
      expect(done).toMatchObject({ failure: { code: 'not-found' } });
    }
    expect((await line('Imani Okoro'))?.moreHours).toBe(0);
  });

  it('says what stands, and what is withdrawn stands no more', async () => {
    const { imani } = world.people;
    const before = (await line('Imani Okoro'))?.standing;
    await shared(db, imani, OPEN, 'Tue 09:00', shareInput('A response that says enough.'));
    const after = (await line('Imani Okoro'))?.standing;
    expect((after?.responded ?? 0) - (before?.responded ?? 0)).toBe(1);
    await db('posts')
      .where({ author_id: imani.id })
      .update({ withdrawn_at: new Date(on('Tue 09:30')) });
    expect((await line('Imani Okoro'))?.standing.responded).toBe(before?.responded);
  });

  it('chooses who has shared nothing, and does nothing for nobody or for a stranger', async () => {
    const { rafi, jun, stranger } = world.people;
    await shared(db, jun, OPEN, 'Tue 09:00', shareInput('Words of Jun.'));
    const page = await classPage(at('Tue 10:00'), world.people.holt, GEO, { page: 1, choose: OPEN });
    expect(page.ok && page.value.chosen).toContain(rafi.id);
    expect(page.ok && page.value.chosen).not.toContain(jun.id);
    expect(await act({ act: 'no-hours', people: [] })).toMatchObject({ failure: { code: 'nobody' } });
    const both = [rafi.id, stranger.id];
    expect(await act({ act: 'hours', people: both, hours: 24, reason: '' })).toMatchObject({
      failure: { code: 'no-student' },
    });
    expect((await line('Rafi Castellan'))?.moreHours).toBe(0);
  });
});

describe('more time all term', () => {
  it('moves every deadline of one student, of what comes later too, and is taken away again', async () => {
    const { rafi, kwame } = world.people;
    const [usual, others] = [await due(rafi, OPEN), await due(kwame, OPEN)];
    await act({ act: 'hours', people: [rafi.id], hours: 24, reason: 'reads with a screen reader' });
    for (const slug of [OPEN, SEALED]) {
      const [his, theirs] = [await due(rafi, slug), await due(kwame, slug)];
      expect([his.response - theirs.response, his.replies - theirs.replies]).toEqual([
        86_400_000, 86_400_000,
      ]);
      expect(his.from).not.toBeNull();
    }
    expect(await due(kwame, OPEN)).toEqual(others);
    await moveTerm(at('Tue 10:00'), world.people.holt, GEO, { from: 1, weeks: 1 });
    expect((await due(rafi, OPEN)).response - (await due(kwame, OPEN)).response).toBe(86_400_000);
    await moveWeeks(db, world.course, { from: 1, weeks: -1, extensions: 'along' });
    await act({ act: 'no-hours', people: [rafi.id] });
    expect(await due(rafi, OPEN)).toEqual(usual);
  });

  it('and an extension: the later of the two holds', async () => {
    const { rafi, noor } = world.people;
    const extend = (responseDue: string) =>
      act({
        act: 'extend',
        people: [rafi.id, noor.id],
        discussion: OPEN,
        responseDue,
        repliesDue: '',
        reason: '',
      });
    await act({ act: 'hours', people: [rafi.id], hours: 48, reason: '' });
    const long = (await due(rafi, OPEN)).response;
    await extend('2026-10-16T12:00');
    expect((await due(rafi, OPEN)).response).toBe(long);
    expect((await due(noor, OPEN)).response).toBeLessThan(long);
    await extend('2026-10-21T12:00');
    expect((await due(rafi, OPEN)).response).toBe((await due(noor, OPEN)).response);
    expect((await due(rafi, OPEN)).response).toBeGreaterThan(long);
  });
});

describe('words to some of a class', () => {
  const seenBy = async (who: Actor, when: string) => {
    const page = await announcementsPage(at(when), who, GEO);
    if (!page.ok) throw new Error(page.failure.code);
    return page.value.announcements.map((a) => a.title);
  };

  it('reach them alone, on every page, and nobody sees who else', async () => {
    const { rafi, noor, kwame, holt } = world.people;
    await act({ act: 'tell', at: '', people: [rafi.id, noor.id], title: 'A word', body: 'How is it going?' });
    for (const who of [rafi, noor, holt]) expect(await seenBy(who, 'Tue 10:01')).toContain('A word');
    expect(await seenBy(kwame, 'Tue 10:01')).not.toContain('A word');
    const news = async (who: Actor) => (await thisWeek(at('Tue 10:01'), who)).announcements;
    expect(JSON.stringify(await news(rafi))).toContain('A word');
    expect(JSON.stringify(await news(kwame))).not.toContain('A word');
    const his = await announcementsPage(at('Tue 10:01'), rafi, GEO);
    expect(JSON.stringify(his)).not.toContain(noor.id);
  });

  it('or to all of it, at a time: nobody in the class sees them before, and until then they are taken back', async () => {
    const { rafi, holt, stranger } = world.people;
    const said = { title: 'On Thursday', body: 'The room has changed.' };
    expect(await announce(at('Tue 11:00'), holt, GEO, { ...said, at: 'some day' })).toMatchObject({
      failure: { code: 'no-time' },
    });
    const made = await announce(at('Tue 11:00'), holt, GEO, { ...said, at: '2026-10-15T09:00' });
    if (!made.ok) throw new Error(made.failure.code);
    expect(await seenBy(holt, 'Tue 11:01')).toContain(said.title);
    expect(await seenBy(rafi, 'Thu 07:59')).not.toContain(said.title);
    expect(await seenBy(rafi, 'Thu 09:01')).toContain(said.title);
    const back = (who: Actor, when: string) => takeBackAnnouncement(at(when), who, GEO, made.value.id);
    for (const who of [rafi, stranger]) expect((await back(who, 'Tue 11:02')).ok).toBe(false);
    expect((await back(holt, 'Thu 09:01')).ok).toBe(false);
    expect((await back(holt, 'Wed 09:00')).ok).toBe(true);
    expect(await seenBy(holt, 'Thu 09:01')).not.toContain(said.title);
  });
});
