import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { syllabusSchema } from '@/core/syllabus/syllabus';
import { announce, announcementsPage, readAnnouncement } from '@/server/courses/announcements';
import { courseFile } from '@/server/courses/files';
import { peoplePage } from '@/server/courses/people';
import { noteReading, readingPage } from '@/server/courses/readings';
import { syllabusPage } from '@/server/courses/syllabus';
import { courseWeek } from '@/server/courses/weeks';
import { addFiles, addReadings, addSyllabus } from '@/server/setup/setup';
import { deps, on, smallCourse, text } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
const file = randomUUID();
beforeAll(async () => {
  world = await smallCourse('courses');
  db = world.db;
  const reading = { course: world.course, week: 6, author: 'M. Holt' };
  await addReadings(db, [
    {
      ...reading,
      id: randomUUID(),
      slug: 'one',
      position: 1,
      title: 'One',
      words: 440,
      doc: text('It rains.'),
      place: '',
    },
    {
      ...reading,
      id: randomUUID(),
      slug: 'two',
      position: 2,
      title: 'Two',
      words: 2_200,
      doc: null,
      place: 'reader, p. 3',
    },
  ]);
  const content = Buffer.from('year,crest\n');
  await addFiles(db, [
    {
      course: world.course,
      id: file,
      week: 6,
      position: 1,
      name: 'log.csv',
      title: 'Log',
      mediaType: 'text/csv',
      content,
    },
  ]);
  const syllabus = syllabusSchema.parse({
    late: { rule: 'accepted', days: 2 },
    habits: { response: { weekday: 4, time: '23:59' }, replies: { weekday: 7, time: '23:59' } },
    scale: [{ grade: 'Pass', from: 50 }],
    weights: [{ what: 'Discussions', percent: 90 }],
    contact: { name: 'Dr. Maren Holt', email: 'holt@tidewell.example', answers: 'soon' },
    officeHours: [],
  });
  await addSyllabus(db, world.course, syllabus, on('Mon 08:00'));
});
afterAll(() => db.destroy());

const d = () => deps(db, 'Tue 10:00');

describe('a course page', () => {
  it('shows the week that is on, with readings, files and prompts, each where it contradicts the syllabus', async () => {
    const found = await courseWeek(d(), world.people.imani, GEO, null);
    if (!found.ok) throw new Error('not found');
    const { week, readings, files, prompts } = found.value;
    expect(week?.number).toBe(6);
    expect(readings.map((r) => [r.title, r.minutes])).toEqual([
      ['One', 2],
      ['Two', 10],
    ]);
    expect(files.map((f) => f.name)).toEqual(['log.csv']);
    expect(prompts.map((p) => p.contradictions.map((c) => c.code))).toEqual([['late-rule'], ['late-rule']]);
  });
  it('says where the syllabus is at odds with the discussions and with itself', async () => {
    const found = await syllabusPage(d(), world.people.imani, GEO);
    expect(found).toMatchObject({ value: { inconsistencies: [{ code: 'weights-sum', sum: 90 }] } });
    const own = found.ok ? found.value.discussions : [];
    expect(own.map((o) => [o.response.weekday, o.found.length])).toEqual([
      [4, 1],
      [4, 1],
    ]);
  });
  it('is not found by those who are not in the course, nor is anything in it', async () => {
    const { stranger } = world.people;
    const asked = [
      await courseWeek(d(), stranger, GEO, 6),
      await syllabusPage(d(), stranger, GEO),
      await announcementsPage(d(), stranger, GEO),
      await peoplePage(d(), stranger, GEO),
      await readingPage(d(), stranger, 'one'),
      await noteReading(d(), stranger, 'one', { seconds: 10, read: true }),
      await courseFile(d(), stranger, file),
      await courseFile(d(), stranger, 'not-an-id'),
      await announce(d(), stranger, GEO, { title: 'Hello', body: 'there' }),
      await courseWeek(d(), world.people.imani, GEO, 77),
    ];
    for (const answer of asked) expect(answer).toEqual({ ok: false, failure: { code: 'not-found' } });
  });
  it('shows students the addresses of staff only', async () => {
    const emails = async (who: (typeof world.people)['imani']) => {
      const page = await peoplePage(d(), who, GEO);
      return page.ok ? page.value.people.filter((p) => p.email !== null).length : -1;
    };
    expect(await emails(world.people.imani)).toBe(1);
    expect(await emails(world.people.holt)).toBe(6);
  });
});

describe('readings', () => {
  it('are read when the student says so, keep their first moment, and learn the time spent', async () => {
    const { imani } = world.people;
    await noteReading(d(), imani, 'one', { seconds: 100, read: false });
    await noteReading(d(), imani, 'one', { seconds: 60, read: true });
    await noteReading(deps(db, 'Wed 10:00'), imani, 'one', { seconds: 20, read: true });
    const [row] = await db('reading_progress').where('person_id', imani.id);
    expect(row).toMatchObject({ seconds: 180, read_at: on('Tue 10:00') });
    const page = await readingPage(d(), imani, 'one');
    expect(page).toMatchObject({ value: { previous: null, next: { slug: 'two' } } });
    await noteReading(d(), imani, 'one', { seconds: 0, read: false });
    expect((await db('reading_progress').where('person_id', imani.id).first()).read_at).toBeNull();
  });
});

describe('announcements', () => {
  it('are written by staff only, and each says to whom it is new', async () => {
    const { imani, holt, noor, stranger } = world.people;
    const said = { title: 'No class on Friday', body: 'The river is in the car park.' };
    expect(await announce(d(), imani, GEO, said)).toEqual({ ok: false, failure: { code: 'staff-only' } });
    const made = await announce(d(), holt, GEO, said);
    if (!made.ok) throw new Error('refused');
    const page = async (who: typeof imani) => {
      const found = await announcementsPage(d(), who, GEO);
      return found.ok ? found.value.announcements[0] : null;
    };
    expect(await page(imani)).toMatchObject({ readAt: null, readBy: null });
    await readAnnouncement(d(), imani, made.value.id);
    await readAnnouncement(deps(db, 'Wed 10:00'), imani, made.value.id);
    // Somebody of another course cannot be made to have read it.
    await readAnnouncement(d(), stranger, made.value.id);
    expect(await page(imani)).toMatchObject({ readAt: on('Tue 10:00') });
    expect(await page(noor)).toMatchObject({ readAt: null });
    expect(await page(holt)).toMatchObject({ readBy: 1 });
  });
});
