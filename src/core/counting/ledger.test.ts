import { account, at, ME, reply, response, schedule } from '../../../tests/fixtures/build';
import { personId, postId } from '../ids';
import { ledger } from './ledger';
import type { LedgerInput } from './types';

const states = (input: LedgerInput) => ledger(input).obligations.map((o) => o.state);
const reasons = (input: LedgerInput) =>
  Object.fromEntries(ledger(input).verdicts.map((v) => [v.post, v.counted ? v.reason : `not: ${v.reason}`]));

describe('what is owed', () => {
  it('is one response and the brief’s number of replies', () => {
    expect(states(account())).toEqual(['owed', 'owed', 'owed', 'owed']);
  });

  it('is missed once its deadline is over and nothing late is taken', () => {
    const input = account({ posts: [response(1, 'Tue 10:00')], now: at('Mon 10:00') });
    expect(states({ ...input, now: schedule().replies.due })).toEqual([
      'counted',
      'missed',
      'missed',
      'missed',
    ]);
  });

  it('is excused where staff excuse it, but what was shared still counts', () => {
    const input = account({ excused: true, posts: [response(1, 'Tue 10:00')] });
    expect(states(input)).toEqual(['counted', 'excused', 'excused', 'excused']);
    expect(ledger(input).complete).toBe(true);
  });

  it('is excused also where something was shared that is short of what is asked', () => {
    const posts = [response(1, 'Tue 10:00', { unmet: ['words'] })];
    const result = ledger(account({ excused: true, posts }));
    expect(result.obligations.map((o) => o.state)).toEqual(['excused', 'excused', 'excused', 'excused']);
    expect(result.complete).toBe(true);
    expect(result.verdicts[0]?.reason).toBe('short');
  });

  it('cannot be replied to any more when a sealed discussion’s response was missed', () => {
    const result = ledger(account({ now: at('Fri 12:00') }));
    expect(result.obligations.map((o) => o.state)).toEqual(['missed', 'missed', 'missed', 'missed']);
    expect(result.obligations[1]?.barred).toBe(true);
  });

  it('is a draft while something is begun that would count', () => {
    const begun = [{ kind: 'response' as const, to: null }];
    expect(states(account({ begun }))).toEqual(['draft', 'owed', 'owed', 'owed']);
  });

  it('is no draft when the begun reply would not count', () => {
    const input = account({
      posts: [response(1, 'Mon 10:00'), reply(2, 'noor', 'Mon 11:00')],
      begun: [{ kind: 'reply', to: { person: personId('noor'), staff: false } }],
    });
    expect(states(input)).toEqual(['counted', 'counted', 'owed', 'owed']);
  });
});

describe('rule 1: the first shared response counts', () => {
  it('and later ones are further posts', () => {
    expect(reasons(account({ posts: [response(1, 'Mon 10:00'), response(2, 'Mon 12:00')] }))).toEqual({
      1: 'counted',
      2: 'not: further-response',
    });
  });

  it('and a withdrawn one leaves its place to the next', () => {
    const posts = [response(1, 'Mon 10:00', { withdrawn: true }), response(2, 'Mon 12:00')];
    expect(reasons(account({ posts }))).toEqual({ 1: 'not: withdrawn', 2: 'counted' });
  });
});

describe('rule 2: a reply counts when it answers another student, in sight of the class', () => {
  const first = response(1, 'Mon 10:00');
  it.each([
    ['private', reply(2, 'noor', 'Mon 11:00', { private: true }), 'not: private'],
    ['withdrawn', reply(2, 'noor', 'Mon 11:00', { withdrawn: true }), 'not: withdrawn'],
    ['hidden', reply(2, 'noor', 'Mon 11:00', { hidden: true }), 'not: hidden'],
    ['to oneself', reply(2, ME, 'Mon 11:00'), 'not: to-self'],
    ['to staff', reply(2, 'holt', 'Mon 11:00', { staff: true }), 'not: to-staff'],
    ['to a classmate', reply(2, 'noor', 'Mon 11:00'), 'counted'],
  ])('%s', (_name, post, expected) => {
    expect(reasons(account({ posts: [first, post] }))[2]).toBe(expected);
  });

  it('to staff counts where the brief says so', () => {
    const rules = { replies: { count: 1, distinctPeers: true, staffCount: true }, sealed: true };
    const posts = [first, reply(2, 'holt', 'Mon 11:00', { staff: true })];
    expect(reasons(account({ rules, posts }))[2]).toBe('counted');
  });
});

