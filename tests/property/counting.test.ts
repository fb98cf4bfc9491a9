import fc from 'fast-check';
import { assign, type Candidate } from '@/core/counting/assign';
import { ledger } from '@/core/counting/ledger';
import { sealFor } from '@/core/counting/seal';
import { previewVerdict } from '@/core/counting/preview';
import { summarise } from '@/core/counting/summary';
import type { LedgerInput, OwnPost } from '@/core/counting/types';
import { instant, personId, postId } from '@/core/ids';
import { lateRules } from '../fixtures/accounts';
import { account, at, ME, schedule } from '../fixtures/build';

const PEOPLE = ['a', 'b', 'c', 'd', ME];
const HOUR = 3_600_000;

/** A history of posts in order of time, from before the opening to long after the end. */
const history: fc.Arbitrary<OwnPost[]> = fc
  .array(
    fc.record({
      hours: fc.integer({ min: 0, max: 220 }),
      response: fc.boolean(),
      to: fc.constantFrom(...PEOPLE),
      staff: fc.boolean(),
      private: fc.boolean(),
      withdrawn: fc.boolean(),
      hidden: fc.boolean(),
      unmet: fc.boolean(),
      edit: fc.option(fc.record({ after: fc.integer({ min: 1, max: 60 }), unmet: fc.boolean() })),
    }),
    { maxLength: 9 },
  )
  .map((drawn) =>
    drawn
      .sort((x, y) => x.hours - y.hours)
      .map((d, i): OwnPost => {
        const when = (h: number) => instant(at('Mon 00:00') + h * HOUR);
        const version = (h: number, unmet: boolean) => ({
          at: when(h),
          unmet: unmet ? ['words' as const] : [],
        });
        return {
          id: postId(i + 1),
          kind: d.response ? 'response' : 'reply',
          to: d.response ? null : { person: personId(d.to), staff: d.staff && d.to !== ME },
          private: d.private && !d.response,
          withdrawn: d.withdrawn && d.unmet,
          hidden: d.hidden && d.unmet,
          versions: [
            version(d.hours, d.unmet),
            ...(d.edit ? [version(d.hours + d.edit.after, d.edit.unmet)] : []),
          ],
        };
      }),
  );

const input: fc.Arbitrary<LedgerInput> = fc
  .record({
    posts: history,
    late: lateRules,
    count: fc.integer({ min: 0, max: 4 }),
    distinctPeers: fc.boolean(),
    days: fc.option(fc.integer({ min: 2, max: 3 }), { nil: undefined }),
    staffCount: fc.boolean(),
    sealed: fc.boolean(),
    excused: fc.boolean(),
    hoursNow: fc.integer({ min: 0, max: 400 }),
  })
  .map((d) => {
    const now = instant(at('Mon 00:00') + d.hoursNow * HOUR);
    return account({
      schedule: schedule({ late: d.late }),
      posts: d.posts.filter((p) => p.versions.every((v) => v.at <= now)),
      rules: {
        replies: {
          count: d.count,
          distinctPeers: d.distinctPeers,
          distinctDays: d.days,
          staffCount: d.staffCount,
        },
        sealed: d.sealed,
      },
      excused: d.excused,
      now,
    });
  });

const check = (property: (i: LedgerInput) => void) =>
  fc.assert(fc.property(input, property), { numRuns: 600 });

