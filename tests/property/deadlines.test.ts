import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { lateness, type LateRule } from '@/core/deadlines/late';
import { resolveDeadline } from '@/core/deadlines/resolve';
import { discussionState } from '@/core/deadlines/state';
import { daysLater, endOfMinute, instantOf, wallClockAt } from '@/core/deadlines/wallclock';
import { instant } from '@/core/ids';
import { weekOf } from '@/core/week/week';
import { schedule } from '../fixtures/build';

const ZONES = [
  'Europe/London',
  'Europe/Athens',
  'America/New_York',
  'America/Santiago',
  'Australia/Sydney',
  'Australia/Lord_Howe',
  'Asia/Kathmandu',
  'Africa/Casablanca',
  'UTC',
];
/** Nights on which clocks change, in both directions and both hemispheres, and what the clock does. */
const NIGHTS = [
  { zone: 'Europe/London', day: '2026-03-29', kind: 'forward' },
  { zone: 'Europe/London', day: '2026-10-25', kind: 'back' },
  { zone: 'Australia/Sydney', day: '2026-10-04', kind: 'forward' },
  { zone: 'Australia/Sydney', day: '2026-04-05', kind: 'back' },
  { zone: 'America/Santiago', day: '2026-09-06', kind: 'forward' },
  { zone: 'America/Santiago', day: '2026-04-04', kind: 'back' },
] as const;

const two = (n: number) => String(n).padStart(2, '0');
const wall = fc
  .record({ day: fc.integer({ min: 0, max: 730 }), minute: fc.integer({ min: 0, max: 1_439 }) })
  .map(
    ({ day, minute }) =>
      `${daysLater('2026-01-01T00:00', day).slice(0, 11)}${two(Math.floor(minute / 60))}:${two(minute % 60)}`,
  );
const zone = fc.constantFrom(...ZONES);

describe('wall clocks and moments', () => {
  it('a moment’s wall clock names that moment, or the later of two that share it', () =>
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2028, 0, 1) }), zone, (ms, z) => {
        const minute = instant(Math.floor(ms / 60_000) * 60_000);
        const back = instantOf(wallClockAt(minute, z), z);
        expect(back).toBeGreaterThanOrEqual(minute);
        expect(back - minute).toBeLessThanOrEqual(3_600_000);
        expect(wallClockAt(back, z)).toBe(wallClockAt(minute, z));
      }),
    ));

  it('a time that exists is shown as itself, one that does not moves forward', () =>
    fc.assert(
      fc.property(wall, zone, (w, z) => {
        const shown = wallClockAt(instantOf(w, z), z);
        expect(shown >= w).toBe(true);
        const gone =
          Temporal.PlainDateTime.from(w)
            .toZonedDateTime(z)
            .toPlainDateTime()
            .toString({ smallestUnit: 'minute' }) !== w;
        if (!gone) expect(shown).toBe(w);
      }),
    ));

  it('a deadline’s last millisecond is in time and the next is not', () =>
    fc.assert(
      fc.property(wall, zone, (w, z) => {
        const d = resolveDeadline({ wall: w, zone: z, late: { rule: 'refused' } });
        expect(d.due).toBe(endOfMinute(w, z));
        expect(lateness(d, { rule: 'refused' }, instant(d.due - 1)).kind).toBe('in-time');
        expect(lateness(d, { rule: 'refused' }, d.due).kind).toBe('too-late');
      }),
    ));

  it.each(NIGHTS)('the night of $day in $zone', ({ zone: z, day, kind }) => {
    const hours = (endOfMinute(`${day}T23:59`, z) - instantOf(`${day}T00:00`, z)) / 3_600_000;
    // Santiago changes at midnight, so its night belongs to two days.
    if (z === 'America/Santiago') expect([23, 24, 25]).toContain(hours);
    else expect(hours).toBe(kind === 'forward' ? 23 : 25);
    for (let minute = 0; minute < 1_440; minute += 1) {
      const w = `${day}T${two(Math.floor(minute / 60))}:${two(minute % 60)}`;
      const d = resolveDeadline({ wall: w, zone: z, late: { rule: 'accepted', days: 2 } });
      expect(wallClockAt(instant(d.due - 60_000), z) >= w).toBe(true);
      expect(d.lateDayEnds[0]).toBeGreaterThan(d.due + 22 * 3_600_000);
      expect(d.lateDayEnds[0]).toBeLessThan(d.due + 26 * 3_600_000);
    }
  });
});

describe('lateness', () => {
  const rule: fc.Arbitrary<LateRule> = fc.record({
    rule: fc.constant('penalty' as const),
    percentPerDay: fc.integer({ min: 0, max: 100 }),
    days: fc.integer({ min: 1, max: 10 }),
    floorPercent: fc.integer({ min: 0, max: 100 }),
  });
  it('never grows smaller with time, and never takes a mark under its floor', () =>
    fc.assert(
      fc.property(
        wall,
        zone,
        rule,
        fc.array(fc.integer({ min: -100, max: 400 }), { minLength: 2 }),
        (w, z, late, hours) => {
          const d = resolveDeadline({ wall: w, zone: z, late });
          const cost = (h: number) => {
            const l = lateness(d, late, instant(d.due + h * 3_600_000));
            return l.kind === 'in-time' ? 0 : l.kind === 'late' ? l.penaltyPercent : Infinity;
          };
          const costs = hours.sort((a, b) => a - b).map(cost);
          expect([...costs].sort((a, b) => a - b)).toEqual(costs);
          for (const c of costs)
            if (c !== Infinity && late.rule === 'penalty')
              expect(100 - c).toBeGreaterThanOrEqual(late.floorPercent === 100 ? 100 : late.floorPercent);
        },
      ),
    ));
});

describe('states and weeks', () => {
  it('a discussion goes from upcoming to closed once, and never back', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 400 }), { minLength: 2, maxLength: 12 }),
        fc.boolean(),
        (hours, relaxed) => {
          const s = schedule(relaxed ? { late: { rule: 'accepted', days: 3 } } : {});
          const order = ['upcoming', 'open', 'closed'];
          const phase = hours
            .sort((a, b) => a - b)
            .map((h) => discussionState(s, instant(s.opens + h * 3_600_000)))
            .map((st) => order.indexOf(st === 'closing' || st === 'late' ? 'open' : st));
          expect([...phase].sort((a, b) => a - b)).toEqual(phase);
        },
      ),
    ));

  it('a week has seven days that follow each other without a gap and hold its moment', () =>
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2028, 0, 1) }), zone, (ms, z) => {
        const days = weekOf(instant(ms), z);
        expect(days).toHaveLength(7);
        days.slice(1).forEach((d, i) => expect(d.start).toBe(days[i]?.end));
        expect(days[0]?.start).toBeLessThanOrEqual(ms);
        expect(days[6]?.end).toBeGreaterThan(ms);
      }),
    ));
});
