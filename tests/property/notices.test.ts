import fc from 'fast-check';
import { instant } from '@/core/ids';
import { rulesSchema, USUAL_RULES, type NoticeRules } from '@/core/notices/rules';
import { afterQuiet, beforeQuiet, dueAt, isQuiet } from '@/core/notices/when';
import { remindersOf } from '@/core/notices/reminders';

/** Zones whose clocks change in either hemisphere, by half an hour, or not at all. */
const zone = fc.constantFrom(
  'UTC',
  'Europe/London',
  'America/St_Johns',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'Pacific/Apia',
);
const time = fc
  .tuple(fc.integer({ min: 0, max: 23 }), fc.constantFrom(0, 15, 30, 59))
  .map(([h, m]) => `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`);
const rules: fc.Arbitrary<NoticeRules> = fc
  .record({
    gatheredAt: fc.array(time, { minLength: 1, maxLength: 6 }),
    dailyAt: time,
    quiet: fc.option(
      fc
        .tuple(time, time)
        .filter(([a, b]) => a !== b)
        .map(([from, to]) => ({ from, to })),
      { nil: null },
    ),
    quietDays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 6 }),
    before: fc.array(fc.integer({ min: 15, max: 20_160 }), { maxLength: 5 }),
  })
  .map((r) => rulesSchema.parse({ ...USUAL_RULES, ...r }));
/** Around the nights on which clocks change, and any other time of two years. */
const moment = fc
  .oneof(
    fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2027, 11, 31) }),
    fc.integer({ min: -4 * 3_600_000, max: 4 * 3_600_000 }).map((d) => Date.UTC(2026, 9, 25, 1) + d),
    fc.integer({ min: -4 * 3_600_000, max: 4 * 3_600_000 }).map((d) => Date.UTC(2026, 2, 29, 1) + d),
  )
  .map(instant);
const way = fc.constantFrom('once' as const, 'gathered' as const, 'daily' as const);

describe('when a notice is sent', () => {
  it('is never before it came about, and never in a quiet hour', () =>
    fc.assert(
      fc.property(way, moment, rules, zone, (w, at, r, z) => {
        const due = dueAt(w, at, r, z);
        expect(due).not.toBeNull();
        expect(due).toBeGreaterThanOrEqual(at);
        expect(isQuiet(due ?? at, r, z)).toBe(false);
      }),
      { numRuns: 1_500 },
    ));
  it('keeps the order in which things came about', () =>
    fc.assert(
      fc.property(
        way,
        moment,
        fc.integer({ min: 0, max: 3 * 86_400_000 }),
        rules,
        zone,
        (w, at, later, r, z) => {
          const first = dueAt(w, at, r, z) ?? 0;
          const second = dueAt(w, instant(at + later), r, z) ?? 0;
          expect(second).toBeGreaterThanOrEqual(first);
        },
      ),
      { numRuns: 1_500 },
    ));
  it('is within nine days and a quiet stretch', () =>
    fc.assert(
      fc.property(way, moment, rules, zone, (w, at, r, z) => {
        expect((dueAt(w, at, r, z) ?? at) - at).toBeLessThan(9 * 86_400_000);
      }),
      { numRuns: 500 },
    ));
  it('asked of the moment it is sent at says that moment', () =>
    fc.assert(
      fc.property(moment, rules, zone, (at, r, z) => {
        const due = afterQuiet(at, r, z);
        expect(afterQuiet(due, r, z)).toBe(due);
        expect(beforeQuiet(due, r, z)).toBe(due);
      }),
      { numRuns: 500 },
    ));
});

it('reminders stand before their deadline, in order, out of the quiet, each distance once', () =>
  fc.assert(
    fc.property(moment, rules, zone, (due, r, z) => {
      const all = remindersOf([{ of: 'response', due }], instant(due - 30 * 86_400_000), r, z);
      for (const { at } of all) {
        expect(at).toBeLessThan(due);
        expect(isQuiet(at, r, z)).toBe(false);
      }
      expect(new Set(all.map((x) => x.at)).size).toBe(all.length);
      expect(all.map((x) => x.at)).toEqual([...all.map((x) => x.at)].sort((a, b) => a - b));
    }),
    { numRuns: 1_000 },
  ));
