import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Knex } from 'knex';
import { thisWeek } from '@/server/week/this-week';
import { responseRoom } from '@/server/discussions/response-room';
import {
  followCalendar,
  followedLines,
  lookDue,
  lookThrough,
  MOST_FOLLOWED,
  unfollowCalendar,
} from '@/server/calendar/followed';
import type { LinkWorld } from '@/server/links/ask';
import { intakePage } from '@/server/outside/brief-page';
import { confirmIntake } from '@/server/outside/confirm';
import { makeTerm } from '@/server/outside/make-term';
import { newerCopy, takeNewer } from '@/server/outside/newer';
import { takeIn } from '@/server/outside/take-in';
import { sayOfTerm, termPage } from '@/server/outside/term';
import { boxOf } from '@/server/secrets/box';
import { deps, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('terms');
  db = world.db;
});
afterAll(() => db.destroy());
beforeEach(async () => {
  await db('followed_calendars').delete();
  await db('intakes').delete();
  await db('discussions').whereIn('course_id', db('courses').whereNotNull('owner_id').select('id')).delete();
});

const given = (text: string) => ({ text, html: '', files: [] });
const said = (fields: Record<string, string>) => ({ get: (name: string) => fields[name] ?? null });
const box = boxOf(Buffer.alloc(32, 3));
const at = (when = 'Tue 10:00') => deps(db, when);
const withBox = (when?: string) => ({ ...at(when), box });

const SYLLABUS = `HIS 240 Cities and Their Water, Fall 2026

Discussions
Every week you write one post of at least 120 words by Thursday at 11:59 pm, and two replies to classmates by Sunday at 11:59 pm.

Week 6 (October 12 - October 18): Springs
Discussion: Who owns a well?

Week 7 (October 19 - October 25): Pipes
Discussion: What did pipes change?

Week 8 (October 26 - November 1): Fever
Exam 1`;

async function brought(text = SYLLABUS) {
  const taken = await takeIn(at(), world.people.imani, given(text));
  if (!taken.ok) throw new Error(taken.failure.code);
  return taken.value;
}
const page = async (id: string) => {
  const found = await termPage(at(), world.people.imani, id);
  if (!found.ok) throw new Error(found.failure.code);
  return found.value;
};
/** What a form says that leaves everything as it was read. */
async function asRead(id: string, more: Record<string, string> = {}) {
  const { term } = await page(id);
  return said({
    ...Object.fromEntries(
      term.rows.flatMap((r, i) => [
        [`take-${i}`, 'on'],
        [`title-${i}`, r.title],
        [`week-${i}`, String(r.week ?? '')],
        [`response-${i}`, r.responseDue ?? ''],
        [`replies-${i}`, r.repliesDue ?? ''],
      ]),
    ),
    zone: 'UTC',
    ...more,
  });
}
const made = async (id: string, more?: Record<string, string>) => {
  await sayOfTerm(at(), world.people.imani, id, await asRead(id, more));
  return makeTerm(at(), world.people.imani, id);
};
const standing = () =>
  db('discussions as d')
    .join('courses as c', 'c.id', 'd.course_id')
    .where('c.owner_id', world.people.imani.id)
    .orderBy('d.response_due')
    .select('d.slug', 'd.title', 'd.week', 'd.response_due', 'd.replies_due', 'c.code', 'd.brief');

