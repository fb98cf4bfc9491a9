import { isOutdatedPlan, Prepared } from './prepared';

describe('a question to the database', () => {
  it('gets a name when it is asked often, the same one ever after, and no other question has it', () => {
    const prepared = new Prepared();
    const names = (text: string) => [1, 2, 3, 4].map(() => prepared.nameOf(text));
    const [a, b] = [names('select 1'), names('select 2')];
    expect(a.slice(0, 2)).toEqual([undefined, undefined]);
    expect(a[2]).toBeDefined();
    expect(a[3]).toBe(a[2]);
    expect(b[2]).not.toBe(a[2]);
  });
  it('is one of at most so many, whatever else is asked', () => {
    const prepared = new Prepared();
    const named = Array.from({ length: 5_000 }, (_, i) =>
      [1, 2, 3, 4].map(() => prepared.nameOf(`select ${i}`)).at(-1),
    ).filter(Boolean);
    expect(new Set(named).size).toBe(named.length);
    expect(named).toHaveLength(120);
    // What had its name keeps it.
    expect(prepared.nameOf('select 0')).toBe(named[0]);
  });
  it('is asked without one once its plan no longer fits', () => {
    const prepared = new Prepared();
    for (let i = 0; i < 3; i += 1) prepared.nameOf('select *');
    prepared.giveUp('select *');
    expect(prepared.nameOf('select *')).toBeUndefined();
    const outdated = Object.assign(new Error('cached plan must not change result type'), { code: '0A000' });
    expect(isOutdatedPlan(outdated)).toBe(true);
    expect(isOutdatedPlan(Object.assign(new Error('not supported'), { code: '0A000' }))).toBe(false);
  });
});
