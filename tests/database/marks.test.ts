import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { markSchema, type Mark } from '@/core/marks/mark';
import { anchorOfWords } from '@/core/notes/anchor';
import { rubricSchema } from '@/core/rubric/rubric';
import type { Actor } from '@/server/deps';
import { keepRubric } from '@/server/desk/rubric';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { responseRoom } from '@/server/discussions/response-room';
import { yourPart } from '@/server/discussions/your-part';
import { actOnComment, answerAsStaff } from '@/server/marks/comments';
import { chooseRelease, chooseWay, keepMark } from '@/server/marks/keep';
import { markingPage, USUAL_LOOK } from '@/server/marks/marking';
import { releaseDue, releaseMarks } from '@/server/marks/release';
import { noteSeen } from '@/server/marks/seen';
import { archivedRest } from '@/db/queries/own-archive';
import { progressPage } from '@/server/progress/progress';
import { thisWeek } from '@/server/week/this-week';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('marks');
  db = world.db;
});
afterAll(() => db.destroy());
const at = (when: string) => deps(db, when);

const RUBRIC = rubricSchema.parse({
  criteria: [
    {
      id: 'ideas',
      title: 'Ideas',
      checks: ['words'],
      levels: [
        { title: 'many', points: 12 },
        { title: 'few', points: 4 },
      ],
    },
    {
      id: 'talk',
      title: 'The talk',
      replies: true,
      levels: [
        { title: 'on', points: 8 },
        { title: 'off', points: 0 },
      ],
    },
  ],
});
const place = (who: Actor, name = OPEN) => ({ slug: GEO, name, person: who.id });
const mark = (part: Partial<Mark>): Mark => markSchema.parse(part);
const WORDS = 'The wall keeps the river out of the street.';

async function withRubric(slug: string) {
  await db('discussions')
    .where({ slug })
    .update({ rubric: JSON.stringify(RUBRIC) });
}
const pageOf = async (who: Actor, name = OPEN, when = 'Wed 10:00') => {
  const found = await markingPage(at(when), world.people.holt, GEO, name, who.id);
  if (!found.ok || !found.value.one) throw new Error('no page');
  return { ...found.value, one: found.value.one };
};
const partOf = async (who: Actor, when = 'Wed 12:00', name = OPEN) => {
  const part = await yourPart(at(when), who, name);
  if (!part.ok) throw new Error('no part');
  return part.value;
};

/** Everything that a person is ever given, as one text. */
async function givenTo(who: Actor, when: string): Promise<string> {
  return JSON.stringify([
    await yourPart(at(when), who, OPEN),
    await responseRoom(at(when), who, OPEN),
    await conversation(at(when), who, OPEN, { post: null, filter: 'all' }),
    await progressPage(at(when), who),
    await listDiscussions(at(when), who, {}),
    await thisWeek(at(when), who),
    await archivedRest(db, who.id),
  ]);
}

