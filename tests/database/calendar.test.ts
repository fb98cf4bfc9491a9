import type { Knex } from 'knex';
import { calendarText } from '@/core/calendar/feed';
import { calendarView } from '@/server/calendar/calendar';
import { importCalendar, importedCalendars, removeCalendar } from '@/server/calendar/busy';
import { feedAddress, newFeedAddress, readFeed, revokeFeed } from '@/server/calendar/feed';
import { chooseHabits, habitsSchema } from '@/server/planning/habits';
import { planView } from '@/server/planning/plan';
import { extend } from '@/server/setup/setup';
import { deadlineEvent, sittingEvent } from '@/ui/words/feed';
import type { Actor } from '@/server/deps';
import { readByCalcurse, readByKhal } from './calendars';
import { deps, on, OPEN, shared, shareInput, smallCourse } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('calendar');
  db = world.db;
});
afterAll(() => db.destroy());

const clock = { real: () => on('Tue 10:00') as number };
const ORIGIN = 'http://localhost:4170';

/** What is secret in somebody's newest address: it was told once, when it was made. */
const told = new Map<string, string>();
async function make(who: Actor): Promise<string> {
  const token = await newFeedAddress(deps(db, 'Tue 10:00'), who);
  told.set(who.id, token);
  return token;
}

/** The feed as a calendar program gets it. */
async function fetchFeed(who: Actor) {
  const feed = await readFeed(db, clock, told.get(who.id) ?? '');
  if (!feed.ok) throw new Error('no such feed');
  const { entries, pieces } = feed.value;
  const events = [
    ...entries.map((e) => deadlineEvent(e, ORIGIN)),
    ...pieces.map((p) => sittingEvent(p, ORIGIN)),
  ];
  return { events, text: calendarText('Pulpit', events) };
}

const named = <T extends { summary: string }>(events: T[], piece: string) =>
  events.find((e) => e.summary.includes(piece));

describe('the calendar feed', () => {
  it('has an address that only its owner makes, and that dies when it is replaced or stopped', async () => {
    const { imani } = world.people;
    const d = deps(db, 'Tue 10:00');
    expect(await feedAddress(d, imani, null)).toBeNull();
    const first = await make(imani);
    expect(first.length).toBeGreaterThanOrEqual(43);
    expect((await readFeed(db, clock, first)).ok).toBe(true);
    const second = await make(imani);
    expect(await readFeed(db, clock, first)).toEqual({ ok: false, failure: { code: 'not-found' } });
    await revokeFeed(d, imani);
    expect((await readFeed(db, clock, second)).ok).toBe(false);
    expect((await readFeed(db, clock, '')).ok).toBe(false);
    await make(imani);
  });

  it('is kept as a hash: its address is shown to who has just made it, and to nobody afterwards', async () => {
    const { imani, noor } = world.people;
    const d = deps(db, 'Tue 10:00');
    const token = await make(imani);
    expect((await feedAddress(d, imani, token))?.path).toContain(token);
    expect(await feedAddress(d, imani, null)).toMatchObject({ path: null });
    expect(await feedAddress(d, imani, await make(noor))).toMatchObject({ path: null });
    await revokeFeed(d, noor);
    const [row] = await db('calendar_feeds').where({ person_id: imani.id });
    expect(JSON.stringify(row)).not.toContain(token);
  });

  it('counts up an entry’s sequence when, and only when, something in it changes', async () => {
    const { imani } = world.people;
    const before = await fetchFeed(imani);
    expect(before.events.map((e) => e.sequence)).toEqual([0, 0, 0, 0]);
    expect(await fetchFeed(imani)).toEqual(before);
    await shared(db, imani, OPEN, 'Tue 09:00', shareInput('My three words.'));
    const done = await fetchFeed(imani);
    const response = done.events.find((e) => e.summary.startsWith('Done'));
    expect(response).toMatchObject({ sequence: 1, alarms: [] });
    expect(done.events.filter((e) => e.sequence > 0)).toHaveLength(1);
    expect(done.events.map((e) => e.uid).sort()).toEqual(before.events.map((e) => e.uid).sort());
  });

  it('moves an entry with an extension, for that student alone', async () => {
    const { imani, noor } = world.people;
    await make(noor);
    const others = await fetchFeed(noor);
    await extend(db, {
      course: world.course,
      discussion: world.discussion.sealed,
      person: imani.id,
      responseDue: '2026-10-17T12:00',
      reason: 'a train',
    });
    const moved = named((await fetchFeed(imani)).events, 'response due: Sealed');
    expect(moved).toMatchObject({ start: '2026-10-17T12:00', sequence: 1 });
    expect(moved?.description).toContain('extended for you');
    expect(await fetchFeed(noor)).toEqual(others);
  });

  it('says what is still owed', async () => {
    const { events } = await fetchFeed(world.people.imani);
    expect(named(events, 'replies due: Open')?.description).toContain('Your replies: 3 replies still owed.');
  });
});

