import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import type { Actor } from '@/server/deps';
import { enterDiscussion } from '@/server/access/enter';
import { follow as followThread } from '@/server/discussions/follow';
import { markRead } from '@/server/discussions/reading';
import { keepUp } from '@/server/notices/keep-up';
import { changePost, withdrawPost } from '@/server/posts/change';
import { reactToPost } from '@/server/posts/react';
import { share } from '@/server/posts/share';
import { actOnQuestion } from '@/server/questions/act';
import { askQuestion } from '@/server/questions/ask';
import { thisWeek } from '@/server/week/this-week';
import { asking, asksIn, COURSE } from './asks';
import { deps, on, OPEN, shared, shareInput, smallCourse, text } from './world';

let db: Knex;
let world: Awaited<ReturnType<typeof smallCourse>>;
beforeAll(async () => {
  world = await smallCourse('questions');
  db = world.db;
});
afterAll(() => db.destroy());

const { asked, answered, pageOf, lineOf } = asksIn(() => db);

it('is asked, answered by a classmate, confirmed by staff, and found by whoever comes later', async () => {
  const { imani, noor, holt, jun } = world.people;
  const number = await asked(imani, 'Is the gauge table one source or twelve?');
  expect(await lineOf(noor, number)).toMatchObject({ state: 'nobody', author: 'Imani Okoro', unread: 1 });
  const answer = await answered(noor, number, 'One table by one office is one source.');
  expect(await lineOf(imani, number)).toMatchObject({
    state: 'classmates',
    by: ['Noor Vasquez'],
    mine: true,
  });
  expect(
    (await actOnQuestion(deps(db, 'Tue 12:00'), jun, COURSE, number, { act: 'confirm', post: answer })).ok,
  ).toBe(false);
  await actOnQuestion(deps(db, 'Tue 12:00'), holt, COURSE, number, { act: 'confirm', post: answer });
  expect(await lineOf(imani, number)).toMatchObject({ state: 'confirmed' });
  expect((await pageOf(jun, number))?.open?.confirmed).toEqual({ [answer]: 'Dr. Maren Holt' });
  const right = await reactToPost(deps(db, 'Tue 12:10'), jun, (await pageOf(jun))?.room ?? '', answer, {
    kind: 'well-said',
    on: true,
  });
  expect(right).toMatchObject({ ok: true, value: { wellSaid: 1 } });
  await actOnQuestion(deps(db, 'Tue 12:20'), jun, COURSE, number, { act: 'spared' });
  await actOnQuestion(deps(db, 'Tue 12:21'), jun, COURSE, number, { act: 'spared' });
  expect(await lineOf(holt, number)).toMatchObject({ spared: 1 });
});

it('owes nothing, stands in no list of discussions, and has no rooms of its own', async () => {
  const { imani, rafi } = world.people;
  await asked(rafi, 'Does the heading count as my own words?');
  const room = (await pageOf(imani))?.room ?? '';
  expect(await enterDiscussion(deps(db, 'Tue 12:00'), imani, room)).toMatchObject({ ok: false });
  expect(JSON.stringify(await thisWeek(deps(db, 'Tue 12:00'), imani))).not.toContain(room);
  expect(await share(deps(db, 'Tue 12:00'), imani, room, shareInput('a response'))).toMatchObject({
    ok: false,
  });
  expect(
    (
      await askQuestion(deps(db, 'Tue 12:00'), world.people.stranger, COURSE, {
        submission: randomUUID(),
        title: 'x',
        doc: text('x'),
        asking: asking(),
      })
    ).ok,
  ).toBe(false);
});

it('to the staff only is read by its asker and the staff; a line goes on as one exchange', async () => {
  const { imani, noor, holt } = world.people;
  const number = await asked(imani, 'I will be in hospital on Thursday', { audience: 'staff' });
  expect(await pageOf(noor, number)).toBeNull();
  expect(await lineOf(noor, number)).toBeNull();
  expect(await lineOf(holt, number)).toMatchObject({ audience: 'staff', author: 'Imani Okoro' });
  await answered(holt, number, 'Get well first. I gave you until Monday.');
  expect(await lineOf(imani, number)).toMatchObject({ state: 'staff', unread: 1 });
  // What the asker adds to the answer of one of the staff is read by all of them, and by no classmate.
  const first = await asked(imani, '', { kind: 'line' });
  const again = await asked(imani, '', { kind: 'line', cover: 'all', audience: 'everybody' });
  expect(again).toBe(first);
  expect((await pageOf(holt, first))?.open?.view.posts).toHaveLength(2);
  expect(await pageOf(noor, first)).toBeNull();
});

