import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { weekdayOf } from '@/core/deadlines/wallclock';
import type { Fields } from '@/core/outside/fields';
import { courseWeek } from '@/server/courses/weeks';
import type { Actor } from '@/server/deps';
import { keepDraft } from '@/server/drafts/keep';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { moveWeeks } from '@/db/queries/desk';
import { askForTime } from '@/server/discussions/more-time';
import { responseRoom } from '@/server/discussions/response-room';
import { actOnDesk, deskPage, type DeskAct } from '@/server/desk/discussion';
import { changeRules, makeDiscussion, promptPage, rulesPage, takePromptIn } from '@/server/desk/prompts';
import { showDue } from '@/server/desk/show-due';
import { takeCourseOver } from '@/server/desk/take-over';
import { addWeek, changeWeek, dropWeek, moveTerm, termPage, weekSchema } from '@/server/desk/term';
import { find } from '@/server/find/find';
import { openIntake } from '@/server/outside/take-in';
import { yourPart } from '@/server/discussions/your-part';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text, waitsForALock } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk');
  db = world.db;
});
afterAll(() => db.destroy());

const at = (when: string) => deps(db, when);
const GEO = 'geo-115';
const PROMPT = `Week 7: Who mends the weir?

In at least 120 words, say who should pay for the weir, and why. Then reply to two classmates in at least 40 words each.
Your response is due Thursday, 22 October at 23:59; replies are due Sunday, 25 October at 23:59.`;

const holt = () => world.people.holt;
const seen = async (who: Actor, slug: string) =>
  (await responseRoom(at('Tue 10:00'), who, slug, { reading: null })).ok;
const act = (slug: string, what: DeskAct, who = holt()) => actOnDesk(at('Tue 10:00'), who, GEO, slug, what);

/** A prompt is taken in and made a discussion, with what was read out of it. */
async function made(text = PROMPT, more: Fields = {}): Promise<string> {
  const taken = await takePromptIn(at('Mon 09:00'), holt(), GEO, { text, html: '', files: [] });
  if (!taken.ok) throw new Error(taken.failure.code);
  const page = await promptPage(at('Mon 09:01'), holt(), GEO, taken.value.id);
  if (!page.ok) throw new Error(page.failure.code);
  const fields = { ...page.value.fields, ...more };
  const done = await makeDiscussion(at('Mon 09:02'), holt(), GEO, taken.value.id, { fields });
  if (!done.ok) throw new Error(JSON.stringify(done.failure));
  return done.value.slug;
}

describe('the desk', () => {
  it('is for who teaches the course, and for nobody else there at all', async () => {
    const { imani, stranger } = world.people;
    expect((await termPage(at('Mon 08:00'), holt(), GEO)).ok).toBe(true);
    const week = weekSchema.parse({ number: 9, title: 'x', startsOn: '2026-11-02' });
    for (const who of [imani, stranger]) {
      const tried = [
        await termPage(at('Mon 08:00'), who, GEO),
        await addWeek(at('Mon 08:00'), who, GEO, week),
        await moveTerm(at('Mon 08:00'), who, GEO, { from: 1, weeks: 1 }),
        await takePromptIn(at('Mon 08:00'), who, GEO, { text: PROMPT, html: '', files: [] }),
        await deskPage(at('Mon 08:00'), who, GEO, OPEN),
        await act(OPEN, { act: 'show' }, who),
        await rulesPage(at('Mon 08:00'), who, GEO, OPEN),
      ];
      expect(tried.map((t) => (t.ok ? 'in' : t.failure.code))).toEqual(Array(7).fill('not-found'));
    }
  });

  it('says how the term stands, with how far the class is', async () => {
    await shared(db, world.people.noor, OPEN, 'Tue 09:00', shareInput('Three words here.'));
    const term = await termPage(at('Tue 10:00'), holt(), GEO);
    if (!term.ok) throw new Error();
    expect(term.value).toMatchObject({ students: 5, nextStart: '2026-10-19' });
    expect(term.value.weeks).toMatchObject([
      {
        number: 6,
        discussions: [
          { slug: SEALED, responses: 0, posts: 0, shown: true, state: 'open' },
          { slug: OPEN, responses: 1, posts: 1 },
        ],
      },
    ]);
  });

  it('makes, changes and takes away weeks, but none that holds anything', async () => {
    const week = (title: string, number = 8) =>
      weekSchema.parse({ number, title, startsOn: '2026-10-26', overview: ' What for. ' });
    expect(await addWeek(at('Mon 08:00'), holt(), GEO, week('Weirs'))).toMatchObject({ ok: true });
    expect(await addWeek(at('Mon 08:00'), holt(), GEO, week('Again'))).toMatchObject({
      failure: { code: 'week-taken' },
    });
    expect(await changeWeek(at('Mon 08:00'), holt(), GEO, week('Weirs and sluices'))).toMatchObject({
      ok: true,
    });
    expect(await changeWeek(at('Mon 08:00'), holt(), GEO, week('x', 12))).toMatchObject({ ok: false });
    const page = await courseWeek(at('Mon 08:00'), world.people.imani, GEO, 8);
    expect(page.ok && page.value.week).toMatchObject({ title: 'Weirs and sluices', overview: 'What for.' });
    expect(await dropWeek(at('Mon 08:00'), holt(), GEO, 6)).toMatchObject({
      failure: { code: 'week-in-use' },
    });
    expect(await dropWeek(at('Mon 08:00'), holt(), GEO, 8)).toMatchObject({ ok: true });
  });
});

