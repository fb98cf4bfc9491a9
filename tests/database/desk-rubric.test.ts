import type { Knex } from 'knex';
import { keepRubric, rubricPage } from '@/server/desk/rubric';
import { markSchema } from '@/core/marks/mark';
import { keepMark } from '@/server/marks/keep';
import { responseRoom } from '@/server/discussions/response-room';
import type { Actor } from '@/server/deps';
import { deps, OPEN, SEALED, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-rubric');
  db = world.db;
});
afterAll(() => db.destroy());
const at = (when: string) => deps(db, when);

const FORM = {
  'c0.title': 'Ideas',
  'c0.0.title': 'Many',
  'c0.0.points': '12',
  'c0.1.title': 'Few',
  'c0.1.points': '4',
  'c1.title': 'Evidence',
  'c1.checks': 'sources nonsense',
  'c1.0.title': 'Used',
  'c1.0.points': '8',
  'c1.1.title': 'Missing',
  'c1.1.points': '0',
};
const keep = (
  fields: Record<string, string> | null,
  sure = false,
  who: Actor = world.people.holt,
  slug = OPEN,
) => keepRubric(at('Tue 10:00'), who, GEO, slug, { fields, sure });
const page = (from = '', slug = OPEN) => rubricPage(at('Tue 10:00'), world.people.holt, GEO, slug, from);

describe('a rubric on the desk', () => {
  it('begins from the brief, is kept, and students see it beside the prompt', async () => {
    const fresh = await page();
    expect(fresh).toMatchObject({ value: { stands: false, marks: 0 } });
    expect(fresh.ok && Object.keys(fresh.value.fields)).toContain('c0.title');
    expect(await keep(FORM)).toMatchObject({ ok: true });
    const room = await responseRoom(at('Tue 10:00'), world.people.imani, OPEN);
    expect(room.ok && room.value.sheet?.rubric?.criteria).toMatchObject([
      { id: 'ideas', checks: [], levels: [{ points: 12 }, { points: 4 }] },
      { id: 'evidence', checks: ['sources'] },
    ]);
    // Another discussion of who teaches can begin from it.
    const other = await page(OPEN, SEALED);
    expect(other.ok && other.value.fields['c0.title']).toBe('Ideas');
    expect(other.ok && other.value.stands).toBe(false);
  });

  it('is nobody’s to change who does not teach the course, and is kept whole or not at all', async () => {
    const { imani, stranger } = world.people;
    for (const who of [imani, stranger])
      expect(await keep(FORM, true, who)).toMatchObject({ failure: { code: 'not-found' } });
    expect(await keep({ ...FORM, 'c1.1.points': 'none' })).toMatchObject({
      failure: { code: 'rubric', problems: [{ criterion: 1, code: 'no-points' }] },
    });
    const still = await page();
    expect(still.ok && still.value.fields['c1.1.points']).toBe('0');
  });

  it('is changed only by who is sure once something is shared, and not at all once something is marked', async () => {
    const { jun, holt } = world.people;
    await shared(db, jun, OPEN, 'Tue 09:00', shareInput('Words of Jun.'));
    const changed = { ...FORM, 'c0.title': 'Thoughts', 'c0.id': 'ideas' };
    expect(await keep(changed)).toMatchObject({ failure: { code: 'not-sure' } });
    expect(await keep(changed, true)).toMatchObject({ ok: true });
    const marked = await keepMark(
      at('Tue 11:00'),
      holt,
      { slug: GEO, name: OPEN, person: jun.id },
      { mark: markSchema.parse({ levels: { ideas: 0, evidence: 0 } }), base: 0 },
    );
    expect(marked).toMatchObject({ ok: true });
    for (const fields of [FORM, null])
      expect(await keep(fields, true)).toMatchObject({ failure: { code: 'has-marks' } });
    expect(await page()).toMatchObject({ value: { marks: 1, fields: { 'c0.title': 'Thoughts' } } });
  });

  it('is taken away where nothing was marked', async () => {
    await keep(FORM, false, world.people.holt, SEALED);
    expect(await keep(null, false, world.people.holt, SEALED)).toMatchObject({ ok: true });
    const gone = await page('', SEALED);
    expect(gone.ok && gone.value.stands).toBe(false);
  });
});
