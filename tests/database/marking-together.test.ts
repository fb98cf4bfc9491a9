import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { MARK, talkKey } from '@/contract/marks';
import { instant } from '@/core/ids';
import { markSchema, type Mark } from '@/core/marks/mark';
import { rubricSchema } from '@/core/rubric/rubric';
import type { Actor } from '@/server/deps';
import { needsOf } from '@/server/desk/needs';
import { yourPart } from '@/server/discussions/your-part';
import { giveBackPart } from '@/server/marks/again';
import { actOnComment, answerAsStaff } from '@/server/marks/comments';
import { chooseWay, keepMark } from '@/server/marks/keep';
import { markingPage, USUAL_LOOK } from '@/server/marks/marking';
import { marksTable } from '@/server/marks/table';
import { releaseMarks } from '@/server/marks/release';
import { keepRemark } from '@/server/marks/remarks';
import { letStand, readTwice, shareClass } from '@/server/marks/together';
import { changePost, withdrawPost } from '@/server/posts/change';
import { deps, joined, on, OPEN, shared, shareInput, smallCourse, text } from './world';

const GEO = 'geo-115';
const PLACE = { slug: GEO, name: OPEN };
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
let grey: Actor;
beforeAll(async () => {
  world = await smallCourse('marking_together');
  db = world.db;
  const [assistant] = await joined(db, world.course, ['Bastian Grey'], 'assistant');
  if (!assistant) throw new Error('nobody');
  grey = assistant;
  const rubric = rubricSchema.parse({
    criteria: ['ideas', 'talk'].map((id) => ({
      id,
      title: id,
      levels: [
        { title: 'good', points: 10 },
        { title: 'fair', points: 5 },
      ],
    })),
  });
  await db('discussions')
    .where({ slug: OPEN })
    .update({ rubric: JSON.stringify(rubric) });
  const { imani, noor, jun } = world.people;
  for (const [who, words] of [
    [imani, 'The wall keeps the river out.'],
    [noor, 'Not for long it does not.'],
    [jun, 'A short word of Jun.'],
  ] as const)
    await shared(db, who, OPEN, 'Tue 10:00', shareInput(words));
});
afterAll(() => db.destroy());
/** The day after the discussion closed, and any moment before that. */
const AFTER = 'after';
const at = (when: string) =>
  when === AFTER ? { ...deps(db, 'Sun 12:00'), now: instant(on('Sun 12:00') + 86_400_000) } : deps(db, when);
const mark = (part: Partial<Mark>): Mark => markSchema.parse(part);
const both = (ideas: number, talk: number) => mark({ levels: { ideas, talk } });

const page = async (who: Actor, student: Actor | null = null, look = USUAL_LOOK, when = 'Wed 10:00') => {
  const found = await markingPage(at(when), who, GEO, OPEN, student?.id ?? null, look);
  if (!found.ok) throw new Error('no page');
  return found.value;
};
const keep = (who: Actor, student: Actor, written: Mark, base: number, second = false) =>
  keepMark(at('Wed 11:00'), who, { ...PLACE, person: student.id }, { mark: written, base, second });
const rowOf = async (who: Actor, student: Actor) => {
  const table = await marksTable(at('Wed 10:40'), who, GEO, OPEN, 'name');
  const row = table.ok ? table.value.rows.find((r) => r.id === student.id) : null;
  if (!row) throw new Error('no row');
  return row;
};
const partOf = async (who: Actor, when: string) => {
  const part = await yourPart(at(when), who, OPEN);
  if (!part.ok) throw new Error('no part');
  return part.value;
};
const needs = async () => {
  const { id } = await db('discussions').where({ slug: OPEN }).first('id');
  const shown = {
    id,
    slug: OPEN,
    title: 'Open',
    shown: true,
    asking: 0,
    differs: 0,
    open: false,
    over: true,
  };
  const all = await needsOf(db, world.course, [shown], 0);
  return Object.fromEntries(all.flatMap((n): [string, number][] => ('n' in n ? [[n.kind, n.n]] : [])));
};