describe('two calendar programs that know nothing of Pulpit', () => {
  const ZONES = [
    ['Europe/London', '2026-10-24T18:00', '2026-10-25T01:30'],
    ['Europe/Athens', '2026-10-24T10:00', '2026-10-25T03:30'],
    ['America/New_York', '2026-10-31T23:59', '2026-11-01T01:30'],
  ] as const;

  it.each(ZONES)(
    'read a course in %s as it was meant, on the night the clocks change too',
    async (zone, response, replies) => {
      const { noor } = world.people;
      await db('courses').where({ id: world.course }).update({ time_zone: zone });
      await db('discussions')
        .where({ id: world.discussion.open })
        .update({ opens: '2026-10-12T06:00', response_due: response, replies_due: replies });
      const { events, text } = await fetchFeed(noor);
      const feed = await readFeed(db, clock, told.get(noor.id) ?? '');
      const entries = feed.ok ? feed.value.entries : [];
      const local = (at: number) =>
        new Intl.DateTimeFormat('sv-SE', {
          timeZone: 'Europe/London',
          dateStyle: 'short',
          timeStyle: 'short',
        }).format(at);
      const meant = entries
        .map((e) => ({
          start: local(e.at),
          end: local(e.at + 60_000),
          title: deadlineEvent(e, ORIGIN).summary,
        }))
        .sort((a, b) => a.start.localeCompare(b.start) || a.title.localeCompare(b.title));
      expect(meant).toHaveLength(4);

      const order = <T extends { start: string; title: string }>(rows: T[]) =>
        rows.sort((a, b) => a.start.localeCompare(b.start) || a.title.localeCompare(b.title));
      const khal = order(readByKhal(text, 'Europe/London'));
      expect(khal.map(({ start, end, title }) => ({ start, end, title }))).toEqual(meant);
      expect(khal.map((e) => e.uid).sort()).toEqual(events.map((e) => e.uid).sort());
      expect(khal.some((e) => e.description.includes('Your replies: 3 replies still owed.'))).toBe(true);

      const calcurse = order(readByCalcurse(text, 'Europe/London'));
      expect(calcurse.map(({ start, end, title }) => ({ start, end, title }))).toEqual(meant);
    },
  );

  it('read the planned sittings where a student wants them', async () => {
    const { noor } = world.people;
    await chooseHabits(deps(db, 'Tue 10:00'), noor, habitsSchema.parse({ inFeed: true, sittingMinutes: 30 }));
    const { text } = await fetchFeed(noor);
    const view = await planView(deps(db, 'Tue 10:00'), { ...noor, timeZone: 'UTC' });
    const pieces = view.planned.sittings.flatMap((s) => s.pieces).length;
    expect(pieces).toBeGreaterThan(2);
    const written = (rows: { title: string }[]) => rows.filter((r) => r.title.startsWith('Write: ')).length;
    expect(written(readByKhal(text, 'Europe/London'))).toBe(pieces);
    expect(written(readByCalcurse(text, 'Europe/London'))).toBe(pieces);
  });
});

describe('busy times', () => {
  const ics = (...events: string[]) => `BEGIN:VCALENDAR\r\n${events.join('')}END:VCALENDAR\r\n`;
  const shift = (from: string, to: string, more = '') =>
    `BEGIN:VEVENT\r\nUID:s${from}\r\nSUMMARY:Late shift\r\nDTSTART:${from}\r\nDTEND:${to}\r\n${more}END:VEVENT\r\n`;

  it('are imported, lie under the calendar, and the plan keeps clear of them', async () => {
    const { jun } = world.people;
    const d = deps(db, 'Tue 10:00');
    const free = await planView(d, jun);
    const [first] = free.planned.sittings;
    if (!first) throw new Error('nothing planned');
    const text = ics(
      shift('20261013T100000Z', '20261013T230000Z'),
      shift('20261340T100000Z', '20261013T230000Z'),
    );
    const done = await importCalendar(d, jun, {
      name: 'C:\\work\\shifts.ics',
      bytes: Buffer.from(text),
      cut: false,
    });
    expect(done).toMatchObject({ ok: true, value: { times: 1 } });
    const [calendar] = await importedCalendars(d, jun);
    expect(calendar).toMatchObject({ name: 'shifts', times: 1, problems: [{ code: 'bad-time', line: 11 }] });
    const after = await planView(d, jun);
    expect(after.planned.sittings.every((s) => s.end <= on('Tue 10:00') || s.start >= on('Tue 23:00'))).toBe(
      true,
    );
    const month = await calendarView(d, jun, { view: 'month', month: '2026-10' });
    expect(month.days.flatMap((day) => day.busy.map((b) => b.title))).toEqual(['Late shift']);
    expect(
      (await calendarView(d, world.people.imani, { view: 'month' })).days.flatMap((x) => x.busy),
    ).toEqual([]);
  });
  it('are replaced by a file of the same name, left alone by one that is no calendar, and removed', async () => {
    const { jun, imani } = world.people;
    const d = deps(db, 'Tue 10:00');
    const again = ics(
      shift('20261014T100000Z', '20261014T120000Z'),
      shift('20261015T100000Z', '20261015T120000Z'),
    );
    await importCalendar(d, jun, { name: 'shifts.ics', bytes: Buffer.from(again), cut: false });
    expect(await importedCalendars(d, jun)).toMatchObject([{ times: 2, problems: [] }]);
    const refused = await importCalendar(d, jun, {
      name: 'shifts.ics',
      bytes: Buffer.from('Dear all,'),
      cut: false,
    });
    expect(refused).toEqual({ ok: false, failure: { code: 'not-a-calendar' } });
    const [calendar] = await importedCalendars(d, jun);
    expect(calendar?.times).toBe(2);
    await removeCalendar(d, imani, calendar?.id ?? '');
    expect(await importedCalendars(d, jun)).toHaveLength(1);
    await removeCalendar(d, jun, calendar?.id ?? '');
    expect(await importedCalendars(d, jun)).toEqual([]);
  });
});
