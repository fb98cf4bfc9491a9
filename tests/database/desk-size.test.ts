import type { Knex } from 'knex';
import { classPage } from '@/server/desk/class';
import { datesPage, deskPage } from '@/server/desk/discussion';
import { groupsPage } from '@/server/desk/groups';
import { rulesPage } from '@/server/desk/prompts';
import { termPage } from '@/server/desk/term';
import { markingPage } from '@/server/marks/marking';
import { marksTable } from '@/server/marks/table';
import { howItGoesPage } from '@/server/rhythm/how-it-goes';
import { deps, joined, OPEN, shared, shareInput, smallCourse } from './world';

const GEO = 'geo-115';
let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('desk-size');
  db = world.db;
});
afterAll(() => db.destroy());

const ROUNDS = 12;

/** So many students more, each of whom has shared a response. */
async function grow(n: number) {
  const names = Array.from({ length: n }, (_, i) => `Student ${String(i).padStart(3, '0')}`);
  const people = await joined(db, world.course, names);
  for (const who of people) await shared(db, who, OPEN, 'Tue 10:00', shareInput('Words of theirs.'));
}

/** The least time each page took, in milliseconds: what else the machine did is left out. */
async function times(): Promise<Map<string, number>> {
  const at = deps(db, 'Wed 10:00');
  const { holt } = world.people;
  const dates = {
    opens: '2026-10-12T06:00',
    responseDue: '2026-10-13T08:00',
    repliesDue: '2026-10-18T23:59',
  };
  const pages: [string, () => Promise<{ ok: boolean }>][] = [
    ['the term', () => termPage(at, holt, GEO)],
    ['a discussion', () => deskPage(at, holt, GEO, OPEN)],
    ['the class', () => classPage(at, holt, GEO, { page: 1, choose: '' })],
    ['groups', () => groupsPage(at, holt, GEO)],
    ['what a prompt asks', () => rulesPage(at, holt, GEO, OPEN)],
    ['marks', () => markingPage(at, holt, GEO, OPEN, null)],
    ['marks as a table', () => marksTable(at, holt, GEO, OPEN, 'name', 1)],
    ['how it goes', () => howItGoesPage(at, holt, GEO)],
    ['other dates', () => datesPage(at, holt, GEO, OPEN, dates)],
  ];
  const least = new Map<string, number>();
  for (let round = 0; round < ROUNDS; round += 1)
    for (const [name, load] of pages) {
      const began = performance.now();
      expect([name, (await load()).ok]).toEqual([name, true]);
      least.set(name, Math.min(least.get(name) ?? Infinity, performance.now() - began));
    }
  return least;
}

it('the desk’s pages of 300 students beside those of 26', async () => {
  await grow(21);
  await db.raw('analyze');
  const small = await times();
  await grow(274);
  await db.raw('analyze');
  const large = await times();
  for (const [name, ms] of large)
    process.stdout.write(
      `Desk, ${name}: ${(small.get(name) ?? 0).toFixed(1)} ms of 26, ${ms.toFixed(1)} ms of 300, ${(ms / (small.get(name) ?? 1)).toFixed(2)} times\n`,
    );
}, 120_000);
