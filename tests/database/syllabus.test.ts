import type { Knex } from 'knex';
import { syllabusPage } from '@/server/courses/syllabus';
import { signSyllabus } from '@/server/courses/sign-syllabus';
import { classPage } from '@/server/desk/class';
import { changeSettings, settingsPage, settingsSchema } from '@/server/desk/settings';
import { changeSyllabus, deskSyllabusPage } from '@/server/desk/syllabus';
import { termPage } from '@/server/desk/term';
import { thisWeek } from '@/server/week/this-week';
import type { Actor } from '@/server/deps';
import type { SyllabusFields } from '@/core/syllabus/form';
import { deps, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('syllabus');
  db = world.db;
});
afterAll(() => db.destroy());

const at = (when: string) => deps(db, when);
const desk = async () => {
  const page = await deskSyllabusPage(at('Tue 10:00'), world.people.holt, GEO);
  if (!page.ok) throw new Error(page.failure.code);
  return page.value;
};
const says = async (more: SyllabusFields, toSign = true, who: Actor = world.people.holt) =>
  changeSyllabus(at('Tue 09:00'), who, GEO, {
    toSign,
    fields: {
      ...(await desk()).fields,
      weights: 'Discussions 100 %',
      scale: 'Passed from 50 %',
      contactEmail: 'maren.holt@tidewell.example',
      ...more,
    },
  });
const mine = async (who: Actor) => {
  const page = await syllabusPage(at('Tue 11:00'), who, GEO);
  return page.ok ? page.value.toSign : undefined;
};
const waits = async (who: Actor) => (await thisWeek(at('Tue 11:00'), who)).toSign.map((c) => c.code);

describe('a syllabus on the desk', () => {
  it('is written by who teaches the course, and by nobody else', async () => {
    for (const who of [world.people.imani, world.people.stranger])
      expect(await says({}, true, who)).toMatchObject({ failure: { code: 'not-found' } });
    expect((await desk()).stands).toBe(false);
    expect(await says({ weights: 'nothing' })).toMatchObject({ failure: { code: 'syllabus' } });
    expect((await desk()).stands).toBe(false);
    expect(await says({})).toEqual({ ok: true, value: null });
  });

  it('waits for each student’s name under it, and is asked for anew once it says something else', async () => {
    const { imani, noor, holt } = world.people;
    expect(await waits(imani)).toEqual(['GEO 115']);
    expect(await signSyllabus(at('Tue 11:00'), imani, GEO, 1)).toMatchObject({ ok: true });
    expect([await waits(imani), await waits(noor), await waits(holt)]).toEqual([[], ['GEO 115'], []]);
    expect((await desk()).unsigned.map((s) => s.name)).not.toContain('Imani Okoro');
    const chosen = await classPage(at('Tue 11:00'), holt, GEO, { page: 1, choose: 'unsigned' });
    expect(chosen.ok && chosen.value.chosen).toContain(noor.id);
    expect(chosen.ok && chosen.value.chosen).not.toContain(imani.id);
    // The same again changes nothing; another word does.
    await says({});
    expect(await waits(imani)).toEqual([]);
    await says({ notes: 'One thing more.' });
    expect(await waits(imani)).toEqual(['GEO 115']);
    expect(await signSyllabus(at('Tue 12:00'), imani, GEO, 1)).toMatchObject({
      failure: { code: 'changed-meanwhile' },
    });
    expect(await mine(imani)).toMatchObject({ version: 2, signedAt: null });
    expect(await mine(holt)).toBeNull();
  });

  it('is signed by nobody where it need not be', async () => {
    await says({}, false);
    expect(await waits(world.people.imani)).toEqual([]);
    expect((await signSyllabus(at('Tue 12:00'), world.people.imani, GEO, 2)).ok).toBe(false);
  });
});

describe('holidays', () => {
  const settings = (holidays: string) =>
    settingsSchema.safeParse({ title: 'Rivers', term: 'Autumn 2026', holidays });

  it('stand on the sheet beside their week, and a deadline that falls into one is pointed out', async () => {
    const said = settings('2026-10-15 to 2026-10-16 Harvest days');
    if (!said.success) throw new Error('not read');
    await changeSettings(at('Tue 10:00'), world.people.holt, GEO, said.data);
    const term = await termPage(at('Tue 10:00'), world.people.holt, GEO);
    const [week] = term.ok ? term.value.weeks : [];
    expect(week?.holidays).toEqual(['Harvest days']);
    expect(week?.discussions.map((d) => d.inHoliday)).toEqual(['Harvest days', 'Harvest days']);
    const page = await settingsPage(at('Tue 10:00'), world.people.holt, GEO);
    expect(page.ok && page.value.holidays).toBe('2026-10-15 to 2026-10-16 Harvest days');
  });

  it('that cannot be read are refused as they were typed', () =>
    expect(settings('some time in autumn').success).toBe(false));
});
