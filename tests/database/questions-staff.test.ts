import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { documentFromText } from '@/core/document/compose';
import { plainText } from '@/core/document/flatten';
import { isOpen } from '@/core/questions/state';
import { keepMeaning } from '@/db/queries/question-meanings';
import { openQuestions } from '@/db/queries/questions';
import { meetingEntries } from '@/server/calendar/meetings';
import { announcementsPage } from '@/server/courses/announcements';
import type { Actor } from '@/server/deps';
import { keepDraft } from '@/server/drafts/keep';
import { markRead } from '@/server/discussions/reading';
import { noticesPage } from '@/server/notices/page';
import { withdrawPost } from '@/server/posts/change';
import { actOnQuestion } from '@/server/questions/act';
import { questionsPage } from '@/server/questions/questions';
import { asking, asksIn, COURSE, PLAIN } from './asks';
import { deps, on, smallCourse } from './world';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
beforeAll(async () => {
  world = await smallCourse('questions_staff');
  db = world.db;
});
afterAll(() => db.destroy());

const { ask, asked, answered, pageOf, lineOf } = asksIn(() => db);
type Act = Parameters<typeof actOnQuestion>[4];
const act = (who: Actor, number: number, what: Act, when = 'Tue 12:00') =>
  actOnQuestion(deps(db, when), who, COURSE, number, what);
const HOUR = { starts: '2026-10-14T16:00', minutes: 60, place: 'Room 4.12', slots: 3 };
const titlesFor = async (who: Actor, when: string) => {
  const page = await noticesPage(deps(db, when), who, { key: null });
  return page.lines.map((l) => l.title);
};

describe('an hour to meet', () => {
  let number: number;
  beforeAll(async () => {
    number = await asked(world.people.holt, 'About your maps', { kind: 'meets' }, 'Tue 10:00', {
      meets: HOUR,
    });
  });

  it('is offered by staff alone, for a time to come, with a place and slots that are long enough', async () => {
    const { holt, imani } = world.people;
    const offer = (who: Actor, meets: typeof HOUR | null, when = 'Tue 10:00') =>
      ask(who, 'x', { kind: 'meets' }, when, { meets });
    expect(await offer(imani, HOUR)).toMatchObject({ failure: { code: 'staff-only' } });
    expect(await offer(holt, null)).toMatchObject({ failure: { code: 'no-meeting' } });
    expect(await offer(holt, { ...HOUR, minutes: 10, slots: 20 })).toMatchObject({
      failure: { code: 'no-meeting' },
    });
    expect(await offer(holt, HOUR, 'Thu 10:00')).toMatchObject({ failure: { code: 'no-such-time' } });
  });

  it('gives each slot to one, who is named to staff alone, and stands in their calendar', async () => {
    const { holt, imani, noor } = world.people;
    expect(await act(imani, number, { act: 'take-slot', slot: 0 })).toMatchObject({ ok: true });
    expect(await act(noor, number, { act: 'take-slot', slot: 0 })).toMatchObject({
      failure: { code: 'taken' },
    });
    // Another slot in the place of the first.
    expect(await act(imani, number, { act: 'take-slot', slot: 1 })).toMatchObject({ ok: true });
    expect(await act(noor, number, { act: 'take-slot', slot: 0 })).toMatchObject({ ok: true });
    const seen = async (who: Actor) => (await pageOf(who, number))?.open?.meets?.slots;
    expect((await seen(holt))?.map((s) => s.who)).toEqual(['Noor Vasquez', 'Imani Okoro', null]);
    expect((await seen(imani))?.map((s) => [s.taken, s.mine, s.who])).toEqual([
      [true, false, null],
      [true, true, null],
      [false, false, null],
    ]);
    expect(JSON.stringify((await pageOf(imani, number))?.open?.meets)).not.toContain(noor.id);
    expect(await lineOf(world.people.jun, number)).toMatchObject({
      meets: { free: 1, over: false, calledOff: false },
      state: null,
    });
    const [entry] = await meetingEntries({ db }, imani);
    expect(entry).toMatchObject({
      at: on('Wed 16:20'),
      until: on('Wed 16:40'),
      place: 'Room 4.12',
      title: 'About your maps',
    });
    // Whoever has no slot has nothing to go to; whoever gives the hour has all of it.
    expect(await meetingEntries({ db }, world.people.jun)).toEqual([]);
    expect(await meetingEntries({ db }, holt)).toMatchObject([
      { at: on('Wed 16:00'), until: on('Wed 17:00') },
    ]);
  });

  it('of two who press in one moment gives a slot to one', async () => {
    const { jun, rafi, imani, noor } = world.people;
    const done = await Promise.all([jun, rafi].map((who) => act(who, number, { act: 'take-slot', slot: 2 })));
    expect(done.filter((d) => d.ok)).toHaveLength(1);
    for (const who of [jun, rafi]) await act(who, number, { act: 'give-slot' });
    expect((await pageOf(imani, number))?.open?.meets?.slots[2]).toMatchObject({ taken: false });
    expect(noor.id).not.toBe(imani.id);
  });

  it('is moved and called off by staff, and whoever has a slot is told', async () => {
    const { holt, imani, jun } = world.people;
    const move = { act: 'move-meeting', starts: '2026-10-14 18:00', place: '' } as const;
    expect(await act(imani, number, move)).toMatchObject({ failure: { code: 'not-yours-to-do' } });
    expect(await act(holt, number, { ...move, starts: '2026-10-12 18:00' })).toMatchObject({
      failure: { code: 'no-such-time' },
    });
    expect(await act(holt, number, move)).toMatchObject({ ok: true });
    expect(await meetingEntries({ db }, imani)).toMatchObject([{ at: on('Wed 18:20'), place: 'Room 4.12' }]);
    expect((await titlesFor(imani, 'Tue 13:00')).join()).toContain('moved the hour to meet');
    expect(await act(holt, number, { act: 'call-off' }, 'Tue 13:10')).toMatchObject({ ok: true });
    expect((await titlesFor(imani, 'Tue 13:20')).join()).toContain('called off the hour to meet');
    expect((await titlesFor(jun, 'Tue 13:20')).join()).not.toContain('hour to meet');
    expect(await meetingEntries({ db }, imani)).toEqual([]);
    expect(await act(jun, number, { act: 'take-slot', slot: 2 })).toMatchObject({
      failure: { code: 'called-off' },
    });
  });
});