describe('a syllabus', () => {
  test('becomes all the discussions of its term at once, with what it asks in every one of them', async () => {
    const { id, term } = await brought();
    expect(term).toBe(true);
    expect((await page(id)).term.rows.map((r) => r.title)).toEqual([
      'Who owns a well?',
      'What did pipes change?',
    ]);
    const done = await made(id);
    expect(done).toMatchObject({ ok: true, value: { made: 2, moved: 0 } });
    const rows = await standing();
    expect(
      rows.map((r) => [r.code, r.week, r.title, r.response_due.slice(0, 16), r.replies_due.slice(0, 16)]),
    ).toEqual([
      ['HIS 240', 6, 'Who owns a well?', '2026-10-15T23:59', '2026-10-18T23:59'],
      ['HIS 240', 7, 'What did pipes change?', '2026-10-22T23:59', '2026-10-25T23:59'],
    ]);
    expect(rows[0].brief).toMatchObject({ response: { words: { min: 120 } }, replies: { count: 2 } });
    expect(await db('intakes')).toEqual([]);
    const week = await thisWeek(at(), world.people.imani);
    expect(week.lines.map((l) => l.title)).toContain('Who owns a well?');
  });

  test('is made whole or not at all: a row that lacks its day says so, and nothing typed is lost', async () => {
    const { id } = await brought();
    expect(await made(id, { 'response-1': '', 'title-0': 'Whose well?' })).toEqual({
      ok: false,
      failure: { code: 'fields' },
    });
    expect(await standing()).toEqual([]);
    const again = await page(id);
    expect(again.term.rows[0]?.title).toBe('Whose well?');
    expect(again.problems).toEqual([[], [{ field: 'responseDue', code: 'missing' }]]);
  });

  test('leaves out what is not taken, and brought again offers only what is new or moved', async () => {
    const first = await brought();
    const fields = await asRead(first.id);
    await sayOfTerm(at(), world.people.imani, first.id, {
      get: (name) => (name === 'take-1' ? null : fields.get(name)),
    });
    await makeTerm(at(), world.people.imani, first.id);
    expect(await standing()).toHaveLength(1);
    const again = await brought(SYLLABUS.replace('October 12 - October 18', 'October 13 - October 19'));
    expect((await page(again.id)).against.map((a) => a.what)).toEqual(['known', 'new']);
    const moved = await brought(SYLLABUS.replace('by Thursday', 'by Friday'));
    expect((await page(moved.id)).against.map((a) => a.what)).toEqual(['moved', 'new']);
    expect(await made(moved.id)).toMatchObject({ value: { made: 1, moved: 1 } });
    expect((await standing()).map((r) => r.response_due.slice(0, 16))).toEqual([
      '2026-10-16T23:59',
      '2026-10-23T23:59',
    ]);
  });

  test('is nobody else’s, and a course that is held here takes none of it', async () => {
    const { id } = await brought();
    expect(await termPage(at(), world.people.noor, id)).toEqual({
      ok: false,
      failure: { code: 'not-found' },
    });
    expect(await makeTerm(at(), world.people.noor, id)).toEqual({
      ok: false,
      failure: { code: 'not-found' },
    });
    const hosted = await db('courses').whereNull('owner_id').first('code');
    expect(await made(id, { course: hosted.code })).toEqual({ ok: false, failure: { code: 'fields' } });
    expect((await page(id)).hosted).toBe(hosted.code);
    // Also where something of one's own stands under that name and would be moved: all of it or nothing.
    const own = await made(id, { course: 'HIS 240' });
    if (!own.ok) throw new Error(own.failure.code);
    await db('courses').whereNotNull('owner_id').update({ code: hosted.code });
    const before = await standing();
    const moved = await brought(
      SYLLABUS.replace('by Thursday', 'by Friday').replace('What did pipes change?', 'Whose pipes?'),
    );
    expect(await made(moved.id, { course: hosted.code })).toEqual({ ok: false, failure: { code: 'fields' } });
    expect(await standing()).toEqual(before);
    await db('courses').whereNotNull('owner_id').update({ code: 'HIS 240' });
  });

  test('leaves each prompt to be brought in, which then takes the place of what the plan said and of its rules', async () => {
    const { id } = await brought();
    await made(id);
    const [{ slug }] = await standing();
    expect(await newerCopy(at(), world.people.imani, slug)).toMatchObject({ value: { awaited: true } });
    const taken = await takeNewer(
      at(),
      world.people.imani,
      slug,
      given(
        'Who owns the water under a field? Your response has at least 180 words. Reply to three classmates.',
      ),
    );
    if (!taken.ok) throw new Error(taken.failure.code);
    const brief = await intakePage(at(), world.people.imani, taken.value.id);
    if (!brief.ok) throw new Error(brief.failure.code);
    // What the text leaves unsaid stays as the plan had it.
    expect(brief.value.fields).toMatchObject({
      'response.words.min': '180',
      'replies.count': '3',
      responseDue: '2026-10-15T23:59',
      title: 'Who owns a well?',
    });
    expect(await confirmIntake(at(), world.people.imani, taken.value.id, brief.value.fields)).toEqual({
      ok: true,
      value: { slug },
    });
    const room = await responseRoom(at(), world.people.imani, slug);
    expect(JSON.stringify(room)).toContain('Who owns the water under a field?');
    expect(await newerCopy(at(), world.people.imani, slug)).toMatchObject({ value: { awaited: false } });
    expect((await standing())[0].brief).toMatchObject({ response: { words: { min: 180 } } });
  });

  test('in a table of days and topics is a plan, and no posts of anybody', async () => {
    const table =
      '<h1>MUS 130 Choirs</h1><table><tr><th>Week</th><th>Dates</th><th>Topic</th><th>Discussion</th></tr><tr><td>6</td><td>Oct 12–18</td><td>Work</td><td>What do people sing? Due Oct 14</td></tr><tr><td>7</td><td>Oct 19–25</td><td>Stadiums</td><td>Is a stadium a choir? Due Oct 21</td></tr></table>';
    const taken = await takeIn(at(), world.people.imani, {
      text: '',
      html: '',
      files: [{ name: 'plan.html', bytes: Buffer.from(table), cut: false }],
    });
    expect(taken).toMatchObject({ ok: true, value: { term: true, posts: 0 } });
  });

  test('a prompt is no plan', async () => {
    expect(
      (await brought('Week 3 discussion. Write 200 words by Thursday and reply to two classmates by Sunday.'))
        .term,
    ).toBe(false);
  });
});

