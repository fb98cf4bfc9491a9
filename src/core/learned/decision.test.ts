import fc from 'fast-check';
import { chances, type Decision } from './decision';

const decision: Decision = {
  classes: ['none', 'count', 'words'],
  weights: { 'unit:length': [-1, -2, 3], 'unit:person': [0, 2, -1] },
};

it('without a feature it knows, every class is as likely', () => {
  expect(chances(decision, [])).toEqual([1 / 3, 1 / 3, 1 / 3]);
  expect(chances(decision, ['toString', 'constructor', '__proto__'])).toEqual([1 / 3, 1 / 3, 1 / 3]);
});

it('features speak for their classes, and each only once', () => {
  const [none = 0, count = 0, words = 0] = chances(decision, ['unit:length']);
  expect(words).toBeGreaterThan(none);
  expect(none).toBeGreaterThan(count);
  expect(chances(decision, ['unit:length', 'unit:length'])).toEqual([none, count, words]);
});

it('chances are from 0 to 1 and add up to 1, however large the weights', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.string(),
          fc.array(fc.double({ min: -900, max: 900, noNaN: true }), { minLength: 3, maxLength: 3 }),
        ),
      ),
      (weights) => {
        const all = chances(
          { classes: ['a', 'b', 'c'], weights: Object.fromEntries(weights) },
          weights.map(([f]) => f),
        );
        expect(all.every((p) => p >= 0 && p <= 1)).toBe(true);
        expect(all.reduce((a, b) => a + b, 0)).toBeCloseTo(1);
      },
    ),
  );
});
