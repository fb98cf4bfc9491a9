import fc from 'fast-check';
import { instant } from '@/core/ids';
import { planOrSay } from '@/core/planning/cannot';
import { plan, type PlanInput, type Task } from '@/core/planning/plan';
import { slotsFor, SLOT_MS, SLOT_MINUTES } from '@/core/planning/slots';
import { workingSlots, type Demand, type SlotRules } from '@/core/planning/working-slots';

/** Whether a set of slots, as bits, keeps sittings and pauses, by the plainest reading of the rule. */
function keepsRules(set: number, length: number, rules: SlotRules): boolean {
  let run = 0;
  let rest = rules.pause;
  for (let i = 0; i < length; i += 1) {
    if (set & (1 << i)) {
      if (run === 0 && rest < rules.pause) return false;
      run += 1;
      rest = 0;
      if (run > rules.sitting) return false;
    } else {
      run = 0;
      rest += 1;
    }
  }
  return true;
}

/** Whether the slots can serve the demands: earliest deadline first, slot by slot. */
function serves(set: number, length: number, demands: readonly Demand[]): boolean {
  const left = demands.map((d) => d.slots);
  for (let i = 0; i < length; i += 1) {
    if (!(set & (1 << i))) continue;
    let best = -1;
    demands.forEach((d, k) => {
      if (left[k] && d.from <= i && i < d.to && (best < 0 || d.to < (demands[best]?.to ?? 0))) best = k;
    });
    if (best >= 0) left[best] = (left[best] ?? 0) - 1;
  }
  return left.every((n) => n === 0);
}

function existsByBruteForce(free: boolean[], demands: Demand[], rules: SlotRules): boolean {
  const usable = free.reduce((bits, ok, i) => (ok ? bits | (1 << i) : bits), 0);
  for (let set = 0; set < 1 << free.length; set += 1) {
    if ((set & ~usable) === 0 && keepsRules(set, free.length, rules) && serves(set, free.length, demands))
      return true;
  }
  return false;
}

const small = fc.record({
  free: fc.array(
    fc.integer({ min: 0, max: 4 }).map((n) => n > 0),
    { minLength: 4, maxLength: 11 },
  ),
  demands: fc.array(
    fc.record({
      from: fc.nat({ max: 8 }),
      length: fc.integer({ min: 1, max: 11 }),
      slots: fc.integer({ min: 1, max: 3 }),
    }),
    { minLength: 1, maxLength: 4 },
  ),
  rules: fc.record({ sitting: fc.integer({ min: 1, max: 4 }), pause: fc.integer({ min: 1, max: 3 }) }),
});

describe('choosing working slots', () => {
  it('finds a choice exactly when there is one, as trying all of them shows', () => {
    let found = 0;
    let none = 0;
    fc.assert(
      fc.property(small, ({ free, demands, rules }) => {
        const open = free;
        const asked = demands.map(({ from, length, slots }) => ({
          from: Math.min(from, open.length - 1),
          to: Math.min(open.length, from + length),
          slots,
        }));
        const chosen = workingSlots(open, asked, rules);
        const exists = existsByBruteForce(open, asked, rules);
        expect(chosen !== null).toBe(exists);
        if (chosen) {
          found += 1;
          const bits = chosen.reduce((b, i) => b | (1 << i), 0);
          expect(chosen.every((i) => open[i])).toBe(true);
          expect(keepsRules(bits, open.length, rules)).toBe(true);
          expect(serves(bits, open.length, asked)).toBe(true);
        } else none += 1;
      }),
      { numRuns: 2_000 },
    );
    // The cases are worth something only if both answers came often.
    expect(found).toBeGreaterThan(200);
    expect(none).toBeGreaterThan(200);
  });
});

const NOW = instant(Date.UTC(2026, 9, 13, 15, 42, 31));
const minute = (n: number) => instant(NOW + n * 60_000);