describe('a class that is shared out', () => {
  it('opens with one’s own share, and with everybody where one wants that or has none', async () => {
    const { holt, imani } = world.people;
    expect((await page(holt)).lines).toHaveLength(5);
    const among = [holt.id, grey.id];
    expect(await shareClass(at('Wed 09:00'), holt, PLACE, { by: 'letter', among })).toMatchObject({
      ok: true,
    });
    const mine = await page(holt);
    const theirs = await page(grey);
    expect([mine.lines.length, theirs.lines.length].sort()).toEqual([2, 3]);
    expect([...mine.lines, ...theirs.lines].map((l) => l.id).sort()).toEqual(
      (await page(holt, null, { ...USUAL_LOOK, everybody: true })).lines.map((l) => l.id).sort(),
    );
    expect(mine.markers.map((m) => [m.name, m.share])).toEqual([
      ['Bastian Grey', theirs.lines.length],
      ['Dr. Maren Holt', mine.lines.length],
    ]);
    expect(await shareClass(at('Wed 09:00'), holt, PLACE, { by: 'letter', among: [imani.id] })).toMatchObject(
      {
        failure: { code: 'no-marker' },
      },
    );
    expect(await shareClass(at('Wed 09:00'), imani, PLACE, { by: 'letter', among })).toMatchObject({
      failure: { code: 'not-found' },
    });
    await shareClass(at('Wed 09:01'), holt, PLACE, { by: 'letter', among: [] });
    expect((await page(grey)).lines).toHaveLength(5);
  });
});

describe('a second reading', () => {
  it('is its reader’s alone, and says nothing of the mark it is compared with', async () => {
    const { holt, imani, noor } = world.people;
    await keep(holt, imani, mark({ levels: { ideas: 0, talk: 0 }, remark: 'FIRST' }), 0);
    await keep(holt, noor, both(0, 0), 0);
    const people = [imani.id, noor.id];
    expect(await readTwice(at('Wed 10:30'), holt, PLACE, { people, reader: holt.id })).toEqual({
      ok: false,
      failure: { code: 'own-mark' },
    });
    expect(await readTwice(at('Wed 10:30'), holt, PLACE, { people, reader: grey.id })).toMatchObject({
      ok: true,
    });
    expect(await needs()).toMatchObject({ second: 2 });
    const theirs = await page(grey, imani, { ...USUAL_LOOK, second: true });
    expect(theirs.lines.map((l) => l.id).sort()).toEqual([...people].sort());
    expect(theirs.one?.mark.levels).toEqual({});
    expect(JSON.stringify(theirs)).not.toContain('FIRST');
    expect((await page(holt, null, { ...USUAL_LOOK, second: true })).lines).toEqual([]);
    // Nor do the class's marks, their table or a file of it say it to whoever reads a second time; to all others they do.
    const usual = await page(grey, imani);
    const [row, seen] = await Promise.all([rowOf(grey, imani), rowOf(holt, imani)]);
    expect(usual.one).toMatchObject({ state: 'held', mark: { levels: {} }, revision: 0, marker: null });
    expect(JSON.stringify(usual)).not.toContain('FIRST');
    expect([row.state, row.levels, row.points]).toEqual(['held', [null, null], null]);
    expect([seen.state, seen.levels, seen.points]).toEqual(['written', [10, 10], 20]);
    // Nor is it theirs to write over, in whatever keeping they take it to be.
    for (const base of [0, 1])
      expect(await keep(grey, imani, both(1, 1), base)).toEqual({
        ok: false,
        failure: { code: 'second-first' },
      });
    expect((await page(grey)).one?.id).not.toBe(imani.id);
    // Nobody else writes it.
    expect(await keep(holt, imani, both(1, 1), 0, true)).toMatchObject({ failure: { code: 'not-found' } });
    expect(await keep(grey, imani, both(1, 0), 0, true)).toEqual({ ok: true, value: { revision: 1 } });
    expect(await keep(grey, imani, both(1, 1), 0, true)).toMatchObject({
      failure: { code: 'changed-meanwhile', revision: 1 },
    });
    // Written in full, it has nothing to be kept from any more.
    expect((await page(grey, imani)).one).toMatchObject({ state: 'written', mark: { remark: 'FIRST' } });
  });

  it('holds its mark back until both agree or somebody lets the mark stand', async () => {
    const { holt, imani, noor } = world.people;
    const second = async (who: Actor) => (await page(holt, who)).one?.second;
    expect(await second(imani)).toMatchObject({
      reader: 'Bastian Grey',
      stage: 'differs',
      differences: [{ code: 'criterion', id: 'ideas', first: 'good', second: 'fair' }],
    });
    // Of one that is not written nothing is shown.
    expect(await second(noor)).toMatchObject({ stage: 'asked', mark: null, differences: [] });
    expect(await letStand(at('Wed 11:10'), holt, PLACE, noor.id)).toMatchObject({
      failure: { code: 'not-both' },
    });
    expect(await releaseMarks(at('Wed 11:10'), holt, GEO, OPEN, null)).toEqual({ ok: true, value: 0 });
    expect(await letStand(at('Wed 11:12'), holt, PLACE, imani.id)).toMatchObject({ ok: true });
    await keep(grey, noor, both(0, 0), 0, true);
    expect(await second(noor)).toMatchObject({ stage: 'agrees' });
    expect(await releaseMarks(at('Wed 11:15'), holt, GEO, OPEN, null)).toEqual({ ok: true, value: 2 });
    // What the second reader wrote is never the student's to read.
    expect(JSON.stringify(await partOf(imani, 'Wed 11:20'))).not.toContain('Bastian');
    // Written on again, it is compared anew.
    await keep(grey, imani, both(1, 1), 1, true);
    expect(await second(imani)).toMatchObject({ stage: 'differs' });
    await readTwice(at('Wed 11:30'), holt, PLACE, { people: [imani.id], reader: null });
    expect(await second(imani)).toBeNull();
  });
});