describe('under cover', () => {
  it('nobody but its asker, and staff where it is covered from the class, learns who asked', async () => {
    const { kwame, noor, holt } = world.people;
    const number = await asked(kwame, 'Am I the only one who does not see it?', { cover: 'class' });
    const answer = await answered(noor, number, 'You are not.');
    // What its asker adds is covered as well.
    const more = await answered(kwame, number, 'That is a relief.', 'Tue 11:30');
    const seen = JSON.stringify([await pageOf(noor, number), await pageOf(noor)]);
    expect(seen).not.toContain('Kwame');
    expect(seen).not.toContain(kwame.id);
    expect((await pageOf(noor, number))?.open?.view.posts.map((p) => p.author.name)).toEqual([
      'A classmate',
      'Noor Vasquez',
      'A classmate',
    ]);
    const staff = await pageOf(holt, number);
    expect(staff?.open?.view.posts.map((p) => p.author.name)).toEqual([
      'Kwame Sorley',
      'Noor Vasquez',
      'Kwame Sorley',
    ]);
    // Whoever answers them calls them nothing.
    expect(staff?.open?.view.reply?.answering.name).toBe('A classmate');
    const own = await pageOf(kwame, number);
    expect(own?.open?.view.posts.map((p) => p.mine)).toEqual([true, false, true]);
    expect(own?.open?.line).toMatchObject({ mine: true, unread: 1, cover: 'class' });
    // It is theirs to change and to withdraw, and nobody else's.
    const room = own?.room ?? '';
    const change = (who: Actor) =>
      changePost(deps(db, 'Tue 12:00'), who, room, more as never, {
        title: '',
        doc: text('That is some relief.'),
      });
    expect(await change(noor)).toMatchObject({ ok: false, failure: { code: 'not-found' } });
    expect(await change(kwame)).toMatchObject({ ok: true });
    expect(await withdrawPost(deps(db, 'Tue 12:01'), noor, room, more as never)).toMatchObject({ ok: false });
    expect(await withdrawPost(deps(db, 'Tue 12:01'), kwame, room, more as never)).toMatchObject({ ok: true });
    await markRead(deps(db, 'Tue 12:02'), kwame, room, { posts: [answer], read: true });
    expect((await lineOf(kwame, number))?.unread).toBe(0);
  });

  it('from staff as well only where the course takes that, and then staff do not know either', async () => {
    const { rafi, holt, noor } = world.people;
    await expect(asked(rafi, 'May I be frank?', { cover: 'all' })).rejects.toThrow('no-cover-from-staff');
    await db('question_rules').insert({ course_id: world.course, cover_from_staff: true });
    const all = await asked(rafi, 'May I be frank?', { cover: 'all' });
    const letter = await asked(rafi, 'I do not feel safe in my group', { cover: 'all', audience: 'staff' });
    for (const number of [all, letter]) {
      const seen = JSON.stringify(await pageOf(holt, number));
      expect(seen).toContain('A classmate');
      expect(seen).not.toContain(rafi.id);
      const open = (await pageOf(holt, number))?.open;
      expect(JSON.stringify([open?.line, open?.view.posts, open?.view.reply?.answering])).not.toContain(
        'Rafi',
      );
    }
    expect(await pageOf(noor, letter)).toBeNull();
    await answered(holt, letter, 'Then we move you. Tell me when.');
    // It comes back to whoever asked, and to nobody else.
    expect((await pageOf(rafi, letter))?.open?.view.posts).toHaveLength(2);
    expect(await pageOf(noor, letter)).toBeNull();
  });

  it('staff speak as themselves: nobody takes them for a classmate', async () => {
    const number = await asked(world.people.holt, 'Who has the key?', { cover: 'class' });
    expect(await lineOf(world.people.noor, number)).toMatchObject({ author: 'Dr. Maren Holt', cover: 'no' });
  });

  it('sent twice it is asked once', async () => {
    const { jun } = world.people;
    const submission = randomUUID();
    const send = () =>
      askQuestion(deps(db, 'Tue 13:00'), jun, COURSE, {
        submission,
        title: 'Twice?',
        doc: text('Once.'),
        asking: asking({ cover: 'class' }),
      });
    const [first, second] = [await send(), await send()];
    expect(first).toEqual(second);
  });
});

it('a discussion is as it was: what is shared there is read, and numbers of questions are their course’s', async () => {
  const { imani, noor } = world.people;
  const { post } = await shared(db, imani, OPEN, 'Tue 14:00', shareInput('a response of mine'));
  expect(post).toBeGreaterThan(0);
  const numbers = (await pageOf(noor))?.lines.map((l) => l.number) ?? [];
  expect(new Set(numbers).size).toBe(numbers.length);
});