describe('a prompt', () => {
  it('is read out of its prose, confirmed, and seen by the class once it is shown', async () => {
    const { imani } = world.people;
    const slug = await made();
    expect(slug).toBe('geo-115-w7');
    const page = await deskPage(at('Tue 10:00'), holt(), GEO, slug);
    expect(page.ok && page.value).toMatchObject({
      discussion: { title: 'Week 7: Who mends the weir?', shown: false, week: 7 },
      dates: { opens: '2026-10-19T06:00', responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T23:59' },
    });
    expect([await seen(imani, slug), await seen(holt(), slug)]).toEqual([false, true]);
    const listed = await listDiscussions(at('Tue 10:00'), imani, {} as never);
    expect(JSON.stringify(listed)).not.toContain('weir');
    // Neither as it stands, nor as the nearest of what is nearly so.
    for (const words of ['weir', 'mends', 'weirr', 'mendz']) {
      const { texts } = await find(at('Tue 10:00'), imani, words);
      expect([words, texts]).toEqual([words, []]);
      expect((await find(at('Tue 10:00'), holt(), words)).texts.length).toBeGreaterThan(0);
    }
    expect(await conversation(at('Tue 10:00'), imani, slug, {} as never)).toMatchObject({ ok: false });
    expect(await act(slug, { act: 'show' })).toMatchObject({ ok: true });
    expect(await seen(imani, slug)).toBe(true);
    const room = await responseRoom(at('Tue 10:00'), imani, slug, { reading: null });
    expect(room.ok && room.value.head.brief).toMatchObject({
      response: { words: { min: 120 } },
      replies: { count: 2, words: { min: 40 } },
    });
  });

  it('of a course waits on its desk, for its staff, and for nobody’s own course', async () => {
    const taken = await takePromptIn(at('Mon 10:00'), holt(), GEO, { text: PROMPT, html: '', files: [] });
    const id = taken.ok ? taken.value.id : '';
    expect(await openIntake(at('Mon 10:00'), holt(), id)).toMatchObject({ ok: false });
    const term = await termPage(at('Mon 10:00'), holt(), GEO);
    expect(term.ok && term.value.waiting.map((w) => w.id)).toContain(id);
    // A second of the same week has a name of its own.
    expect(await made()).toMatch(/^geo-115-w7-[0-9a-f]{6}$/u);
  });

  it('that says no dates has those the course usually has, and says so', async () => {
    const text = 'What would you tell the council?\n\nReply to two classmates.';
    const taken = await takePromptIn(at('Mon 09:00'), holt(), GEO, { text, html: '', files: [] });
    if (!taken.ok) throw new Error(taken.failure.code);
    const page = await promptPage(at('Mon 09:01'), holt(), GEO, taken.value.id, 6);
    if (!page.ok) throw new Error();
    const term = await termPage(at('Mon 09:01'), holt(), GEO);
    if (!term.ok) throw new Error();
    const last = term.value.weeks
      .flatMap((w) => w.discussions.map((d) => d.schedule.response.wall))
      .sort()
      .at(-1)!;
    const { fields } = page.value;
    expect(fields.week).toBe('6');
    expect([weekdayOf(fields.responseDue!), fields.responseDue!.slice(11)]).toEqual([
      weekdayOf(last),
      last.slice(11),
    ]);
    expect(Object.keys(page.value.usual ?? {})).toEqual(
      expect.arrayContaining(['responseDue', 'repliesDue']),
    );
  });

  it('is not taken from somebody who begins to write in that very moment', async () => {
    const slug = await made(PROMPT, { week: '9', title: 'A weir taken away' });
    await act(slug, { act: 'show' });
    const { id, course_id } = await db('discussions').where({ slug }).first('id', 'course_id');
    const writing = await db.transaction();
    await writing('notes_to_self').insert({
      course_id,
      discussion_id: id,
      person_id: world.people.jun.id,
      body: 'Ask about the sluice.',
      kept_at: new Date(),
    });
    const taking = act(slug, { act: 'remove' });
    await waitsForALock(db);
    await writing.commit();
    expect(await taking).toMatchObject({ failure: { code: 'has-drafts' } });
    expect(await db('discussions').where({ id }).first('id')).toEqual({ id });
  });

  it('with a field that is wrong is no discussion yet, and says which', async () => {
    const taken = await takePromptIn(at('Mon 10:00'), holt(), GEO, {
      text: 'Say something.',
      html: '',
      files: [],
    });
    const done = await makeDiscussion(at('Mon 10:01'), holt(), GEO, taken.ok ? taken.value.id : '', {
      fields: { title: 'x' },
    });
    expect(done).toMatchObject({ failure: { code: 'fields' } });
  });

  it('goes out of sight as long as nobody has begun to answer it, and stays from then on', async () => {
    const slug = await made(PROMPT, { week: '9', title: 'Another weir' });
    const page = await rulesPage(at('Tue 10:00'), holt(), GEO, slug);
    if (!page.ok) throw new Error();
    const change = (more: Fields) =>
      changeRules(at('Tue 10:00'), holt(), GEO, slug, { fields: { ...page.value.fields, ...more } });
    expect(await change({ 'response.words.min': '90' })).toMatchObject({ ok: true });
    await act(slug, { act: 'show' });
    await act(slug, {
      act: 'dates',
      opens: '2026-10-12T06:00',
      responseDue: '2026-10-22T23:59',
      repliesDue: '2026-10-25T23:59',
    });
    await keepDraft(at('Tue 10:30'), world.people.jun, slug, {
      kind: 'response',
      parent: null,
      submission: randomUUID(),
      title: '',
      doc: text('A thought that is begun.'),
      base: 0,
      conflict: 'tell',
    });
    for (const what of ['hide', 'remove'] as const)
      expect(await act(slug, { act: what })).toMatchObject({ failure: { code: 'has-drafts' } });
    const { post } = await shared(
      db,
      world.people.jun,
      slug,
      'Tue 11:00',
      shareInput('One thought of mine.'),
    );
    for (const what of ['hide', 'remove'] as const)
      expect(await act(slug, { act: what })).toMatchObject({ failure: { code: 'has-posts' } });
    expect(await db('posts').where({ id: post })).toHaveLength(1);
  });
});

describe('dates', () => {
  it('are changed one by one, and none that cannot be', async () => {
    const set = (opens: string, responseDue: string, repliesDue: string) =>
      act(SEALED, { act: 'dates', opens, responseDue, repliesDue });
    expect(await set('2026-10-12T06:00', '2026-10-16T12:00', '2026-10-19T12:00')).toMatchObject({ ok: true });
    expect(await set('2026-10-12T06:00', '2026-10-11T12:00', '2026-10-19T12:00')).toMatchObject({
      failure: { code: 'dates', problems: [{ field: 'responseDue', code: 'before-opening' }] },
    });
    const page = await deskPage(at('Tue 10:00'), holt(), GEO, SEALED);
    expect(page.ok && page.value.dates.responseDue).toBe('2026-10-16T12:00');
  });

  it('move together from a week on, and extensions with them', async () => {
    const { kwame } = world.people;
    const more = { people: [kwame.id], responseDue: '2026-10-17T12:00', repliesDue: '', reason: 'a train' };
    expect(await act(OPEN, { act: 'extend', ...more })).toMatchObject({ ok: true });
    expect(await moveTerm(at('Tue 10:00'), holt(), GEO, { from: 6, weeks: 1 })).toMatchObject({ ok: true });
    const page = await deskPage(at('Tue 10:00'), holt(), GEO, OPEN);
    expect(page.ok && page.value).toMatchObject({
      dates: { responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T23:59' },
      leaves: [{ name: 'Kwame Sorley', responseDue: '2026-10-24T12:00', reason: 'a train' }],
    });
    // What somebody has shared in is not moved earlier all at once.
    expect(await moveTerm(at('Tue 10:00'), holt(), GEO, { from: 6, weeks: -1 })).toMatchObject({
      failure: { code: 'shared-earlier' },
    });
    await moveWeeks(db, world.course, { from: 6, weeks: -1, extensions: 'along' });
    expect(await moveTerm(at('Tue 10:00'), holt(), GEO, { from: 40, weeks: 1 })).toMatchObject({ ok: false });
  });
});

it('the desk says who has shared no response, and which nobody has answered', async () => {
  const { imani, jun, noor } = world.people;
  const about = async () => {
    const page = await deskPage(at('Tue 12:00'), holt(), GEO, SEALED);
    if (!page.ok) throw new Error();
    const { silent, unanswered } = page.value;
    return { silent: silent.map((s) => s.name.split(' ')[0]).sort(), unanswered };
  };
  expect(await about()).toEqual({ silent: ['Imani', 'Jun', 'Kwame', 'Noor', 'Rafi'], unanswered: 0 });
  const first = await shared(db, noor, SEALED, 'Tue 11:00', shareInput('What I think of it all.'));
  await shared(db, jun, SEALED, 'Tue 11:01', shareInput('Something else I think.'));
  await act(SEALED, { act: 'excuse', people: [world.people.kwame.id], reason: '' });
  expect(await about()).toEqual({ silent: ['Imani', 'Rafi'], unanswered: 2 });
  await shared(
    db,
    jun,
    SEALED,
    'Tue 11:10',
    shareInput('To this I say yes.', { kind: 'reply', parent: first.post }),
  );
  await shared(db, imani, SEALED, 'Tue 11:20', shareInput('A third thought here.'));
  expect(await about()).toEqual({ silent: ['Rafi'], unanswered: 2 });
});

describe('one student’s time', () => {
  it('is given, seen by them alone in the ledger, and taken back', async () => {
    const { rafi, imani } = world.people;
    const due = async (who: Actor) => {
      const part = await yourPart(at('Tue 10:00'), who, OPEN);
      return part.ok ? part.value.head.schedule.response.due : null;
    };
    const usual = await due(imani);
    const more = { responseDue: '2026-10-21T12:00', repliesDue: '', reason: '' };
    expect(await act(OPEN, { act: 'extend', people: [rafi.id], ...more })).toMatchObject({ ok: true });
    // Replies are never due before one's own response.
    const page = await deskPage(at('Tue 10:00'), holt(), GEO, OPEN);
    expect(page.ok && page.value.leaves.find((l) => l.name === 'Rafi Castellan')).toMatchObject({
      responseDue: '2026-10-21T12:00',
      repliesDue: '2026-10-21T12:00',
    });
    expect((await due(rafi))! - usual!).toBeGreaterThan(5 * 86_400_000);
    expect(await due(imani)).toBe(usual);
    await act(OPEN, { act: 'usual', people: [rafi.id] });
    expect(await due(rafi)).toBe(usual);
  });

  it('is not given to who is no student, nor without a date; who is excused owes nothing', async () => {
    const { rafi, stranger } = world.people;
    const none = { responseDue: '', repliesDue: '', reason: '' };
    for (const person of [stranger.id, holt().id])
      expect(await act(OPEN, { act: 'excuse', people: [person], reason: '' })).toMatchObject({
        failure: { code: 'no-student' },
      });
    expect(await act(OPEN, { act: 'extend', people: [rafi.id], ...none })).toMatchObject({
      failure: { code: 'no-dates' },
    });
    expect(await act(OPEN, { act: 'excuse', people: [rafi.id], reason: 'ill' })).toMatchObject({ ok: true });
    const part = await yourPart(at('Tue 10:00'), rafi, OPEN);
    expect(part.ok && part.value.head.ledger?.obligations.every((o) => o.state === 'excused')).toBe(true);
  });
});

describe('asking for more time', () => {
  const asked = async (who: Actor) => {
    const room = await responseRoom(at('Tue 13:00'), who, SEALED, { reading: null });
    return room.ok ? (room.value.asked?.answered ?? null) : 'nothing';
  };
  const requests = async () => {
    const page = await deskPage(at('Tue 13:00'), holt(), GEO, SEALED);
    return page.ok ? page.value.requests.map((r) => [r.name, r.reason]) : [];
  };

  it('is read by staff alone, changes nothing by itself, and is answered with one press', async () => {
    const { rafi, imani, stranger } = world.people;
    const ask = (who: Actor, reason = 'My shifts moved to Thursday night.') =>
      askForTime(at('Tue 12:30'), who, SEALED, reason);
    expect(await asked(rafi)).toBeNull();
    expect(await ask(rafi)).toMatchObject({ ok: true });
    expect(await ask(holt())).toMatchObject({ failure: { code: 'not-asked-here' } });
    expect(await ask(stranger)).toMatchObject({ failure: { code: 'not-found' } });
    expect([await asked(rafi), await asked(imani)]).toEqual(['not-yet', null]);
    expect(await requests()).toEqual([['Rafi Castellan', 'My shifts moved to Thursday night.']]);
    const term = await termPage(at('Tue 13:00'), holt(), GEO);
    const asking = term.ok
      ? term.value.weeks.flatMap((w) => w.discussions).map((d) => [d.slug, d.asking])
      : [];
    expect(asking).toContainEqual([SEALED, 1]);
    expect(asking).toContainEqual([OPEN, 0]);
    expect(await act(SEALED, { act: 'refuse', people: [rafi.id] })).toMatchObject({ ok: true });
    expect([await asked(rafi), await requests()]).toEqual(['refused', []]);
    // Asked again it waits again, and more time answers it.
    await ask(rafi, 'And now a train was late.');
    expect(await asked(rafi)).toBe('not-yet');
    const more = { responseDue: '2026-10-18T12:00', repliesDue: '', reason: 'shifts' };
    expect(await act(SEALED, { act: 'extend', people: [rafi.id], ...more })).toMatchObject({ ok: true });
    expect([await asked(rafi), await requests()]).toEqual(['granted', []]);
  });
});

it('a course is taken over into the next term: every date on its weekday, and nothing of anybody’s', async () => {
  const next = '22222222-2222-4333-8444-555555555555';
  await db('courses').insert({ id: next, code: 'GEO 116', title: 'Rivers, spring', time_zone: 'UTC' });
  await db('enrolments').insert({ course_id: next, person_id: holt().id, role: 'instructor' });
  const file = '33333333-2222-4333-8444-555555555555';
  await db('files').insert({
    id: file,
    course_id: world.course,
    owner_id: holt().id,
    name: 'map.png',
    began_at: new Date(on('Mon 08:00')),
    expected: 10,
    received: 10,
    sha256: 'a'.repeat(64),
    media_type: 'image/webp',
    bytes: 10,
    width: 1,
    height: 1,
  });
  const prompt = { type: 'doc', content: [{ type: 'picture', attrs: { file } }] };
  await db('discussions')
    .where({ slug: OPEN })
    .update({ prompt: JSON.stringify(prompt), files: [file] });
  const { imani } = world.people;
  const from = (first: string, who = holt()) =>
    takeCourseOver(at('Tue 10:00'), who, 'geo-116', { from: GEO, firstDay: first });
  expect(await from('2027-02-01', imani)).toMatchObject({ failure: { code: 'not-found' } });
  const before = await termPage(at('Tue 10:00'), holt(), GEO);
  if (!before.ok) throw new Error();
  const discussions = before.value.weeks.flatMap((w) => w.discussions);
  // Week 6 began on 12 October 2026.
  const habits = { response: { day: 4, time: '23:59' }, replies: null, late: null, points: 20 };
  await db('courses')
    .where({ id: world.course })
    .update({ habits: JSON.stringify(habits) });
  expect(await from('2027-02-01')).toMatchObject({
    ok: true,
    value: { weeks: before.value.weeks.length, discussions: discussions.length },
  });
  const term = await termPage(at('Tue 10:00'), holt(), 'geo-116');
  if (!term.ok) throw new Error();
  const taken = term.value.weeks.flatMap((w) => w.discussions);
  expect(taken.every((d) => !d.shown && d.posts === 0)).toBe(true);
  const days = (Date.parse('2027-02-01') - Date.parse('2026-10-12')) / 86_400_000;
  expect(days % 7).toBe(0);
  for (const [i, d] of taken.entries())
    expect(d.schedule.response.due - (discussions[i]?.schedule.response.due ?? 0)).toBe(days * 86_400_000);
  expect(taken.map((d) => d.slug)).toContain('geo-116-w7');
  expect((await db('courses').where({ id: next }).first('habits')).habits).toEqual(habits);
  const [copy] = await db('discussions').where({ course_id: next, title: 'Open' }).select('prompt', 'files');
  expect(copy.files).toHaveLength(1);
  expect(copy.files[0]).not.toBe(file);
  expect(JSON.stringify(copy.prompt)).toContain(copy.files[0]);
  expect(await db('files').where({ id: copy.files[0] }).first('course_id', 'sha256')).toEqual({
    course_id: next,
    sha256: 'a'.repeat(64),
  });
  expect(await db('posts').where({ course_id: next })).toEqual([]);
  expect(await from('2027-02-01')).toMatchObject({ failure: { code: 'not-empty' } });
});

it('a course that was just made has an empty page, and a desk to begin on', async () => {
  await db('courses').insert({
    id: '11111111-2222-4333-8444-555555555555',
    code: 'NEW 1',
    title: 'New',
    time_zone: 'UTC',
  });
  await db('enrolments').insert({
    course_id: '11111111-2222-4333-8444-555555555555',
    person_id: holt().id,
    role: 'instructor',
  });
  const page = await courseWeek(at('Tue 10:00'), holt(), 'new-1', null);
  expect(page.ok && page.value.week).toBeNull();
  expect(await courseWeek(at('Tue 10:00'), holt(), 'new-1', 3)).toMatchObject({ ok: false });
  const term = await termPage(at('Tue 10:00'), holt(), 'new-1');
  expect(term.ok && term.value).toMatchObject({ weeks: [], students: 0, nextStart: '2026-10-19' });
  expect(on('Tue 10:00')).toBeGreaterThan(0);
});

describe('a time at which a discussion shows itself', () => {
  it('is kept, shows it when it has come and not before, and is taken back', async () => {
    const slug = await made(PROMPT, { title: 'By itself' });
    const id = () => db('discussions').where({ slug }).first('shown', 'show_at');
    expect(await act(slug, { act: 'show-at', at: 'soon' })).toMatchObject({ failure: { code: 'no-time' } });
    await act(slug, { act: 'show-at', at: '2026-10-15T09:00' });
    const page = await deskPage(at('Tue 10:00'), holt(), GEO, slug);
    expect(page.ok && page.value.discussion.showAt).toBe(on('Thu 09:00'));
    expect(await showDue(at('Thu 08:59'))).toBe(0);
    expect(await seen(world.people.imani, slug)).toBe(false);
    await act(slug, { act: 'show-at', at: '' });
    expect(await showDue(at('Thu 09:00'))).toBe(0);
    await act(slug, { act: 'show-at', at: '2026-10-15T09:00' });
    expect(await showDue(at('Thu 09:00'))).toBe(1);
    expect(await seen(world.people.imani, slug)).toBe(true);
    expect(await id()).toEqual({ shown: true, show_at: null });
    // What is shown is not hidden by a time.
    await act(slug, { act: 'show-at', at: '2026-11-15T09:00' });
    expect(await id()).toEqual({ shown: true, show_at: null });
  });

  it('that has passed shows it at once', async () => {
    const slug = await made(PROMPT, { title: 'At once' });
    await act(slug, { act: 'show-at', at: '2026-10-12T09:00' });
    expect(await seen(world.people.imani, slug)).toBe(true);
  });
});