describe('a question to the staff alone', () => {
  it('is read by everybody once its asker says so, and by nobody because staff would like it', async () => {
    const { holt, imani, noor } = world.people;
    const number = await asked(imani, 'May I write about our own street?', { audience: 'staff' });
    await answered(holt, number, 'You may. OPENED');
    expect(await act(imani, number, { act: 'open-it' })).toMatchObject({
      failure: { code: 'not-yours-to-do' },
    });
    expect(await act(imani, number, { act: 'want-open' })).toMatchObject({ ok: false });
    expect(await act(holt, number, { act: 'want-open' })).toMatchObject({ ok: true });
    expect(await titlesFor(imani, 'Tue 12:30')).toContainEqual(
      expect.stringContaining(`would like everybody to read your question ${number}`),
    );
    expect(await pageOf(noor, number)).toBeNull();
    expect(await act(holt, number, { act: 'open-it' })).toMatchObject({ ok: false });
    expect(await act(imani, number, { act: 'keep-closed' })).toMatchObject({ ok: true });
    expect(await pageOf(noor, number)).toBeNull();
    // Asked once more, it is opened, answers and all; what is read and unread goes on being counted right.
    await act(holt, number, { act: 'want-open' }, 'Tue 12:40');
    const room = (await pageOf(holt))?.room ?? '';
    const posts = (await pageOf(imani, number))?.open?.view.posts.map((p) => p.id) ?? [];
    await markRead(deps(db, 'Tue 12:41'), imani, room, { posts, read: true });
    expect(await act(imani, number, { act: 'open-it' }, 'Tue 12:45')).toMatchObject({ ok: true });
    expect(JSON.stringify(await pageOf(noor, number))).toContain('OPENED');
    expect(await lineOf(noor, number)).toMatchObject({ audience: 'everybody', unread: 2, openWanted: false });
    expect(await lineOf(imani, number)).toMatchObject({ unread: 0 });
    const counted = await db('discussion_counts as c')
      .join('rooms as r', 'r.id', 'c.discussion_id')
      .where({ 'r.slug': room })
      .first('c.class_posts', 'c.private_posts');
    const [stands] = await db('posts as p')
      .join('rooms as r', 'r.id', 'p.discussion_id')
      .where({ 'r.slug': room })
      .whereRaw('p.withdrawn_at is null and p.hidden_at is null')
      .select(
        db.raw('count(*) filter (where p.private_to is null)::int as class_posts'),
        db.raw('count(*) filter (where p.private_to is not null)::int as private_posts'),
      );
    expect(counted).toEqual(stands);
  });

  it('asked under cover stays under cover once it is opened', async () => {
    const { holt, kwame, noor } = world.people;
    await db('question_rules')
      .insert({ course_id: world.course, cover_from_staff: true })
      .onConflict('course_id')
      .merge();
    const number = await asked(kwame, 'I cannot pay for the book', { audience: 'staff', cover: 'all' });
    await act(holt, number, { act: 'want-open' });
    expect(await act(kwame, number, { act: 'open-it' })).toMatchObject({ ok: true });
    expect(await lineOf(noor, number)).toMatchObject({ author: 'A classmate', audience: 'everybody' });
    expect(JSON.stringify(await pageOf(noor, number))).not.toContain(kwame.id);
  });
});

