import fc from 'fast-check';
import { at, schedule } from '../../../tests/fixtures/build';
import { instant } from '../ids';
import { firstChange, nextChange } from './next-change';
import { discussionState } from './state';

describe('the next change of a discussion', () => {
  const plain = schedule();
  it('is its opening, then a day before each deadline, each deadline, and its closing', () => {
    const seen: number[] = [];
    for (let now = nextChange(plain, instant(0)); now !== null; now = nextChange(plain, now)) seen.push(now);
    expect(seen).toEqual([
      at('Mon 06:00'),
      plain.response.due - 86_400_000 + 1,
      plain.response.due,
      plain.replies.due - 86_400_000 + 1,
      plain.replies.due,
    ]);
  });
  it('is never later than any change of state, whatever the late rule', () => {
    const late = fc.constantFrom(
      { rule: 'refused' } as const,
      { rule: 'accepted', days: 3 } as const,
      { rule: 'penalty', percentPerDay: 10, days: 2, floorPercent: 0 } as const,
    );
    const minute = fc.integer({ min: -2_000, max: 20_000 });
    const owed = fc.record({ response: fc.boolean(), replies: fc.boolean() });
    fc.assert(
      fc.property(late, minute, fc.integer({ min: 1, max: 3_000 }), owed, (rule, from, length, unmet) => {
        const s = schedule({ late: rule });
        const now = instant(at('Mon 00:00') + from * 60_000);
        const later = instant(now + length * 60_000);
        const change = nextChange(s, now);
        if (change !== null && change <= later) return;
        expect(discussionState(s, later, unmet)).toBe(discussionState(s, now, unmet));
      }),
      { numRuns: 1_000 },
    );
  });
  it('at the very minute a day before a deadline is that deadline’s coming near', () => {
    const now = instant(plain.response.due - 86_400_000);
    expect(discussionState(plain, now)).toBe('open');
    const change = nextChange(plain, now);
    expect(change !== null && discussionState(plain, change)).toBe('closing');
  });
  it('of several is the first of them, and of none is none', () => {
    const early = schedule({ opens: '2026-10-11T06:00' });
    expect(firstChange([plain, early], instant(0))).toBe(early.opens);
    expect(firstChange([], instant(0))).toBeNull();
  });
});
