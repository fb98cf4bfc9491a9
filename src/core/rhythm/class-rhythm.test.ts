import fc from 'fast-check';
import { instant, personId } from '../ids';
import { classRhythm, courseRhythm, FEWEST, STRETCHES, type Responded } from './class-rhythm';

const HOUR = 3_600_000;
const DUE = instant(1_000 * HOUR);
const person = fc.integer({ min: 0, max: 40 }).map((n) => personId(`p${n}`));
const response: fc.Arbitrary<Responded> = fc.record({
  author: person,
  at: fc.integer({ min: -30 * 60, max: 120 * 60 }).map((m) => instant(DUE - m * 60_000)),
  replies: fc.integer({ min: 0, max: 9 }),
});
const class_ = (n: number, over: Partial<Responded> = {}): Responded[] =>
  Array.from({ length: n }, (_, i) => ({
    author: personId(`p${i}`),
    at: instant(DUE - (i + 1) * HOUR),
    replies: 1,
    ...over,
  }));

describe('the rhythm of a class', () => {
  it('is not drawn for fewer than ten people, however often they responded', () => {
    expect(classRhythm(class_(FEWEST - 1), DUE)).toBeNull();
    expect(classRhythm([...class_(9), ...class_(9), ...class_(9)], DUE)).toBeNull();
    expect(classRhythm(class_(FEWEST), DUE)).not.toBeNull();
  });

  it('says in which stretch before the deadline responses came', () => {
    const twenty = [
      ...class_(10, { at: instant(DUE - 60 * HOUR) }),
      ...class_(20, { at: instant(DUE - HOUR) }).slice(10),
    ];
    expect(classRhythm(twenty, DUE)?.shares).toEqual({
      days: 50,
      'day-before': 0,
      'half-day': 0,
      hours: 0,
      last: 50,
      late: 0,
    });
  });

  it('says nothing of a stretch in which fewer than five responded but how many percent they were', () => {
    fc.assert(
      fc.property(fc.array(response, { maxLength: 80 }), (all) => {
        const found = classRhythm(all, DUE);
        if (!found) return;
        const people = new Set(all.map((r) => r.author)).size;
        for (const { id } of STRETCHES) {
          expect(found.shares[id] % 5).toBe(0);
          if (found.replies[id] !== null)
            expect((found.shares[id] + 2.5) / 100).toBeGreaterThanOrEqual(5 / people - 1e-9);
        }
      }),
    );
  });

  it('is the same whoever is called what, and in whatever order they came', () => {
    fc.assert(
      fc.property(fc.array(response, { minLength: 12, maxLength: 60 }), (all) => {
        const named = all.map((r) => ({ ...r, author: personId(`other ${r.author}`) })).reverse();
        expect(
          classRhythm(
            named.sort((a, b) => a.at - b.at),
            DUE,
          )?.shares,
        ).toEqual(
          classRhythm(
            [...all].reverse().sort((a, b) => a.at - b.at),
            DUE,
          )?.shares,
        );
      }),
    );
  });

  it('of a course changes by whole discussions, each of ten people or more', () => {
    const whole = fc.array(response, { maxLength: 60 }).map((all) => classRhythm(all, DUE));
    fc.assert(
      fc.property(fc.array(whole, { maxLength: 6 }), whole, (before, next) => {
        const drawn = before.flatMap((r) => r ?? []);
        const after = courseRhythm(next ? [...drawn, next] : drawn);
        // A discussion of fewer people leaves no trace in the next picture.
        if (!next) expect(after).toEqual(courseRhythm(drawn));
        else if (drawn.length === 0) expect(after?.shares).toEqual(next.shares);
        expect(courseRhythm([]) ?? 'none').toBe('none');
      }),
    );
  });
});