it('one answer is given to all who ask the same: these are offered by what they mean, and their askers follow it', async () => {
  const { holt, imani, noor, jun } = world.people;
  const first = await asked(imani, 'Is the gauge table one source or twelve?');
  const same = await asked(noor, 'Do several rows of the table make several sources?');
  const other = await asked(jun, 'Where do I find the library hours?');
  const alone = await asked(world.people.rafi, 'Do its rows count one by one?', { audience: 'staff' });
  // Of each the same for its four texts.
  const four = (v: number[]) => [v, v, v, v].flat();
  const vectors = {
    [first]: four([1, 0, 0]),
    [same]: four([0.9, 0.1, 0]),
    [other]: four([0, 0, 1]),
    [alone]: four([0.8, 0.2, 0]),
  };
  for (const [number, vector] of Object.entries(vectors)) {
    const { post_id } = await db('questions')
      .where({ number: Number(number) })
      .first('post_id');
    await keepMeaning(db, post_id, vector, 'known');
  }
  const alike = async (who: Actor) => (await pageOf(who, first))?.open?.alike.map((a) => a.number);
  expect(await alike(holt)).toEqual([same, alone]);
  expect(await alike(imani)).toEqual([]);
  const together: Act = { act: 'merge-here', from: [same, alone] };
  expect(await act(imani, first, together)).toMatchObject({ ok: false });
  expect(await act(holt, first, { ...together, from: [same, 999] })).toMatchObject({
    failure: { code: 'no-such-question' },
  });
  expect(await act(holt, first, together)).toMatchObject({ ok: true });
  expect(await alike(holt)).toEqual([]);
  const room = (await pageOf(holt))?.room ?? '';
  await answered(holt, first, 'It is one source.', 'Tue 14:00');
  expect(room).not.toBe('');
  for (const who of [noor, world.people.rafi]) {
    expect((await pageOf(who, first))?.open?.line.followed).toBe(true);
    expect((await titlesFor(who, 'Tue 14:10')).join()).toContain(`goes on in question ${first}`);
  }
  // What only the staff read stays theirs.
  expect(await pageOf(imani, alone)).toBeNull();
});

it('an answer of staff is kept to be given again, by whoever keeps it, and begins an announcement', async () => {
  const { holt, imani } = world.people;
  const number = await asked(imani, 'Which map shall we use?');
  const own = await answered(imani, number, 'The old one, I think.');
  const answer = await answered(holt, number, 'The survey of 1871. AGAIN');
  expect(await act(imani, number, { act: 'save-answer', post: answer })).toMatchObject({ ok: false });
  expect(await act(holt, number, { act: 'save-answer', post: own })).toMatchObject({ ok: false });
  for (let twice = 0; twice < 2; twice += 1)
    expect(await act(holt, number, { act: 'save-answer', post: answer })).toMatchObject({ ok: true });
  const saved = async (who: Actor) => (await pageOf(who, number))?.open?.saved ?? [];
  expect((await saved(holt)).map((s) => [s.title, plainText(s.doc)])).toEqual([
    ['Which map shall we use?', 'The survey of 1871. AGAIN'],
  ]);
  expect(await saved(imani)).toEqual([]);
  const begun = async (who: Actor, post: number) => {
    const page = await announcementsPage(deps(db, 'Tue 13:00'), who, COURSE, post);
    return page.ok ? page.value.begin?.title : undefined;
  };
  expect(await begun(holt, answer)).toBe('Which map shall we use?');
  expect(await begun(imani, answer)).toBeUndefined();
  // What a classmate answered is no word of the staff.
  expect(await begun(holt, own)).toBeUndefined();
  const hidden = await asked(imani, 'Between us', { audience: 'staff' });
  expect(await begun(holt, await answered(holt, hidden, 'Yes.'))).toBeUndefined();
  const [{ id } = { id: '' }] = await saved(holt);
  await act(imani, number, { act: 'drop-saved', saved: id });
  expect(await saved(holt)).toHaveLength(1);
  await act(holt, number, { act: 'drop-saved', saved: id });
  expect(await saved(holt)).toEqual([]);
});