it('remarks are one’s own, in every course', async () => {
  const { holt, imani } = world.people;
  expect(await keepRemark(at('Wed 12:00'), holt, GEO, { key: 2, body: ' Say why. ' })).toMatchObject({
    ok: true,
  });
  await keepRemark(at('Wed 12:00'), holt, GEO, { key: 1, body: 'Gone.' });
  await keepRemark(at('Wed 12:00'), holt, GEO, { key: 1, body: '' });
  expect((await page(holt)).remarks.slice(0, 3)).toEqual(['', 'Say why.', '']);
  expect((await page(grey)).remarks.join('')).toBe('');
  expect(await keepRemark(at('Wed 12:00'), imani, GEO, { key: 1, body: 'x' })).toMatchObject({ ok: false });
});

describe('a question about a mark', () => {
  it('stands beside its criterion, waits for the staff, and is theirs and its student’s alone', async () => {
    const { holt, imani, noor } = world.people;
    const ask = (who: Actor, criterion: string) =>
      actOnComment(at('Thu 09:00'), who, OPEN, { do: 'ask', criterion, id: randomUUID(), body: 'Why fair?' });
    expect(await ask(imani, 'talk')).toMatchObject({ ok: true });
    expect(await ask(imani, MARK)).toMatchObject({ ok: true });
    expect(await ask(imani, 'nothing of this')).toMatchObject({ failure: { code: 'not-found' } });
    // Whose mark is not released has none to ask about.
    expect(await ask(world.people.jun, 'talk')).toMatchObject({ failure: { code: 'not-found' } });
    expect(await needs()).toMatchObject({ asked: 1 });
    const opened = await markingPage(at('Thu 09:02'), holt, GEO, OPEN, null, USUAL_LOOK, 'asked');
    expect(opened.ok && opened.value.one).toMatchObject({ id: imani.id });
    const answer = (who: Actor, criterion: string, when = 'Thu 09:05') =>
      answerAsStaff(
        at(when),
        who,
        { ...PLACE, person: imani.id },
        {
          about: { criterion },
          id: randomUUID(),
          body: 'For the last line.',
        },
      );
    expect(await answer(noor, 'talk')).toMatchObject({ failure: { code: 'not-found' } });
    for (const criterion of ['talk', MARK]) expect(await answer(holt, criterion)).toMatchObject({ ok: true });
    expect(await needs()).not.toHaveProperty('asked');
    // Thanks are no question; another question is one.
    const again = (body: string, when: string) =>
      actOnComment(at(when), imani, OPEN, { do: 'ask', criterion: 'talk', id: randomUUID(), body });
    await again('Thank you.', 'Thu 09:07');
    expect(await needs()).not.toHaveProperty('asked');
    await again('And the one before?', 'Thu 09:08');
    expect(await needs()).toMatchObject({ asked: 1 });
    await answer(holt, 'talk', 'Thu 09:09');
    const { feedback } = await partOf(imani, 'Thu 09:10');
    expect(feedback.talk[talkKey({ criterion: 'talk' })]?.answers.map((a) => [a.author, a.body])).toEqual([
      ['Imani Okoro', 'Why fair?'],
      ['Dr. Maren Holt', 'For the last line.'],
      ['Imani Okoro', 'Thank you.'],
      ['Imani Okoro', 'And the one before?'],
      ['Dr. Maren Holt', 'For the last line.'],
    ]);
    expect((await partOf(noor, 'Thu 09:10')).feedback.talk).toEqual({});
  });
});

