import type { Knex } from 'knex';
import { daysLater } from '@/core/deadlines/wallclock';
import { makeDiscussion, promptPage, takePromptIn } from '@/server/desk/prompts';
import { corrections } from '../prompts/corrections';
import { promptSets } from '../prompts/labelled';
import { deps, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-prompts');
  db = world.db;
});
afterAll(() => db.destroy());

describe('prompts as people write them, pasted at the desk', () => {
  it('each opens a brief that can be corrected, and becomes a discussion with it', async () => {
    const { holt } = world.people;
    const at = deps(db, 'Mon 09:00');
    const by: number[] = [];
    const prompts = promptSets().find((s) => s.name === 'hard')?.prompts ?? [];
    for (const { id, text, gold } of prompts) {
      const taken = await takePromptIn(at, holt, GEO, { text, html: '', files: [] });
      if (!taken.ok) throw new Error(`${id}: ${taken.failure.code}`);
      const page = await promptPage(at, holt, GEO, taken.value.id);
      if (!page.ok) throw new Error(`${id}: ${page.failure.code}`);
      const { fields, suggestion } = page.value;
      by.push(corrections(fields, Object.keys(suggestion.evidence), gold).length);
      const responseDue = fields.responseDue ?? '2026-10-22T23:59';
      const repliesDue =
        fields.repliesDue && fields.repliesDue >= responseDue ? fields.repliesDue : daysLater(responseDue, 3);
      const made = await makeDiscussion(at, holt, GEO, taken.value.id, {
        fields: { ...fields, title: fields.title ?? id, responseDue, repliesDue },
      });
      expect([id, made.ok || made.failure]).toEqual([id, true]);
    }
    const all = by.reduce((n, c) => n + c, 0);
    process.stdout.write(
      `Prompts at the desk: ${all} facts to correct by hand in ${by.length}, ${by.filter((n) => n === 0).length} without any\n`,
    );
    expect(by).toHaveLength(85);
  }, 120_000);
});