const inputs: fc.Arbitrary<PlanInput> = fc
  .record({
    tasks: fc.array(
      fc.record({
        minutes: fc.integer({ min: 5, max: 200 }),
        release: fc.constantFrom(-500, -100, 0, 0, 700, 1_441),
        window: fc.integer({ min: 30, max: 4_000 }),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    busy: fc.array(
      fc.record({ start: fc.integer({ min: -200, max: 5_000 }), minutes: fc.integer({ min: 0, max: 700 }) }),
      { maxLength: 12 },
    ),
    limits: fc.record({
      sittingMinutes: fc.integer({ min: 15, max: 180 }),
      breakMinutes: fc.integer({ min: 15, max: 90 }),
    }),
  })
  .map(({ tasks, busy, limits }) => ({
    now: NOW,
    limits,
    tasks: tasks.map((t, i) => ({
      id: String(i),
      minutes: t.minutes,
      release: minute(t.release),
      deadline: minute(Math.max(t.release, 0) + t.window),
    })),
    busy: busy.map((b) => ({ start: minute(b.start), end: minute(b.start + b.minutes) })),
  }));

function holds(input: PlanInput, sittings: NonNullable<ReturnType<typeof plan>>, left: string[] = []) {
  const time = new Map<string, number>();
  const byId = new Map(input.tasks.map((t) => [t.id, t]));
  sittings.forEach((s, i) => {
    expect(s.start).toBeGreaterThanOrEqual(NOW);
    expect(s.end - s.start).toBeLessThanOrEqual(input.limits.sittingMinutes * 60_000);
    const before = sittings[i - 1];
    if (before) expect(s.start - before.end).toBeGreaterThanOrEqual(input.limits.breakMinutes * 60_000);
    for (const b of input.busy) if (b.end > b.start) expect(s.end <= b.start || s.start >= b.end).toBe(true);
    expect(s.pieces[0]?.start).toBe(s.start);
    expect(s.pieces[s.pieces.length - 1]?.end).toBe(s.end);
    for (const p of s.pieces) {
      const task = byId.get(p.task) as Task;
      expect(p.start).toBeGreaterThanOrEqual(task.release);
      expect(p.end).toBeLessThanOrEqual(task.deadline);
      time.set(p.task, (time.get(p.task) ?? 0) + p.end - p.start);
    }
  });
  for (const t of input.tasks) {
    expect(time.get(t.id) ?? 0).toBe(left.includes(t.id) ? 0 : slotsFor(t.minutes) * SLOT_MS);
  }
}

describe('a plan', () => {
  it('has no sitting over a busy time, after a deadline, before its release, or longer than the limit', () => {
    let planned = 0;
    fc.assert(
      fc.property(inputs, (input) => {
        const sittings = plan(input);
        if (!sittings) return;
        planned += 1;
        holds(input, sittings);
      }),
      { numRuns: 200 },
    );
    expect(planned).toBeGreaterThan(30);
  });

  it('that cannot hold everything holds what it can, and says what would have to give, truly', () => {
    let short = 0;
    fc.assert(
      fc.property(inputs, (input) => {
        const busy = input.busy.map((b, i) => ({ ...b, title: `Shift ${i}` }));
        const answer = planOrSay({ ...input, nights: [], busy });
        holds(input, answer.sittings, answer.left);
        if (answer.left.length === 0) return;
        short += 1;
        expect(plan(input)).toBeNull();
        for (const give of answer.gives) {
          if (give.code === 'longer-sittings') {
            const limits = { ...input.limits, sittingMinutes: give.minutes };
            expect(plan({ ...input, limits })).not.toBeNull();
          }
          if (give.code === 'busy') {
            const fewer = busy.filter((b) => b.title !== give.title);
            expect(plan({ ...input, busy: fewer })).not.toBeNull();
          }
        }
      }),
      { numRuns: 80 },
    );
    expect(short).toBeGreaterThan(10);
  });

  it('keeps time free before a deadline where there is time', () => {
    const deadline = minute(2_000);
    const [first] =
      plan({
        now: NOW,
        tasks: [{ id: 'a', minutes: 60, release: NOW, deadline }],
        busy: [{ start: NOW, end: minute(1_200) }],
        limits: { sittingMinutes: 60, breakMinutes: 15 },
      }) ?? [];
    expect(deadline - (first?.end ?? 0)).toBeGreaterThan(0.25 * 700 * 60_000);
  });

  it('takes the earlier deadline first', () => {
    const sittings = plan({
      now: NOW,
      tasks: [
        { id: 'sunday', minutes: 45, release: NOW, deadline: minute(5_000) },
        { id: 'thursday', minutes: 45, release: NOW, deadline: minute(2_000) },
      ],
      busy: [],
      limits: { sittingMinutes: 120, breakMinutes: 15 },
    });
    expect(sittings?.flatMap((s) => s.pieces.map((p) => p.task))).toEqual(['thursday', 'sunday']);
    expect(SLOT_MINUTES).toBe(15);
  });

  it('with nothing to do is empty, and with no room at all is none', () => {
    const limits = { sittingMinutes: 60, breakMinutes: 15 };
    expect(plan({ now: NOW, tasks: [], busy: [], limits })).toEqual([]);
    const task = { id: 'a', minutes: 30, release: NOW, deadline: minute(200) };
    expect(plan({ now: NOW, tasks: [task], busy: [{ start: NOW, end: minute(300) }], limits })).toBeNull();
    expect(plan({ now: NOW, tasks: [{ ...task, deadline: minute(-10) }], busy: [], limits })).toBeNull();
  });
});