describe('the ledger, for any history', () => {
  it('owes one response and N replies, and gives every post one verdict', () =>
    check((i) => {
      const result = ledger(i);
      expect(result.obligations).toHaveLength(1 + i.rules.replies.count);
      expect(new Set(result.verdicts.map((v) => v.post))).toEqual(new Set(i.posts.map((p) => p.id)));
    }));

  it('names for every filled obligation exactly one post, and each post once', () =>
    check((i) => {
      const result = ledger(i);
      const filled = result.obligations.filter((o) => o.post !== null);
      expect(new Set(filled.map((o) => o.post)).size).toBe(filled.length);
      const counted = result.verdicts.filter((v) => v.counted).map((v) => v.post);
      const standing = filled.filter((o) => o.state !== 'short').map((o) => o.post);
      expect(new Set(counted)).toEqual(new Set(standing));
    }));

  it('never counts a post that is private, withdrawn, hidden, to oneself or short', () =>
    check((i) => {
      for (const v of ledger(i).verdicts.filter((x) => x.counted)) {
        const post = i.posts.find((p) => p.id === v.post);
        expect(post).toMatchObject({ private: false, withdrawn: false, hidden: false });
        expect(v.unmet).toEqual([]);
        expect(post?.to?.person).not.toBe(ME);
        if (!i.rules.replies.staffCount) expect(post?.to?.staff ?? false).toBe(false);
      }
    }));

  it('never counts two replies to one classmate, nor too few days, where the brief forbids it', () =>
    check((i) => {
      const { replies } = i.rules;
      const filled = ledger(i).obligations.filter((o) => o.kind === 'reply' && o.post !== null);
      const people = filled.map((o) => i.posts.find((p) => p.id === o.post)?.to?.person);
      if (replies.distinctPeers) expect(new Set(people).size).toBe(people.length);
      if (replies.distinctDays && filled.length === replies.count) {
        const days = new Set(filled.map((o) => new Date(o.at ?? 0).toISOString().slice(0, 10)));
        expect(days.size).toBeGreaterThanOrEqual(Math.min(replies.distinctDays, replies.count));
      }
    }));

  it('says late exactly for what came after its deadline, and penalises within the rule', () =>
    check((i) => {
      for (const o of ledger(i).obligations) {
        if (o.state === 'counted') expect(o.at).toBeLessThan(o.deadline.due);
        if (o.state === 'late') {
          expect(o.at).toBeGreaterThanOrEqual(o.deadline.due);
          expect(o.at).toBeLessThan(o.deadline.closes);
        }
        const { late: rule } = i.schedule;
        expect(o.penaltyPercent).toBeLessThanOrEqual(rule.rule === 'penalty' ? 100 - rule.floorPercent : 0);
      }
    }));

  it('does not depend on the order in which posts are given', () =>
    check((i) => {
      const states = (x: LedgerInput) => ledger(x).obligations.map((o) => `${o.state} ${o.post}`);
      expect(states({ ...i, posts: [...i.posts].reverse() })).toEqual(states(i));
    }));

  it('owes nothing that cannot be met: missed and excused are not in the sum', () =>
    check((i) => {
      const result = ledger(i);
      const s = summarise(result, i.now);
      const open = (s.owedResponse ? 1 : 0) + s.owedReplies;
      const closed = result.obligations.filter((o) =>
        ['counted', 'late', 'missed', 'excused'].includes(o.state),
      ).length;
      expect(open + closed).toBeLessThanOrEqual(result.obligations.length);
      expect(s.next === null).toBe(open === 0);
    }));

  it('fills no fewer obligations when one more post is shared', () =>
    check((i) => {
      const before = ledger(i).verdicts.filter((v) => v.counted).length;
      const extra: OwnPost = {
        id: postId(99),
        kind: 'reply',
        to: { person: personId('e'), staff: false },
        private: false,
        withdrawn: false,
        hidden: false,
        versions: [{ at: i.now, unmet: [] }],
      };
      const after = ledger({ ...i, posts: [...i.posts, extra] }).verdicts.filter((v) => v.counted).length;
      expect(after).toBeGreaterThanOrEqual(before);
    }));
});

describe('what is said before sharing', () => {
  it('is what the ledger says afterwards', () =>
    fc.assert(
      fc.property(
        input,
        fc.record({
          reply: fc.boolean(),
          to: fc.constantFrom(...PEOPLE),
          staff: fc.boolean(),
          secret: fc.boolean(),
          unmet: fc.boolean(),
        }),
        (i, d) => {
          const draft = d.reply
            ? { kind: 'reply' as const, to: { person: personId(d.to), staff: d.staff }, private: d.secret }
            : { kind: 'response' as const, to: null };
          const unmet = d.unmet ? ['words' as const] : [];
          const before = previewVerdict(i, draft, unmet);
          const shared: OwnPost = {
            id: postId(1_000),
            kind: draft.kind,
            to: draft.to,
            private: ('private' in draft && draft.private) || false,
            withdrawn: false,
            hidden: false,
            versions: [{ at: i.now, unmet }],
          };
          const after = ledger({ ...i, posts: [...i.posts, shared] }).verdicts.find((v) => v.post === 1_000);
          expect({ ...before, post: 0 }).toEqual({ ...after, post: 0 });
        },
      ),
      { numRuns: 600 },
    ));
});

