import fc from 'fast-check';
import { briefFor, countingRules, NO_PART } from '@/core/brief/part-played';
import { ledger } from '@/core/counting/ledger';
import type { LedgerInput } from '@/core/counting/types';
import { brief } from '../fixtures/build';
import { inputs } from '../fixtures/accounts';

const check = (property: (i: LedgerInput) => void) =>
  fc.assert(fc.property(inputs, property), { numRuns: 600 });

describe('the ledger, however a discussion asks', () => {
  it('owes the replies that are asked for, and a response only where one is', () =>
    check((i) => {
      const { obligations, verdicts } = ledger(i);
      expect(obligations.filter((o) => o.kind === 'response')).toHaveLength(
        i.rules.response === false ? 0 : 1,
      );
      expect(obligations.filter((o) => o.kind === 'reply')).toHaveLength(i.rules.replies.count);
      expect(verdicts).toHaveLength(i.posts.length);
      if (i.rules.response === false)
        for (const v of verdicts.filter((x) => x.kind === 'response')) expect(v.counted).toBe(false);
    }));

  it('counts no reply to one’s own side where the other side is to be answered, and says so', () =>
    check((i) => {
      const { verdicts } = ledger(i);
      const own = i.posts.filter(
        (p) =>
          p.kind === 'reply' &&
          i.rules.replies.otherSide &&
          i.side != null &&
          p.to?.side === i.side &&
          !p.to.staff,
      );
      for (const p of own) expect(verdicts.find((v) => v.post === p.id)?.counted).toBe(false);
      for (const v of verdicts.filter((x) => x.reason === 'same-side'))
        expect(own.map((p) => p.id)).toContain(v.post);
    }));

  it('is the same with sides as without them where nobody was given one', () =>
    check((i) => {
      const sideless = {
        ...i,
        side: null,
        posts: i.posts.map((p) => ({ ...p, to: p.to && { ...p.to, side: null } })),
      };
      const without = {
        ...sideless,
        rules: { ...i.rules, replies: { ...i.rules.replies, otherSide: false } },
      };
      expect(ledger(sideless)).toEqual(ledger(without));
    }));
});

describe('the brief for one student', () => {
  const asked = brief({ sealed: true, leader: { replies: 5 } });
  it('is everybody’s for whoever was given nothing', () => expect(briefFor(asked, NO_PART)).toEqual(asked));
  it('asks the leader for the leader’s replies, unsealed', () =>
    expect(briefFor(asked, { side: null, leads: true })).toMatchObject({
      sealed: false,
      replies: { count: 5 },
    }));
  it('seals nothing, and counts answers to staff, where nobody owes a response', () => {
    const only = brief({ sealed: true, response: { asked: false } });
    const rules = countingRules(briefFor(only, NO_PART));
    expect([rules.response, rules.sealed, rules.replies.staffCount]).toEqual([false, false, true]);
  });
});
