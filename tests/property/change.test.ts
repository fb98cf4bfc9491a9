import fc from 'fast-check';
import { isWorse, remeasured, touchedBy, unmetAfter } from '@/core/counting/change';
import { ledger } from '@/core/counting/ledger';
import type { LedgerInput } from '@/core/counting/types';
import { instant, personId } from '@/core/ids';
import { CHECKS, inputs } from '../fixtures/accounts';

const check = (property: (i: LedgerInput) => void) =>
  fc.assert(fc.property(inputs, property), { numRuns: 500 });
const checks = fc.subarray(CHECKS);

/** What a ledger says, as somebody reads it who knows of no change: state by state, post by post. */
const read = (i: LedgerInput) => {
  const { obligations, verdicts, complete } = ledger(i);
  return {
    met: obligations.filter((o) => ['counted', 'late', 'excused'].includes(o.state)).length,
    counted: verdicts.filter((v) => v.counted).map((v) => Number(v.post)),
    owed: obligations.length,
    complete,
  };
};

describe('what a change does to what already counted', () => {
  it('is nothing where nothing is changed', () =>
    check((i) => expect(touchedBy([{ before: i, after: structuredClone(i) }])).toEqual([])));

  it('is what two accounts from scratch differ by, for any change at all', () =>
    fc.assert(
      fc.property(inputs, inputs, (before, other) => {
        // Any other rules, schedule, side or excusal, over the same posts.
        const after = { ...other, posts: before.posts, begun: before.begun, now: before.now };
        const [was, is] = [read(before), read(after)];
        const [touched] = touchedBy([{ before, after }]);
        const lost = was.counted.filter((p) => !is.counted.includes(p));
        const gained = is.counted.filter((p) => !was.counted.includes(p));
        if (!touched) {
          expect(is).toEqual({ ...was, counted: expect.arrayContaining(was.counted) });
          expect([lost, gained]).toEqual([[], []]);
          return;
        }
        expect(touched.loses.map(Number).sort()).toEqual(lost.sort());
        expect(touched.gains.map(Number).sort()).toEqual(gained.sort());
        expect(touched).toMatchObject({
          met: { was: was.met, is: is.met },
          owed: { was: was.owed, is: is.owed },
          complete: { was: was.complete, is: is.complete },
        });
      }),
      { numRuns: 800 },
    ));

  it('takes nothing from anybody by asking for less, or by a later deadline', () =>
    check((i) => {
      const { replies } = i.rules;
      const less: LedgerInput[] = [
        { ...i, excused: true },
        { ...i, rules: { ...i.rules, replies: { ...replies, staffCount: true } } },
        { ...i, rules: { ...i.rules, sealed: false } },
        { ...i, rules: { ...i.rules, replies: { ...replies, otherSide: false } } },
        { ...i, rules: { ...i.rules, replies: { ...replies, distinctDays: undefined } } },
        { ...i, rules: { ...i.rules, replies: { ...replies, count: Math.max(0, replies.count - 1) } } },
      ];
      for (const after of less) {
        const complete = { was: ledger(i).complete, is: ledger(after).complete };
        if (complete.was) expect(complete.is).toBe(true);
      }
      const free = less[0] as LedgerInput;
      for (const t of touchedBy([{ before: i, after: free }])) expect(isWorse(t)).toBe(false);
    }));

  it('names each student once, and only those it touches', () =>
    fc.assert(
      fc.property(fc.array(inputs, { maxLength: 6 }), (all) => {
        const pairs = all.map((before, i) => {
          const named = { ...before, student: personId(`s${i}`) };
          return { before: named, after: { ...named, rules: { ...named.rules, sealed: false } } };
        });
        const touched = touchedBy(pairs);
        expect(new Set(touched.map((t) => t.student)).size).toBe(touched.length);
        for (const { before, after } of pairs)
          if (JSON.stringify(ledger(before)) === JSON.stringify(ledger(after)))
            expect(touched.map((t) => t.student)).not.toContain(before.student);
      }),
      { numRuns: 200 },
    ));
});

describe('a shared text whose prompt asks for something else', () => {
  it('lacks nothing that it did not lack when it was shared', () =>
    fc.assert(
      fc.property(checks, checks, (was, now) => {
        const left = unmetAfter(was, now);
        expect(was).toEqual(expect.arrayContaining(left));
        expect(now).toEqual(expect.arrayContaining(left));
        if (was.length === 0) expect(left).toEqual([]);
        expect(unmetAfter(was, was)).toEqual(was);
      }),
    ));

  it('is measured text by text, and one that was not measured stays', () => {
    const at = (n: number) => instant(n);
    const versions = [
      { at: at(1), unmet: ['words' as const] },
      { at: at(2), unmet: ['words' as const, 'sources' as const] },
    ];
    expect(remeasured(versions, new Map([[1, ['sources']]])).map((v) => v.unmet)).toEqual([
      ['words'],
      ['sources'],
    ]);
  });
});
