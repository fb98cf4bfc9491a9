import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { instant } from '@/core/ids';
import { keepDraft } from '@/server/drafts/keep';
import { chooseHabits, habitsAndPace, habitsSchema } from '@/server/planning/habits';
import { planView } from '@/server/planning/plan';
import { thisWeek } from '@/server/week/this-week';
import { deps, on, OPEN, SEALED, shared, shareInput, smallCourse, text } from './world';

let world: Awaited<ReturnType<typeof smallCourse>>;
let db: Knex;
beforeAll(async () => {
  world = await smallCourse('planning');
  db = world.db;
});
afterAll(() => db.destroy());

const many = (n: number) => Array.from({ length: n }, (_, i) => `word${i}`).join(' ');

describe('a student’s own pace', () => {
  it('is learnt from how their drafts grew, and from nobody else’s', async () => {
    const { imani, noor } = world.people;
    const submission = randomUUID();
    let base = 0;
    for (let minute = 0; minute <= 20; minute += 1) {
      const now = instant(on('Mon 09:00') + minute * 60_000);
      const kept = await keepDraft({ db, now }, imani, SEALED, {
        kind: 'response',
        parent: null,
        submission,
        title: '',
        doc: text(many(1 + minute * 30)),
        base,
        conflict: 'tell',
      });
      if (!kept.ok) throw new Error(kept.failure.code);
      base = kept.value.revision;
    }
    const spells = await db('writing_spells').where('person_id', imani.id);
    expect(spells).toHaveLength(1);
    expect(spells[0]).toMatchObject({ words_added: 600, writing_seconds: 1_200 });
    const mine = (await habitsAndPace(deps(db, 'Tue 10:00'), imani)).pace.writing;
    const usual = (await habitsAndPace(deps(db, 'Tue 10:00'), noor)).pace.writing;
    expect(mine.from).toBe(1);
    expect(usual.from).toBe(0);
    expect(mine.wordsPerMinute).toBeGreaterThan(usual.wordsPerMinute);
  });
});

describe('the plan', () => {
  it('is made anew after every change: what is shared is planned no more', async () => {
    const { noor } = world.people;
    const tasks = async () => (await planView(deps(db, 'Tue 10:00'), noor)).assignments.map((a) => a.id);
    const before = await tasks();
    expect(before).toHaveLength(8);
    await shared(db, noor, OPEN, 'Tue 09:00', shareInput('My three words.'));
    expect(await tasks()).toEqual(before.filter((id) => id !== `${OPEN} response 1`));
  });
  it('agrees with This week about how much there is to do', async () => {
    const { noor } = world.people;
    const plan = await planView(deps(db, 'Tue 10:00'), noor);
    expect((await thisWeek(deps(db, 'Tue 10:00'), noor)).ahead.work).toEqual(plan.work);
  });
  it('keeps to the student’s nights and to their longest sitting', async () => {
    const { kwame } = world.people;
    const habits = habitsSchema.parse({
      sleepFrom: '12:00',
      sleepTo: '20:00',
      sittingMinutes: 15,
      breakMinutes: 45,
    });
    await chooseHabits(deps(db, 'Tue 10:00'), kwame, habits);
    const { planned } = await planView(deps(db, 'Tue 10:00'), kwame);
    expect(planned.sittings.length).toBeGreaterThan(4);
    for (const s of planned.sittings) {
      const hour = new Date(s.start).getUTCHours();
      expect(hour < 12 || hour >= 20).toBe(true);
      expect(s.end - s.start).toBeLessThanOrEqual(15 * 60_000);
    }
  });
  it('says what does not fit, and what would have to give', async () => {
    const { kwame } = world.people;
    const habits = habitsSchema.parse({
      sleepFrom: '00:00',
      sleepTo: '23:30',
      sittingMinutes: 15,
      breakMinutes: 60,
    });
    await chooseHabits(deps(db, 'Thu 10:00'), kwame, habits);
    const { planned } = await planView(deps(db, 'Thu 10:00'), kwame);
    expect(planned.left.length).toBeGreaterThan(0);
    expect(planned.gives.map((g) => g.code)).not.toContain('busy');
  });
  it('is empty for staff, who owe nothing', async () => {
    expect((await planView(deps(db, 'Tue 10:00'), world.people.holt)).assignments).toEqual([]);
  });
});