describe('choosing which replies stand for the obligations', () => {
  const candidates = fc.array(
    fc.record({ person: fc.constantFrom('a', 'b', 'c', 'd'), day: fc.constantFrom('1', '2', '3') }),
    { maxLength: 8 },
  );
  const rules = fc.record({
    count: fc.integer({ min: 0, max: 4 }),
    distinctPeers: fc.boolean(),
    distinctDays: fc.option(fc.integer({ min: 2, max: 3 }), { nil: undefined }),
  });

  /** The slow way: every subset, kept when it fits the rules and can still be completed. */
  function most(
    all: Candidate[],
    r: { count: number; distinctPeers: boolean; distinctDays?: number },
  ): number {
    const days = Math.min(r.distinctDays ?? 0, r.count);
    let best = 0;
    for (let mask = 0; mask < 1 << all.length; mask += 1) {
      const set = all.filter((_, k) => mask & (1 << k));
      const people = new Set(set.map((c) => c.person)).size;
      const onDays = new Set(set.map((c) => c.day)).size;
      const fits =
        set.length + Math.max(0, days - onDays) <= r.count && (!r.distinctPeers || people === set.length);
      if (fits) best = Math.max(best, set.length);
    }
    return best;
  }

  it('finds as many as trying every choice does', () =>
    fc.assert(
      fc.property(candidates, rules, (drawn, r) => {
        const all = drawn.map((c, key): Candidate => ({ ...c, key, tier: 0 }));
        expect(assign(all, r).size).toBe(most(all, r));
      }),
      { numRuns: 1_500 },
    ));

  it('never gives up a better reply for a worse one', () =>
    fc.assert(
      fc.property(candidates, candidates, rules, (good, bad, r) => {
        const first = good.map((c, key): Candidate => ({ ...c, key, tier: 0 }));
        const second = bad.map((c, key): Candidate => ({ ...c, key: 100 + key, tier: 1 }));
        const chosen = assign([...first, ...second], r);
        expect([...chosen].filter((k) => k < 100).length).toBe(most(first, r));
      }),
      { numRuns: 800 },
    ));
});

describe('the seal, for any history', () => {
  const rules = fc.record({ sealed: fc.constant(true), opensWithAny: fc.boolean() });
  const moments = fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 1, maxLength: 12 });

  it('never closes again once it was open, and is open exactly when the rule says, looked at moment by moment', () => {
    fc.assert(
      fc.property(history, rules, lateRules, moments, (posts, rule, lateRule, hours) => {
        const plan = schedule({ late: lateRule });
        let open = false;
        for (const h of [...hours].sort((a, b) => a - b)) {
          const now = instant(at('Mon 00:00') + h * HOUR);
          // What is known at that moment and not later.
          const known = posts.flatMap((p) => {
            const versions = p.versions.filter((v) => v.at <= now);
            return versions.length ? [{ ...p, versions }] : [];
          });
          const stand = known.filter((p) => p.kind === 'response' && !p.withdrawn);
          const should =
            now >= plan.closes ||
            stand.some(
              (p) =>
                rule.opensWithAny || now >= plan.response.due || p.versions.some((v) => v.unmet.length === 0),
            );
          const seal = sealFor({ rule, posts: known, schedule: plan, now });
          expect(seal === null).toBe(should);
          if (open) expect(seal).toBeNull();
          open = seal === null;
          if (seal?.opens) expect(seal.opens).toBeGreaterThan(now);
        }
      }),
    );
  });
});