describe('a part that is to be done again', () => {
  it('is changed after the end, given back with what is different, and marked again', async () => {
    const { holt, jun, noor } = world.people;
    await chooseWay(at('Thu 10:00'), holt, GEO, OPEN, 'verdict');
    await keep(holt, jun, mark({ verdict: 'again', remark: 'One reason more.' }), 0);
    await releaseMarks(at('Thu 10:05'), holt, GEO, OPEN, [jun.id]);
    const [post] = (await partOf(jun, AFTER)).shared;
    const [other] = (await partOf(noor, AFTER)).shared;
    if (!post || !other) throw new Error('no post');
    const change = (who: Actor, id: typeof post.text.id) =>
      changePost(at(AFTER), who, OPEN, id, {
        title: '',
        doc: text('A short word of Jun, because it rains.'),
      });
    expect(await giveBackPart(at(AFTER), jun, OPEN, '')).toMatchObject({
      failure: { code: 'nothing-changed' },
    });
    // Whose mark does not say so can change nothing any more, and nobody withdraws.
    expect(await change(noor, other.text.id)).toMatchObject({ failure: { code: 'closed' } });
    expect(await withdrawPost(at(AFTER), jun, OPEN, post.text.id)).toMatchObject({
      failure: { code: 'closed' },
    });
    expect(await change(jun, post.text.id)).toMatchObject({ ok: true });
    const before = (await partOf(jun, AFTER)).head.ledger;
    expect(await giveBackPart(at(AFTER), jun, OPEN, 'Now with a reason.')).toMatchObject({ ok: true });
    // What counted stays counted.
    expect((await partOf(jun, AFTER)).head.ledger).toEqual(before);
    expect(await needs()).toMatchObject({ back: 1 });
    const { one, lines } = await page(holt, jun, USUAL_LOOK, AFTER);
    expect(lines.find((l) => l.id === jun.id)).toMatchObject({ back: true, state: 'released' });
    expect(one?.back).toMatchObject({ said: 'Now with a reason.' });
    expect(one?.posts[0]?.since?.compared?.stretches).toContainEqual(
      expect.objectContaining({ kind: 'only-second', text: expect.stringContaining('because') }),
    );
    await keepMark(
      at(AFTER),
      holt,
      { ...PLACE, person: jun.id },
      {
        mark: mark({ verdict: 'done', remark: 'That is it.' }),
        base: one?.revision ?? 0,
      },
    );
    expect(await releaseMarks(at(AFTER), holt, GEO, OPEN, null)).toMatchObject({ ok: true });
    expect((await partOf(jun, AFTER)).feedback).toMatchObject({
      again: null,
      mark: { mark: { verdict: 'done' }, was: { verdict: 'again' } },
    });
    expect(await needs()).not.toHaveProperty('back');
  });
});
