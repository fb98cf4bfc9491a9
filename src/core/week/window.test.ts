import fc from 'fast-check';
import { windowAround } from './window';

describe('a page of whole weeks', () => {
  it('takes the week after before the week before', () => {
    expect(windowAround([3, 3, 3, 3], 2, 6)).toEqual({ from: 2, to: 3 });
    expect(windowAround([3, 3, 3, 3], 2, 9)).toEqual({ from: 1, to: 3 });
  });
  it('shows a week too large for a page all the same', () => {
    expect(windowAround([3, 50, 3], 1, 24)).toEqual({ from: 1, to: 1 });
  });
  it('holds the week asked for, stays within its limit, and leaves out only what does not fit', () => {
    const rows = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 20 });
    fc.assert(
      fc.property(rows, fc.nat(), fc.integer({ min: 1, max: 30 }), (sizes, seed, limit) => {
        const at = seed % sizes.length;
        const { from, to } = windowAround(sizes, at, limit);
        const sum = (a: number, b: number) => sizes.slice(a, b + 1).reduce((s, n) => s + n, 0);
        expect(from).toBeLessThanOrEqual(at);
        expect(to).toBeGreaterThanOrEqual(at);
        if (from < to) expect(sum(from, to)).toBeLessThanOrEqual(limit);
        for (const wider of [sum(from - 1 < 0 ? from : from - 1, to), sum(from, to + 1)]) {
          if (wider > sum(from, to)) expect(wider).toBeGreaterThan(limit);
        }
      }),
    );
  });
});