describe('a mark', () => {
  const SECRET = 'Nobody reads this before it is released.';
  let post = 0;
  it('is written beside what was shared, with what the ledger proposes and never filled in', async () => {
    const { imani, noor, jun } = world.people;
    await withRubric(OPEN);
    ({ post } = await shared(db, imani, OPEN, 'Tue 10:00', shareInput(WORDS)));
    const { post: other } = await shared(
      db,
      noor,
      OPEN,
      'Tue 10:05',
      shareInput('Not for long it does not.'),
    );
    await shared(db, imani, OPEN, 'Tue 11:00', {
      ...shareInput('It holds where it is high.'),
      kind: 'reply',
      parent: other,
    });
    await shared(db, jun, OPEN, 'Tue 11:05', shareInput('Short words of Jun.'));
    const page = await pageOf(imani);
    expect(page.scheme).toMatchObject({ by: 'rubric', of: 20 });
    expect(page.one.posts.map((p) => [p.kind, p.to?.name ?? null])).toEqual([
      ['response', null],
      ['reply', 'Noor Vasquez'],
    ]);
    expect(page.one.mark.levels).toEqual({});
    expect(page.one.proposed).toEqual({
      ideas: { level: 0, ground: { code: 'checks-met', checks: ['words'] } },
      talk: { level: 1, ground: { code: 'replies', counted: 1, of: 3 } },
    });
    // Those who shared something come first.
    expect(page.lines.map((l) => l.name.split(' ')[0])).toEqual(['Imani', 'Jun', 'Noor', 'Kwame', 'Rafi']);
  });

  it('is kept for staff alone: nothing of it is given to its student or a classmate on any way', async () => {
    const { imani, noor, holt } = world.people;
    const anchor = anchorOfWords(WORDS, 'keeps the river out');
    if (!anchor) throw new Error('no passage');
    const comment = { id: randomUUID(), post, n: 1, anchor, body: `On this: ${SECRET}`, instead: 'holds it' };
    const written = mark({ levels: { ideas: 0, talk: 1 }, remark: SECRET, comments: [comment] });
    expect(await keepMark(at('Wed 10:00'), holt, place(imani), { mark: written, base: 0 })).toEqual({
      ok: true,
      value: { revision: 1 },
    });
    expect((await pageOf(imani)).one).toMatchObject({ state: 'written', mark: { remark: SECRET } });
    for (const who of [imani, noor]) {
      const all = await givenTo(who, 'Wed 11:00');
      expect(all).not.toContain(SECRET);
      expect(all).not.toContain('"remark"');
    }
    for (const who of [imani, noor, world.people.stranger]) {
      expect(await markingPage(at('Wed 11:00'), who, GEO, OPEN, null)).toMatchObject({ ok: false });
      expect(await keepMark(at('Wed 11:00'), who, place(imani), { mark: written, base: 1 })).toMatchObject({
        failure: { code: 'not-found' },
      });
      expect(await releaseMarks(at('Wed 11:00'), who, GEO, OPEN, null)).toMatchObject({ ok: false });
    }
  });

  it('is seen by its student alone once it is released, and new until they have seen it', async () => {
    const { imani, noor, holt } = world.people;
    expect(await releaseMarks(at('Wed 12:00'), holt, GEO, OPEN, null)).toEqual({ ok: true, value: 1 });
    const { feedback } = await partOf(imani);
    expect(feedback.mark).toMatchObject({
      score: { points: 12, of: 20 },
      mark: { remark: SECRET },
      marker: 'Dr. Maren Holt',
      isNew: true,
      was: null,
    });
    expect(feedback.losses).toEqual([
      { cause: { code: 'reply', n: 2 }, points: 4 },
      { cause: { code: 'reply', n: 3 }, points: 4 },
    ]);
    expect(Object.values(feedback.places)).toEqual([{ start: 9, end: 28 }]);
    expect(await givenTo(noor, 'Wed 12:00')).not.toContain(SECRET);
    expect((await progressPage(at('Wed 12:00'), imani)).fresh).toBe(1);
    const news = async () => (await thisWeek(at('Wed 12:01'), imani)).since.marks.map((m) => m.slug);
    expect(await news()).toEqual([OPEN]);
    await noteSeen(at('Wed 12:05'), imani, OPEN);
    expect((await progressPage(at('Wed 12:10'), imani)).fresh).toBe(0);
    expect(await news()).toEqual([]);
    // What says the same is not released again.
    expect(await releaseMarks(at('Wed 12:10'), holt, GEO, OPEN, null)).toEqual({ ok: true, value: 0 });
  });

  it('that is changed after that says so with the old one, and is new again', async () => {
    const { imani, holt } = world.people;
    const { one } = await pageOf(imani);
    const changed = { ...one.mark, levels: { ideas: 0, talk: 0 }, remark: 'Read again.' };
    await keepMark(at('Wed 13:00'), holt, place(imani), { mark: changed, base: one.revision });
    expect((await partOf(imani, 'Wed 13:05')).feedback.mark).toMatchObject({ score: { points: 12 } });
    expect((await pageOf(imani)).one.state).toBe('changed');
    await releaseMarks(at('Wed 13:10'), holt, GEO, OPEN, [imani.id]);
    expect((await partOf(imani, 'Wed 13:15')).feedback.mark).toMatchObject({
      score: { points: 20 },
      isNew: true,
      was: { points: 12, of: 20, releasedAt: at('Wed 12:00').now },
    });
  });

  it('of two who write on it is overwritten by neither: the later is told of the earlier', async () => {
    const { imani, holt } = world.people;
    const { one } = await pageOf(imani);
    const again = (remark: string) =>
      keepMark(at('Wed 14:00'), holt, place(imani), { mark: { ...one.mark, remark }, base: one.revision });
    expect(await again('Mine.')).toMatchObject({ ok: true });
    expect(await again('Mine too.')).toMatchObject({
      failure: { code: 'changed-meanwhile', mark: { remark: 'Mine.' }, revision: one.revision + 1 },
    });
    expect((await pageOf(imani)).one.mark.remark).toBe('Mine.');
  });

  it('is not released while anything of it is open, and those who are not named keep theirs', async () => {
    const { jun, noor, holt } = world.people;
    await keepMark(at('Wed 15:00'), holt, place(jun), { mark: mark({ levels: { ideas: 1 } }), base: 0 });
    await keepMark(at('Wed 15:00'), holt, place(noor), {
      mark: mark({ levels: { ideas: 1, talk: 0 } }),
      base: 0,
    });
    expect(await releaseMarks(at('Wed 15:05'), holt, GEO, OPEN, [jun.id])).toEqual({ ok: true, value: 0 });
    expect((await partOf(noor, 'Wed 15:10')).feedback.mark).toBeNull();
  });

  it('is released by itself at the time that was set, and not before', async () => {
    const { noor, holt } = world.people;
    expect(await chooseRelease(at('Wed 16:00'), holt, GEO, OPEN, '2026-10-15T09:00')).toMatchObject({
      ok: true,
    });
    expect(await releaseDue(at('Thu 08:59'))).toBe(0);
    expect((await partOf(noor, 'Thu 08:59')).feedback.mark).toBeNull();
    expect(await releaseDue(at('Thu 09:00'))).toBe(1);
    expect((await partOf(noor, 'Thu 09:01')).feedback.mark).toMatchObject({ score: { points: 12 } });
    expect(await releaseDue(at('Thu 09:01'))).toBe(0);
    // Where nothing is written by then, the time is over all the same: what comes later waits for somebody.
    await chooseRelease(at('Thu 09:02'), holt, GEO, SEALED, '2026-10-15T09:03');
    expect(await releaseDue(at('Thu 09:03'))).toBe(1);
    expect((await pageOf(noor, SEALED)).releaseAt).toBeNull();
  });

  it('stands as it was released when its rubric is another since', async () => {
    const { noor, holt } = world.people;
    await chooseWay(at('Thu 10:00'), holt, GEO, OPEN, 'verdict');
    expect((await partOf(noor, 'Thu 10:01')).feedback.mark).toMatchObject({ score: { points: 12, of: 20 } });
    await chooseWay(at('Thu 10:02'), holt, GEO, OPEN, null);
    // A rubric by which something is written stays.
    expect(await keepRubric(at('Thu 10:05'), holt, GEO, OPEN, { fields: null, sure: true })).toMatchObject({
      failure: { code: 'has-marks' },
    });
  });
});

