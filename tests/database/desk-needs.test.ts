import type { Knex } from 'knex';
import { announcementsPage } from '@/server/courses/announcements';
import { termPage } from '@/server/desk/term';
import { mendedSchema, reportTrouble, saidSchema, settleTrouble } from '@/server/desk/troubles';
import { askForTime } from '@/server/discussions/more-time';
import type { Actor } from '@/server/deps';
import { deps, OPEN, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-needs');
  db = world.db;
});
afterAll(() => db.destroy());
const at = (when: string) => deps(db, when);
const needs = async (when = 'Tue 12:00') => {
  const page = await termPage(at(when), world.people.holt, GEO);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value.needs;
};
const need = async (kind: string) => (await needs()).filter((n) => n.kind === kind);
const mended = (who: Actor, note = '') =>
  settleTrouble(at('Tue 13:00'), who, GEO, mendedSchema.parse({ kind: 'discussions', slug: OPEN, note }));

describe('what needs who teaches a course', () => {
  it('is who has shared nothing in what is open, whose response nobody has answered, and who asks for time', async () => {
    const { jun, rafi } = world.people;
    const silent = async () => (await need('silent')).find((n) => 'slug' in n && n.slug === OPEN);
    const before = await silent();
    const response = await shared(db, jun, OPEN, 'Tue 09:00', shareInput('Words of Jun.'));
    const after = await silent();
    expect((before && 'n' in before ? before.n : 0) - (after && 'n' in after ? after.n : 0)).toBe(1);
    expect(await need('unanswered')).toMatchObject([{ slug: OPEN, n: 1 }]);
    await shared(db, rafi, OPEN, 'Tue 09:30', shareInput('And of Rafi.'));
    const reply = shareInput('I read it twice.', { kind: 'reply', parent: response.post });
    await shared(db, rafi, OPEN, 'Tue 10:00', reply);
    expect(await need('unanswered')).toMatchObject([{ slug: OPEN, n: 1 }]);
    await askForTime(at('Tue 11:00'), rafi, OPEN, 'A train.');
    expect((await needs())[0]).toMatchObject({ kind: 'time', slug: OPEN, n: 1 });
  });

  it('is nothing of what is closed', async () => {
    expect((await needs('Sun 23:59')).length).toBeGreaterThan(0);
    await db('discussions').update({ opens: db.raw("opens - interval '90 days'") });
    await db('discussions').update({
      response_due: db.raw("response_due - interval '90 days'"),
      replies_due: db.raw("replies_due - interval '90 days'"),
    });
    expect((await needs()).filter((n) => n.kind === 'silent' || n.kind === 'unanswered')).toEqual([]);
    await db('discussions').update({
      opens: db.raw("opens + interval '90 days'"),
      response_due: db.raw("response_due + interval '90 days'"),
      replies_due: db.raw("replies_due + interval '90 days'"),
    });
  });
});

describe('something that is broken', () => {
  const say = (who: Actor, text: string, slug = OPEN) =>
    reportTrouble(at('Tue 11:00'), who, 'discussions', slug, saidSchema.parse(text));
  const titles = async (who: Actor) => {
    const page = await announcementsPage(at('Tue 13:01'), who, GEO);
    return page.ok ? page.value.announcements.map((a) => a.title) : [];
  };

  it('is said by whoever reads it, and read by staff alone', async () => {
    const { rafi, noor, kwame, stranger } = world.people;
    expect(await say(rafi, 'The second link leads\nnowhere.')).toMatchObject({ ok: true });
    expect(await say(noor, 'The link to the map is dead.')).toMatchObject({ ok: true });
    expect(await say(stranger, 'x')).toMatchObject({ failure: { code: 'not-found' } });
    expect(await need('trouble')).toMatchObject([
      { place: { kind: 'discussions', slug: OPEN }, said: [{ name: expect.any(String) }, {}] },
    ]);
    expect(JSON.stringify(await need('trouble'))).toContain('The second link leads nowhere.');
    expect(await termPage(at('Tue 12:00'), kwame, GEO)).toMatchObject({ ok: false });
  });

  it('is mended once, and all who said it hear so, each alone', async () => {
    const { rafi, noor, kwame, holt } = world.people;
    for (const who of [rafi, kwame]) expect((await mended(who)).ok).toBe(false);
    expect(await mended(holt, 'It leads to the new map now.')).toMatchObject({ ok: true });
    for (const who of [rafi, noor]) expect((await titles(who)).join()).toMatch(/^Looked at: /u);
    expect((await titles(kwame)).join()).not.toContain('Looked at');
    expect(await need('trouble')).toEqual([]);
    expect(await mended(holt)).toMatchObject({ failure: { code: 'not-found' } });
  });

  it('is said so often, and no more, until some of it is settled', async () => {
    const { kwame, holt } = world.people;
    for (let i = 0; i < 20; i += 1) expect((await say(kwame, `again ${i}`)).ok).toBe(true);
    expect(await say(kwame, 'once more')).toMatchObject({ failure: { code: 'too-many' } });
    await mended(holt);
    expect((await say(kwame, 'once more')).ok).toBe(true);
    for (const text of ['', '  ', 'x'.repeat(700)]) expect(saidSchema.safeParse(text).success).toBe(false);
  });
});