describe('a line to the staff', () => {
  it('is written on a page of its own: no draft of a question is on it, nor goes with it', async () => {
    const { imani } = world.people;
    const page = async (kind: 'line' | 'asks') => {
      const found = await questionsPage(deps(db, 'Wed 09:00'), imani, COURSE, {
        ...PLAIN,
        number: null,
        ask: asking({ kind }),
      });
      if (!found.ok || !found.value.ask) throw new Error('no page');
      return { room: found.value.room, draft: found.value.ask.draft };
    };
    const { room } = await page('asks');
    const keep = async (kind: 'response' | 'reply', words: string) => {
      const submission = randomUUID();
      const kept = await keepDraft(deps(db, 'Wed 09:01'), imani, room, {
        kind,
        parent: null,
        submission,
        title: '',
        doc: documentFromText(words),
        base: 0,
        conflict: 'tell',
      });
      expect(kept).toMatchObject({ ok: true });
      return submission;
    };
    await keep('response', 'For everybody.');
    const submission = await keep('reply', 'For you alone.');
    expect(plainText((await page('asks')).draft.doc)).toBe('For everybody.');
    expect(plainText((await page('line')).draft.doc)).toBe('For you alone.');
    await asked(imani, '', { kind: 'line' }, 'Wed 09:02', { submission });
    expect(plainText((await page('line')).draft.doc)).toBe('');
    expect(plainText((await page('asks')).draft.doc)).toBe('For everybody.');
  });

  it('says to its student who of the staff has read what they said last, and who has taken it', async () => {
    const { rafi, holt, noor } = world.people;
    const line = await asked(rafi, '', { kind: 'line' }, 'Wed 09:30');
    const state = async () => {
      const open = (await pageOf(rafi, line))?.open;
      return [open?.readBy, open?.line.taken];
    };
    expect(await state()).toEqual([[], null]);
    const page = await pageOf(holt, line);
    const posts = page?.open?.view.posts.map((p) => p.id) ?? [];
    await markRead(deps(db, 'Wed 09:31'), holt, page?.room ?? '', { posts, read: true });
    await act(holt, line, { act: 'take' });
    expect(await state()).toEqual([['Dr. Maren Holt'], 'Dr. Maren Holt']);
    await answered(rafi, line, 'One thing more.', 'Wed 09:40');
    expect((await state())[0]).toEqual([]);
    expect(await pageOf(noor, line)).toBeNull();
  });

  it('is one, also where two windows begin it in one moment, and no words are lost', async () => {
    const { noor, holt } = world.people;
    const numbers = await Promise.all(
      ['First window.', 'Second window.'].map((words) =>
        asked(noor, '', { kind: 'line' }, 'Wed 10:00', { doc: documentFromText(words) }),
      ),
    );
    expect(new Set(numbers).size).toBe(1);
    const said = JSON.stringify((await pageOf(holt, numbers[0] ?? 0))?.open?.view.posts);
    expect(said).toContain('First window.');
    expect(said).toContain('Second window.');
  });
});

it('what stands in the corner is about anything, and apart from what is asked', async () => {
  const { imani, noor } = world.people;
  expect(await ask(imani, 'A lift on Saturday?', { kind: 'corner' })).toMatchObject({
    failure: { code: 'no-corner' },
  });
  await db('question_rules')
    .insert({ course_id: world.course, corner: 'The bench' })
    .onConflict('course_id')
    .merge();
  const number = await asked(imani, 'A lift on Saturday?', { kind: 'corner', audience: 'staff' });
  const page = await questionsPage(deps(db, 'Wed 11:00'), noor, COURSE, {
    ...PLAIN,
    number: null,
    show: 'corner',
  });
  expect(page.ok && page.value.lines.map((l) => l.number)).toEqual([number]);
  expect((await pageOf(noor))?.lines.some((l) => l.number === number)).toBe(false);
});

it('the desk counts what waits as the list does, whatever became of questions and answers', async () => {
  const { holt, imani, noor, jun } = world.people;
  const compare = async () => {
    const lines = (await pageOf(holt))?.lines ?? [];
    const open = lines.filter((l) => l.mergedInto === null && isOpen(l.state));
    expect(await openQuestions(db, world.course)).toBe(open.length);
    return open.length;
  };
  const before = await compare();
  const first = await asked(imani, 'One?');
  const second = await asked(noor, 'Two?', { cover: 'class' });
  const line = await asked(jun, '', { kind: 'line' });
  expect(await compare()).toBe(before + 3);
  const answer = await answered(jun, first, 'I think so.');
  expect(await compare()).toBe(before + 3);
  await act(holt, first, { act: 'confirm', post: answer });
  await act(noor, second, { act: 'settle' });
  const reply = await answered(holt, line, 'Good.', 'Tue 11:10');
  expect(await compare()).toBe(before);
  await answered(jun, line, 'And one thing more.', 'Tue 11:20');
  expect(await compare()).toBe(before + 1);
  await withdrawPost(deps(db, 'Tue 11:30'), jun, (await pageOf(holt))?.room ?? '', answer as never);
  expect(await compare()).toBe(before + 2);
  expect(reply).toBeGreaterThan(0);
});