const entry = (uid: string, title: string, at: string) =>
  `BEGIN:VEVENT\r\nUID:${uid}\r\nSUMMARY:${title}\r\nDTSTART:${at}\r\nEND:VEVENT\r\n`;
const calendarOf = (...entries: string[]) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Ashford//EN\r\n${entries.join('')}END:VCALENDAR\r\n`;
const TWO = [
  entry('1', 'Discussion 6: Whose mast? - first post [BIO 140]', '20261015T220000Z'),
  entry('2', 'Discussion 6: Whose mast? - replies [BIO 140]', '20261018T220000Z'),
  entry('3', 'Quiz 3 [BIO 140]', '20261016T220000Z'),
];

describe('a calendar of another place', () => {
  let server: Server;
  let answers: (headers: Record<string, unknown>) => { status: number; body?: string; etag?: string };
  let asked: Record<string, unknown>[] = [];
  let slowly = Promise.resolve();
  const here: LinkWorld = { resolve: async () => ['127.0.0.1'], mayAsk: () => true };
  beforeAll(async () => {
    server = createServer((request, response) => {
      asked.push(request.headers);
      const { status, body = '', etag } = answers(request.headers);
      void slowly.then(() =>
        response.writeHead(status, { 'content-type': 'text/calendar', ...(etag ? { etag } : {}) }).end(body),
      );
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  });
  afterAll(() => new Promise((done) => server.close(done)));
  beforeEach(() => {
    asked = [];
    slowly = Promise.resolve();
    answers = () => ({ status: 200, body: calendarOf(...TWO), etag: '"one"' });
  });
  const address = () =>
    `http://ashford.example:${(server.address() as AddressInfo).port}/secret-key/feed.ics`;
  const follow = (when?: string) =>
    followCalendar(withBox(when), world.people.imani, { address: address(), name: 'Ashford' }, here);

  test('is asked at once; the discussions in it are found, offered, and made when somebody says so', async () => {
    const followed = await follow();
    if (!followed.ok) throw new Error(followed.failure.code);
    expect(await followedLines(at(), world.people.imani)).toMatchObject([
      { name: 'Ashford', dates: 3, offers: 1, trouble: null },
    ]);
    expect((await thisWeek(at(), world.people.imani)).offering).toMatchObject([
      { name: 'Ashford', offers: 1 },
    ]);
    const laid = await lookThrough(at(), world.people.imani, followed.value.id);
    if (!laid.ok) throw new Error(laid.failure.code);
    expect((await page(laid.value.id)).term).toMatchObject({
      course: 'BIO 140',
      rows: [
        {
          title: 'Discussion 6: Whose mast?',
          responseDue: '2026-10-15T22:00',
          repliesDue: '2026-10-18T22:00',
        },
      ],
    });
    await made(laid.value.id, { 'rule-replies.count': '2' });
    expect((await standing()).map((r) => r.title)).toEqual(['Discussion 6: Whose mast?']);
    expect((await thisWeek(at(), world.people.imani)).offering).toEqual([]);
  });

  test('is asked again every hour, and not for what one has already', async () => {
    await follow('Tue 10:00');
    answers = (headers) => (headers['if-none-match'] === '"one"' ? { status: 304 } : { status: 500 });
    expect(await lookDue(withBox('Tue 10:30'), here)).toBe(0);
    expect(await lookDue(withBox('Tue 11:00'), here)).toBe(1);
    expect(asked).toHaveLength(2);
    expect(await followedLines(at(), world.people.imani)).toMatchObject([{ dates: 3, trouble: null }]);
    expect(await lookDue(withBox('Tue 11:01'), here)).toBe(0);
  });

  /** What `n` people follow, whose hour has come. */
  const dueFor = async (people: { id: string }[], n: number) => {
    await db('followed_calendars').insert(
      Array.from({ length: n }, (_, i) => {
        const id = randomUUID();
        const from = new Date(at('Tue 09:00').now);
        const person_id = people[i % people.length]?.id;
        const sealed = box.seal('calendar address', id, address());
        return { id, person_id, name: 'Ashford', address: sealed, added_at: from, next_at: from };
      }),
    );
  };

  test('is asked within its hour however many are followed, and one that answers slowly holds up no other', async () => {
    const { imani, noor, rafi } = world.people;
    await dueFor([imani, noor, rafi], 27);
    // Nobody is answered before a second one has asked.
    const first = new Promise<void>((come) => {
      answers = () => {
        if (asked.length > 1) come();
        return { status: 200, body: calendarOf(...TWO) };
      };
    });
    slowly = first;
    expect(await lookDue(withBox('Tue 11:00'), here)).toBe(27);
    expect(asked).toHaveLength(27);
    expect(await db('followed_calendars').whereNull('read_at')).toEqual([]);
  });

  test('of whom has no account any more is asked no more', async () => {
    await dueFor([world.people.jun], 1);
    await db('people').where({ id: world.people.jun.id }).update({ ended_at: db.fn.now() });
    try {
      expect(await lookDue(withBox('Tue 11:00'), here)).toBe(0);
      expect(asked).toEqual([]);
    } finally {
      await db('people').where({ id: world.people.jun.id }).update({ ended_at: null });
    }
  });

  test('is one of not many, also where several are followed at once', async () => {
    await dueFor([world.people.imani], MOST_FOLLOWED - 2);
    const all = await Promise.all(Array.from({ length: 5 }, () => follow()));
    expect(all.filter((f) => f.ok)).toHaveLength(2);
    expect(await followedLines(at(), world.people.imani)).toHaveLength(MOST_FOLLOWED);
  });

  test('moves what stands here once its dates are others, when somebody says so, and offers no more what was put aside', async () => {
    const followed = await follow('Tue 10:00');
    if (!followed.ok) throw new Error(followed.failure.code);
    const laid = await lookThrough(at(), world.people.imani, followed.value.id);
    if (!laid.ok) throw new Error(laid.failure.code);
    await made(laid.value.id, { 'rule-replies.count': '2' });
    answers = () => ({
      status: 200,
      body: calendarOf(
        ...TWO.map((e) => e.replace('20261015', '20261016').replace('20261018', '20261019')),
        entry('4', 'Discussion 7: Nests [BIO 140]', '20261022T220000Z'),
      ),
    });
    await lookDue(withBox('Tue 11:00'), here);
    expect(await followedLines(at(), world.people.imani)).toMatchObject([{ offers: 2 }]);
    const next = await lookThrough(at(), world.people.imani, followed.value.id);
    if (!next.ok) throw new Error(next.failure.code);
    const fields = await asRead(next.value.id);
    await sayOfTerm(at(), world.people.imani, next.value.id, {
      get: (name) => (name === 'take-1' ? null : fields.get(name)),
    });
    expect(await makeTerm(at(), world.people.imani, next.value.id)).toMatchObject({
      value: { made: 0, moved: 1 },
    });
    expect((await standing()).map((r) => [r.response_due.slice(0, 16), r.replies_due.slice(0, 16)])).toEqual([
      ['2026-10-16T22:00', '2026-10-19T22:00'],
    ]);
    expect(await followedLines(at(), world.people.imani)).toMatchObject([{ offers: 0 }]);
  });

  test('that cannot be read says why, keeps what was read before, and is asked again more and more seldom', async () => {
    await follow('Tue 10:00');
    answers = () => ({ status: 503 });
    await lookDue(withBox('Tue 11:00'), here);
    expect(await followedLines(at(), world.people.imani)).toMatchObject([{ trouble: 'no-answer', dates: 3 }]);
    answers = () => ({ status: 200, body: '<html>Sign in</html>' });
    await lookDue(withBox('Tue 12:00'), here);
    expect(await followedLines(at(), world.people.imani)).toMatchObject([
      { trouble: 'no-calendar', dates: 3 },
    ]);
    await lookDue(withBox('Fri 12:00'), here);
    // Three days without an answer: not within the next hour.
    expect(await lookDue(withBox('Fri 13:00'), here)).toBe(0);
  });

  test.each([
    ['no address', 'not an address', 'no-address'],
    ['a file', 'file:///etc/hosts', 'no-address'],
    ['the server’s own network', 'http://127.0.0.1:1/x.ics', 'private'],
  ])('is never %s', async (_, wrong, code) => {
    expect(await followCalendar(withBox(), world.people.imani, { address: wrong, name: '' })).toEqual({
      ok: false,
      failure: { code },
    });
    expect(await followedLines(at(), world.people.imani)).toEqual([]);
  });

  test('has an address that nobody reads in the database, is left by who follows it alone, and there are not many', async () => {
    const followed = await follow();
    if (!followed.ok) throw new Error(followed.failure.code);
    const row = await db('followed_calendars').first();
    expect(JSON.stringify(row)).not.toContain('secret-key');
    expect(row.address.toString('latin1')).not.toContain('secret-key');
    await unfollowCalendar(at(), world.people.noor, followed.value.id);
    expect(await lookThrough(at(), world.people.noor, followed.value.id)).toMatchObject({ ok: false });
    expect(await followedLines(at(), world.people.imani)).toHaveLength(1);
    for (let i = 1; i < MOST_FOLLOWED; i += 1) await follow();
    expect(await follow()).toEqual({ ok: false, failure: { code: 'too-many' } });
    await unfollowCalendar(at(), world.people.imani, followed.value.id);
    expect(await followedLines(at(), world.people.imani)).toHaveLength(MOST_FOLLOWED - 1);
  });

  test('dropped as a file it is a plan as well', async () => {
    const taken = await takeIn(at(), world.people.imani, {
      text: '',
      html: '',
      files: [{ name: 'term.ics', bytes: Buffer.from(calendarOf(...TWO)), cut: false }],
    });
    expect(taken).toMatchObject({ ok: true, value: { term: true } });
  });
});
