import type { Knex } from 'knex';
import type { Correction } from '@/core/outside/corrections';
import {
  correctionsFile,
  correctionsPage,
  correctionsSchema,
  forgetCorrections,
  giveCorrections,
} from '@/server/outside/corrections';
import type { Actor } from '@/server/deps';
import { enterAsSteward } from '@/server/stewards/enter';
import { logPage } from '@/server/stewards/home';
import { logText } from '@/ui/words/people';
import { deps, smallCourse } from './world';

let db: Knex;
let holt: Actor;
beforeAll(async () => {
  const world = await smallCourse('corrections');
  db = world.db;
  holt = world.people.holt;
});
afterAll(() => db.destroy());

const one: Correction = { field: 'replies.count', words: 'two classmates', read: '2', meant: '3', sure: 0.8 };

describe('what is put right of a reading and given', () => {
  it('is kept by the day, with nothing that says whose it was', async () => {
    await giveCorrections(deps(db, 'Tue 10:00'), [one, { ...one, field: 'late', words: 'none', sure: 0.5 }]);
    const rows = await db('corrections');
    expect(Object.keys(rows[0]).sort()).toEqual([
      'field',
      'given_on',
      'id',
      'meant',
      'read',
      'sure',
      'words',
    ]);
    expect(await correctionsPage(deps(db, 'Tue 11:00'))).toMatchObject({
      total: 2,
      lines: [{ field: 'late' }, one],
    });
  });

  it('leaves as a file of a line each, which is read back as it was given', async () => {
    const lines = (await correctionsFile(deps(db, 'Tue 11:00'))).trim().split('\n');
    const read = lines.map((line) => JSON.parse(line) as Correction);
    expect(correctionsSchema.safeParse(read).success).toBe(true);
    expect(read).toContainEqual(expect.objectContaining({ meant: '3', words: 'two classmates' }));
  });

  it('is refused where it is no field, too long, or too many', () => {
    const ok = (given: unknown) => correctionsSchema.safeParse(given).success;
    expect(ok([one])).toBe(true);
    expect(ok([{ ...one, field: 'password' }])).toBe(false);
    expect(ok([{ ...one, words: 'x'.repeat(601) }])).toBe(false);
    expect(ok(Array.from({ length: 41 }, () => one))).toBe(false);
  });

  it('is forgotten by a steward alone, and the log says by whom and how much', async () => {
    const then = deps(db, 'Tue 12:00');
    expect(await enterAsSteward(then, holt)).toMatchObject({ ok: false });
    await db('people').where({ id: holt.id }).update({ steward: true });
    const steward = await enterAsSteward(then, holt);
    if (!steward.ok) throw new Error('no steward');
    await forgetCorrections(then, steward.value);
    expect(await correctionsPage(then)).toEqual({ lines: [], total: 0 });
    // With nothing there, nothing was forgotten.
    await forgetCorrections(then, steward.value);
    expect((await logPage(then, null)).map(logText)).toEqual([
      `${holt.name} forgot 2 corrections of prompts that people had given.`,
    ]);
  });
});