describe('rule 3: different classmates, different days', () => {
  it('takes only the first reply to each classmate, and names it', () => {
    const posts = [response(1, 'Mon 10:00'), reply(2, 'noor', 'Mon 11:00'), reply(3, 'noor', 'Tue 11:00')];
    const result = ledger(account({ posts }));
    expect(result.verdicts[2]).toMatchObject({
      counted: false,
      reason: 'same-classmate',
      instead: postId(2),
    });
  });

  it('takes a good second reply to a classmate when the first one was short', () => {
    const posts = [
      response(1, 'Mon 10:00'),
      reply(2, 'noor', 'Mon 11:00', { unmet: ['words'] }),
      reply(3, 'noor', 'Tue 11:00'),
    ];
    expect(reasons(account({ posts }))).toEqual({ 1: 'counted', 2: 'not: same-classmate', 3: 'counted' });
  });

  const onTwoDays = {
    replies: { count: 2, distinctPeers: true, distinctDays: 2, staffCount: false },
    sealed: false,
  };
  it('takes one reply a day where two days are asked for', () => {
    const posts = [response(1, 'Mon 10:00'), reply(2, 'noor', 'Mon 11:00'), reply(3, 'jun', 'Mon 12:00')];
    const result = ledger(account({ rules: onTwoDays, posts }));
    expect(result.verdicts[2]).toMatchObject({ counted: false, reason: 'same-day', instead: postId(2) });
  });

  it('finds the choice that fits both, whatever the order', () => {
    const posts = [
      response(1, 'Mon 10:00'),
      reply(2, 'noor', 'Mon 11:00'),
      reply(3, 'jun', 'Mon 12:00'),
      reply(4, 'noor', 'Tue 09:00'),
    ];
    const counted = ledger(account({ rules: onTwoDays, posts })).verdicts.filter((v) => v.counted);
    expect(counted.map((v) => v.post)).toEqual([1, 3, 4]);
  });

  it('counts days by the calendar of the course’s zone', () => {
    const late = reply(3, 'jun', 'Mon 23:30');
    const posts = [response(1, 'Mon 10:00'), reply(2, 'noor', 'Mon 11:00'), late];
    const athens = schedule({ zone: 'Europe/Athens' });
    expect(reasons(account({ rules: onTwoDays, posts, schedule: athens }))[3]).toBe('counted');
  });

  it('leaves what is beyond the number asked for uncounted', () => {
    const posts = ['a', 'b', 'c', 'd'].map((who, i) => reply(i + 2, who, `Mon 1${i}:30`));
    expect(reasons(account({ posts: [response(1, 'Mon 10:00'), ...posts] }))[5]).toBe('not: enough-already');
  });
});

describe('rule 4: behind the seal a reply follows one’s own response', () => {
  it('and one from before does not count', () => {
    const posts = [reply(1, 'noor', 'Mon 09:00'), response(2, 'Mon 10:00')];
    expect(reasons(account({ posts }))[1]).toBe('not: before-response');
  });
  it('but without a seal it may come first', () => {
    const rules = { ...account().rules, sealed: false };
    const posts = [reply(1, 'noor', 'Mon 09:00'), response(2, 'Mon 10:00')];
    expect(reasons(account({ rules, posts }))[1]).toBe('counted');
  });
});

describe('rule 5: required checks', () => {
  it('make a shared post short', () => {
    const result = ledger(account({ posts: [response(1, 'Mon 10:00', { unmet: ['words'] })] }));
    expect(result.obligations[0]).toMatchObject({ state: 'short', unmet: ['words'] });
    expect(result.verdicts[0]).toMatchObject({ counted: false, reason: 'short', n: 1 });
    expect(result.complete).toBe(false);
  });
});

describe('rule 7: late', () => {
  const late = { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 } as const;
  it('counts with the penalty of each started day', () => {
    const posts = [response(1, 'Sat 00:30')];
    const result = ledger(account({ schedule: schedule({ late }), posts, now: at('Sat 12:00') }));
    expect(result.obligations[0]).toMatchObject({ state: 'late', penaltyPercent: 20 });
    expect(result.verdicts[0]).toMatchObject({ counted: true, reason: 'late' });
  });
  it('an extension moves the deadline first', () => {
    const moved = schedule({ late, extensions: { response: '2026-10-16T23:59' } });
    const result = ledger(account({ schedule: moved, posts: [response(1, 'Fri 20:00')] }));
    expect(result.obligations[0]).toMatchObject({ state: 'counted', penaltyPercent: 0 });
  });
});

describe('rule 8: versions', () => {
  const edited = (unmet: [string, ('words' | 'title')[]][]) =>
    response(1, 'Mon 10:00', { versions: unmet.map(([when, u]) => ({ at: at(when), unmet: u })) });

  it('editing after the deadline keeps the original as the counted version', () => {
    const posts = [
      edited([
        ['Mon 10:00', []],
        ['Fri 09:00', ['words']],
      ]),
    ];
    expect(ledger(account({ posts })).obligations[0]).toMatchObject({
      state: 'counted',
      at: at('Mon 10:00'),
    });
  });
  it('editing before it makes the edit the one that is judged', () => {
    const posts = [
      edited([
        ['Mon 10:00', []],
        ['Tue 09:00', ['words']],
      ]),
    ];
    expect(ledger(account({ posts })).obligations[0]?.state).toBe('short');
  });
  it('a short post mended in time counts', () => {
    const posts = [
      edited([
        ['Mon 10:00', ['words']],
        ['Tue 09:00', []],
      ]),
    ];
    expect(ledger(account({ posts })).obligations[0]?.state).toBe('counted');
  });
});