describe('covered names', () => {
  it('are on no line and no sheet, in an order that stays and is not that of the names', async () => {
    const { holt } = world.people;
    const look = async () => {
      const found = await markingPage(at('Thu 10:30'), holt, GEO, OPEN, null, {
        ...USUAL_LOOK,
        covered: true,
      });
      if (!found.ok) throw new Error('no page');
      return found.value;
    };
    const page = await look();
    expect(page.lines.map((l) => l.name).sort()).toEqual([1, 2, 3, 4, 5].map((n) => `Student ${n}`));
    expect(page.one?.name).toMatch(/^Student \d$/u);
    expect((await look()).lines).toEqual(page.lines);
  });
});

describe('a comment', () => {
  it('is answered both ways, marked as understood, and put into the note for next time', async () => {
    const { imani, noor, holt } = world.people;
    const { feedback } = await partOf(imani, 'Thu 11:00');
    const [comment] = feedback.mark?.mark.comments ?? [];
    if (!comment) throw new Error('no comment');
    const said = (act: 'understood' | 'not-understood' | 'take-along', who = imani) =>
      actOnComment(at('Thu 11:00'), who, OPEN, { do: act, comment: comment.id });
    const id = randomUUID();
    for (let i = 0; i < 2; i += 1)
      expect(
        await actOnComment(at('Thu 11:00'), imani, OPEN, {
          do: 'answer',
          comment: comment.id,
          id,
          body: 'I will.',
        }),
      ).toMatchObject({ ok: true });
    expect(await said('understood')).toMatchObject({ ok: true });
    expect(
      await answerAsStaff(at('Thu 11:05'), holt, place(imani), {
        about: { comment: comment.id },
        id: randomUUID(),
        body: 'Good.',
      }),
    ).toMatchObject({ ok: true });
    const { talk } = (await partOf(imani, 'Thu 11:10')).feedback;
    expect(talk[comment.id]).toMatchObject({
      understood: true,
      answers: [
        { author: 'Imani Okoro', mine: true, body: 'I will.' },
        { author: 'Dr. Maren Holt', mine: false, body: 'Good.' },
      ],
    });
    expect((await pageOf(imani)).one.talk[comment.id]?.answers).toHaveLength(2);
    // Twice into the note is once.
    for (let i = 0; i < 2; i += 1) expect(await said('take-along')).toMatchObject({ ok: true });
    const room = await responseRoom(at('Thu 11:15'), imani, SEALED);
    expect(room.ok && room.value.note?.body.split('keeps the river out').length).toBe(2);
    // It is nobody else's to answer.
    expect(await said('understood', noor)).toMatchObject({ failure: { code: 'not-found' } });
    expect(
      await answerAsStaff(at('Thu 11:20'), noor, place(imani), {
        about: { comment: comment.id },
        id,
        body: 'x',
      }),
    ).toMatchObject({ failure: { code: 'not-found' } });
  });

  it('finds its passage again in a text that was changed since', async () => {
    const { rafi, holt } = world.people;
    const { post } = await shared(
      db,
      rafi,
      OPEN,
      'Thu 12:00',
      shareInput('Dikes are dear and they last long.'),
    );
    const anchor = anchorOfWords('Well, dikes are dear and they last long.', 'they last long');
    if (!anchor) throw new Error('no passage');
    const comment = { id: randomUUID(), post, n: 2, anchor, body: 'How long?', instead: null };
    const written = mark({ levels: { ideas: 0, talk: 1 }, comments: [comment] });
    await keepMark(at('Thu 12:10'), holt, place(rafi), { mark: written, base: 0 });
    const { one } = await pageOf(rafi, OPEN, 'Thu 12:15');
    expect(one.places[comment.id]).toEqual({ start: 19, end: 33 });
  });
});

describe('progress', () => {
  it('adds up what is released, says what cost most, and what is still to be had', async () => {
    const { noor } = world.people;
    const { courses, most } = await progressPage(at('Thu 13:00'), noor);
    expect(courses).toHaveLength(1);
    expect(courses[0]).toMatchObject({
      code: 'GEO 115',
      standing: { points: 12, of: 20, percent: 60, toWin: 0 },
      cells: [
        { slug: SEALED, mark: null },
        { slug: OPEN, mark: { points: 12, of: 20, isNew: true, taken: 0 } },
      ],
    });
    expect(most).toMatchObject({ code: 'GEO 115', cost: { points: 8, in: 1, of: 1, lost: 8 } });
  });
  it('is empty for who takes no course, and says nothing of others', async () => {
    expect(await progressPage(at('Thu 13:00'), world.people.holt)).toMatchObject({ courses: [], most: null });
    expect(JSON.stringify(await progressPage(at('Thu 13:00'), world.people.stranger))).not.toContain('geo');
  });
});
