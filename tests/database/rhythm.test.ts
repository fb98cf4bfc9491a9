import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { instant, type PersonId } from '@/core/ids';
import type { Actor } from '@/server/deps';
import { classPage } from '@/server/desk/class';
import { yourPart } from '@/server/discussions/your-part';
import { progressPage } from '@/server/progress/progress';
import { replySubstance } from '@/server/progress/substance';
import { keepRhythms } from '@/server/rhythm/keep-rhythms';
import { howItGoesPage } from '@/server/rhythm/how-it-goes';
import { markRead } from '@/server/discussions/reading';
import { deps, joined, on, OPEN, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const more: Actor[] = [];
const AFTER = instant(on('Sun 12:00') + 86_400_000);
beforeAll(async () => {
  world = await smallCourse('rhythm');
  db = world.db;
  const names = Array.from({ length: 8 }, (_, i) => `Student No. ${i}`);
  more.push(...(await joined(db, world.course, names)));
});
afterAll(() => db.destroy());
const respond = (who: Actor, when: string) => shared(db, who, OPEN, when, shareInput(`${who.name} says so.`));
const drawn = async (who: Actor) => {
  const page = await progressPage({ db, now: AFTER }, who);
  return page.courses[0]?.rhythm ?? null;
};

describe('the class’s rhythm', () => {
  it('is kept when a discussion closes, of ten people or more, and changes with nothing that comes later', async () => {
    const { imani, noor, jun } = world.people;
    const posts = new Map<PersonId, number>();
    for (const who of [imani, noor, ...more.slice(0, 7)])
      posts.set(who.id, (await respond(who, 'Wed 10:00')).post);
    // Nine are not drawn, and nothing is before it closed.
    expect(await keepRhythms(deps(db, 'Sat 10:00'))).toBe(0);
    await respond(jun, 'Thu 22:30');
    expect(await keepRhythms({ db, now: AFTER })).toBe(2);
    const rhythm = await drawn(imani);
    expect(rhythm?.shares).toEqual({
      days: 0,
      'day-before': 90,
      'half-day': 0,
      hours: 0,
      last: 10,
      late: 0,
    });
    expect(await drawn(noor)).toEqual(rhythm);
    // Somebody withdraws, somebody goes: the picture is the one there was.
    await db('posts')
      .where({ id: posts.get(noor.id) ?? 0 })
      .update({ withdrawn_at: new Date(AFTER) });
    await db('posts')
      .where({ author_id: jun.id })
      .update({ shared_at: new Date(on('Tue 10:00')) });
    expect(await keepRhythms({ db, now: AFTER })).toBe(0);
    expect(await drawn(imani)).toEqual(rhythm);
    // Whoever takes no part in the course sees nothing of it, and the picture names nobody.
    const elsewhere = await progressPage({ db, now: AFTER }, world.people.stranger);
    expect(elsewhere.courses.flatMap((c) => c.rhythm ?? [])).toEqual([]);
    const kept = JSON.stringify(await db('rhythms').select('rhythm'));
    for (const { id, name } of [imani, jun, ...more]) {
      expect(kept).not.toContain(id);
      expect(kept).not.toContain(name);
    }
  });
});

/** Discussions before the two of this world, of a response alone. */
async function fourMore() {
  const like = await db('discussions').where({ slug: OPEN }).first();
  for (const [i, slug] of ['geo-a', 'geo-b', 'geo-c'].entries())
    await db('discussions').insert({
      ...Object.fromEntries(Object.entries(like).filter(([name]) => !['found', 'viewings'].includes(name))),
      id: randomUUID(),
      slug,
      brief: JSON.stringify({ ...like.brief, replies: { ...like.brief.replies, count: 0 } }),
      prompt: JSON.stringify(like.prompt),
      late: JSON.stringify(like.late),
      rubric: null,
      opens: `2026-10-12T0${i}:00`,
      response_due: `2026-10-12T0${i}:30`,
      replies_due: `2026-10-12T0${i}:40`,
    });
}
const respondIn = (who: Actor, slug: string) => {
  const hour = ['geo-a', 'geo-b', 'geo-c'].indexOf(slug);
  return shared(db, who, slug, `Mon 0${hour}:10`, shareInput('A few words here.'));
};

describe('how a course goes', () => {
  it('is what the rows say, for its staff alone', async () => {
    const page = await howItGoesPage({ db, now: AFTER }, world.people.holt, GEO);
    const week = page.ok ? page.value.weeks.find((w) => w.slug === OPEN) : undefined;
    // Ten responded, one of them took it back.
    expect(week).toMatchObject({ participation: Math.round((9 / 13) * 100), responses: 9, unanswered: 9 });
    expect(await howItGoesPage({ db, now: AFTER }, world.people.imani, GEO)).toMatchObject({ ok: false });
  });

  it('names who fades, with the signs, and lets them be written to', async () => {
    const { holt, kwame } = world.people;
    await fourMore();
    // Kwame did all of the first three, nothing of the last two, and was never here since.
    for (const slug of ['geo-a', 'geo-b', 'geo-c']) await respondIn(kwame, slug);
    const page = await howItGoesPage({ db, now: AFTER }, holt, GEO);
    expect(page.ok && page.value.fading.find((f) => f.id === kwame.id)).toMatchObject({
      signs: [{ code: 'less', now: [0, 8], before: [2, 2] }, { code: 'unseen' }],
    });
    const chosen = await classPage({ db, now: AFTER }, holt, GEO, { page: 1, choose: 'fading' });
    expect(chosen.ok && page.ok && chosen.value.chosen).toEqual(
      page.ok && page.value.fading.map((f) => f.id),
    );
  });
});

describe('what came of one’s posts', () => {
  const reachOf = async (who: Actor) => {
    const part = await yourPart({ db, now: AFTER }, who, OPEN);
    return part.ok ? part.value.shared[0]?.reach : undefined;
  };
  it('says by how many it was read from five on, and never who', async () => {
    const { imani } = world.people;
    const { id } = await db('posts').where({ author_id: imani.id }).first('id');
    for (const [i, who] of more.slice(0, 5).entries()) {
      expect(await reachOf(imani)).toMatchObject({ readBy: null });
      await markRead(deps(db, 'Fri 10:00'), who, OPEN, { posts: [Number(id)], read: true });
      expect(i).toBeLessThan(5);
    }
    expect(await reachOf(imani)).toEqual({ readBy: 5, replies: 0, wellSaid: 0 });
    // Staff and oneself are no classmates.
    await markRead(deps(db, 'Fri 10:00'), world.people.holt, OPEN, { posts: [Number(id)], read: true });
    expect(await reachOf(imani)).toMatchObject({ readBy: 5 });
  });
});

it('the substance of replies is told to their writer alone', async () => {
  const { imani } = world.people;
  const [writer] = more;
  const { id } = await db('posts').where({ author_id: imani.id }).first('id');
  if (!writer) throw new Error('nobody');
  await shared(db, writer, OPEN, 'Fri 11:00', {
    ...shareInput('Great post, I agree!'),
    kind: 'reply',
    parent: id,
  });
  expect(await replySubstance({ db, now: AFTER }, writer)).toEqual({
    ok: true,
    value: { weeks: [{ course: 'GEO 115', week: 6, substantive: 0, fair: 0, thin: 1 }] },
  });
  expect(await replySubstance({ db, now: AFTER }, imani)).toEqual({ ok: true, value: { weeks: [] } });
});