it('put together with another, its asker is told and hears of the answers there; who left it stays away', async () => {
  const { imani, noor, jun, rafi, holt } = world.people;
  const twice = await asked(noor, 'How many words is a reply?', {}, 'Wed 10:00');
  const again = await asked(jun, 'What is the least length of a reply?', { cover: 'class' }, 'Wed 10:10');
  await answered(imani, again, 'I ask myself the same.', 'Wed 10:20');
  const merge = (who: Actor, into: number, number = again) =>
    actOnQuestion(deps(db, 'Wed 11:00'), who, COURSE, number, { act: 'merge', into });
  expect(await merge(jun, twice)).toMatchObject({ ok: false, failure: { code: 'not-yours-to-do' } });
  expect(await merge(holt, again)).toMatchObject({ ok: false, failure: { code: 'no-such-question' } });
  const secret = await asked(rafi, 'Only for you', { audience: 'staff' }, 'Wed 10:30');
  expect(await merge(holt, secret)).toMatchObject({ ok: false });
  // Imani does not want to hear of it any more, before they are put together.
  const room = (await pageOf(imani))?.room ?? '';
  await followThread(deps(db, 'Wed 10:40'), imani, room, {
    thread: (await pageOf(imani, again))?.open?.line.post ?? 0,
    on: false,
  });
  // What was there before is told by then.
  await keepUp(deps(db, 'Wed 10:50'));
  expect((await merge(holt, twice)).ok).toBe(true);
  expect(await lineOf(jun, again)).toBeNull();
  expect((await pageOf(jun, again))?.open?.line).toMatchObject({ mergedInto: twice });
  const heard = async (who: Actor) =>
    (await db('notices').where({ person_id: who.id }).whereRaw(`about ->> 'merged' is not null`)).length;
  expect([await heard(jun), await heard(imani), await heard(rafi)]).toEqual([1, 0, 0]);
  await answered(holt, twice, 'As many as say something: forty, mostly.', 'Wed 12:00');
  await keepUp(deps(db, 'Wed 12:01'));
  const follows = async (who: Actor) =>
    (await db('notices').where({ person_id: who.id, kind: 'post' })).flatMap((n) => n.waiting).length;
  expect(await follows(jun)).toBe(1);
  expect(await follows(imani)).toBe(0);
});

it('hands are raised until it is over, by changing one’s mind as well, and with names covered nobody learns whose', async () => {
  const { imani, noor, holt } = world.people;
  const done = await askQuestion(deps(db, 'Wed 10:00'), holt, COURSE, {
    submission: randomUUID(),
    title: 'Friday or Saturday?',
    doc: { type: 'doc', content: [{ type: 'paragraph' }] },
    asking: asking({ kind: 'hands' }),
    hands: {
      choices: ['Friday', 'Saturday'],
      several: false,
      named: false,
      shown: 'now',
      closes: '2026-10-15T18:00',
    },
  });
  if (!done.ok) throw new Error(done.failure.code);
  const { number } = done.value;
  const raise = (who: Actor, choice: number[], when = 'Wed 11:00') =>
    actOnQuestion(deps(db, when), who, COURSE, number, { act: 'raise', choice });
  const result = async (who: Actor) => (await pageOf(who, number))?.open?.hands?.result;
  expect(await raise(imani, [0, 1])).toMatchObject({ ok: false });
  expect(await raise(imani, [7])).toMatchObject({ ok: false });
  await raise(imani, [0]);
  await raise(noor, [1]);
  await raise(imani, [1]);
  expect((await lineOf(noor, number))?.hands).toEqual({
    people: 0,
    named: false,
    closes: on('Thu 18:00'),
  });
  expect(await result(imani)).toMatchObject({ own: [1], people: 0, choices: null, few: true });
  // Not even who asked learns whose hand it was.
  const seen = JSON.stringify((await pageOf(holt, number))?.open?.hands);
  expect(seen).not.toContain('Imani');
  expect(seen).not.toContain(imani.id);
  expect(await raise(imani, [], 'Thu 18:00')).toMatchObject({ ok: false, failure: { code: 'closed' } });
  expect(
    await askQuestion(deps(db, 'Fri 10:00'), holt, COURSE, {
      submission: randomUUID(),
      title: 'Too late?',
      doc: text('x'),
      asking: asking({ kind: 'hands' }),
      hands: { choices: ['a', 'b'], several: false, named: true, shown: 'now', closes: '2026-10-15T18:00' },
    }),
  ).toMatchObject({ ok: false, failure: { code: 'no-such-time' } });
});
