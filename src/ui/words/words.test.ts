import { arrivedText } from './conversation-bar';
import { ago } from './time';
import { summarise } from '@/core/counting/summary';
import { ledger } from '@/core/counting/ledger';
import { account, at, brief, reply, response, schedule } from '../../../tests/fixtures/build';
import { lateText } from './deadlines';
import { list, plural } from './plural';
import { shortSharedText } from './seal';
import { repliesAsked, replyRules, responseRules } from './rules';
import type { StatusInput } from '@/contract/status';
import { standing, tallyText } from './status';
import { moment, partOfDay, stretch } from './time';

const line = (over: Parameters<typeof account>[0] = {}, more: Partial<StatusInput> = {}) => {
  const input = account(over);
  const result = ledger(input);
  const s = summarise(result, input.now);
  return standing(
    {
      state:
        input.now >= input.schedule.closes
          ? 'closed'
          : input.now < input.schedule.opens
            ? 'upcoming'
            : 'open',
      schedule: input.schedule,
      ledger: result,
      draftChecks: null,
      replyDrafts: 0,
      unreadReplies: 0,
      sealed: s.owedResponse,
      ...more,
    },
    input.now,
  );
};

describe('what sharing a short response does', () => {
  const { response: due, zone } = schedule();
  it('leaves a seal that only a complete one opens, and says until when it can be completed', () => {
    expect(shortSharedText({ sealed: true, sealOpensWithAny: false }, due, zone)).toMatch(
      /not counted as it stands, and the conversation stays sealed to you until it is complete, .*You can complete it until Thu/u,
    );
  });
  it('opens a seal that any response opens', () => {
    expect(shortSharedText({ sealed: true, sealOpensWithAny: true }, due, zone)).toContain('opens to you');
  });
  it('says nothing of a seal where there is none', () => {
    expect(shortSharedText({ sealed: false, sealOpensWithAny: false }, due, zone)).not.toMatch(/seal|opens/u);
  });
});

describe('where a discussion stands, in words', () => {
  it('before it opens', () => {
    expect(line({ now: at('Mon 05:00') }).due.head).toBe('Opens in 1 h');
  });
  it('with a draft begun', () => {
    const draftChecks = [{ id: 'words' as const, have: 138, need: { min: 250 }, met: false, required: true }];
    const s = line({ begun: [{ kind: 'response', to: null }] }, { draftChecks });
    expect(s.detail).toBe('Draft kept, 138 of 250 words');
    expect(s.action).toEqual({ label: 'Continue draft', room: 'response', primary: true });
    expect(s.due).toMatchObject({ head: 'Response in 2 d 7 h', line: 'Thu 15 Oct, 23:59 · no late work' });
  });
  it('with replies owed', () => {
    const s = line({ posts: [response(1, 'Mon 10:00'), reply(2, 'noor', 'Mon 11:00')] });
    expect(s.detail).toBe('2 replies to write, 1 counted');
    expect(s.action.label).toBe('Choose a classmate');
  });
  it('under a late rule', () => {
    const late = { rule: 'accepted', days: 7 } as const;
    const s = line({ schedule: schedule({ late }), now: at('Fri 23:00') });
    expect(s.due.head).toBe('Response late, 6 d 1 h left');
  });
  it('with something missed and closed', () => {
    const posts = [response(1, 'Mon 10:00'), reply(2, 'a', 'Mon 11:00'), reply(3, 'b', 'Mon 12:00')];
    const s = line({ posts, now: schedule().closes });
    expect(s.detail).toBe('1 reply missed; closed for posting, open for reading');
    expect(s.due).toMatchObject({ head: 'Closed', line: 'since Sun 18 Oct, 23:59' });
  });
  it('complete', () => {
    const posts = [
      response(1, 'Mon 10:00'),
      ...['a', 'b', 'c'].map((w, i) => reply(i + 2, w, `Mon 1${i}:30`)),
    ];
    expect(line({ posts }).due.head).toBe('Complete');
    expect(tallyText(ledger(account({ posts })))).toBe('Response counted; 3 replies: 3 counted');
  });
  it('where replies alone are asked for, or nothing at all', () => {
    const asked = account().rules;
    const alone = { ...asked, response: false as const };
    expect(tallyText(ledger(account({ rules: alone })))).toBe('3 replies: 3 owed');
    const none = { ...alone, replies: { ...asked.replies, count: 0 } };
    expect(tallyText(ledger(account({ rules: none })))).toBe('Nothing asked');
    expect(line({ rules: none })).toMatchObject({
      detail: 'Nothing is asked of anybody here',
      due: { head: 'Nothing asked' },
    });
    expect(line({ excused: true }).due.head).toBe('Excused');
  });
});

describe('times', () => {
  it('are never rounded up', () => {
    expect(stretch(2 * 86_400_000 + 7 * 3_600_000 + 3_599_999)).toBe('2 d 7 h');
    expect(stretch(3_600_000 + 5 * 60_000)).toBe('1 h 05 min');
    expect(stretch(59_999)).toBe('under a minute');
  });
  it('name the weekday in the zone asked for', () => {
    expect(moment(Date.UTC(2026, 9, 13, 22, 30), 'Europe/Athens')).toBe('Wed 14 Oct, 01:30');
    expect(partOfDay(Date.UTC(2026, 9, 18, 22, 59), 'Europe/London')).toBe('Sunday night');
    expect(partOfDay(Date.UTC(2026, 9, 17, 7, 0), 'Europe/London')).toBe('Saturday morning');
  });
});

describe('rules', () => {
  const b = brief({
    parts: [{ id: '1', text: 'a' }],
    response: { words: { min: 250 }, sources: { min: 1 }, title: true },
    replies: {
      count: 2,
      distinctPeers: true,
      distinctDays: 2,
      words: { min: 25 },
      quotes: { min: 1 },
      advised: ['quotes'],
    },
  });
  it('are said in short phrases', () => {
    expect(responseRules(b).required).toEqual([
      'an answer to the question',
      'at least 250 own words',
      '1 source',
      'a title',
    ]);
    expect(replyRules(b)).toEqual({
      required: ['at least 25 words'],
      advised: ['a quotation from the classmate'],
    });
    expect(repliesAsked(b)).toBe('2 replies, to different classmates, on 2 different days');
    expect(lateText({ rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 })).toBe(
      '10 % off for each day begun, at most 3 days; then not accepted',
    );
  });
  it('and lists read as lists', () => {
    expect([list([]), list(['a']), list(['a', 'b', 'c'])]).toEqual(['', 'a', 'a, b and c']);
    expect([plural(1, 'reply', 'replies'), plural(2, 'reply', 'replies')]).toEqual(['1 reply', '2 replies']);
  });
});

describe('what has come since', () => {
  it('says how much, and how much of it one follows', () => {
    expect(arrivedText(0, 0, 0)).toBe('');
    expect(arrivedText(1, 0, 0)).toBe('1 new post');
    expect(arrivedText(1, 1, 0)).toBe('1 new post in a thread you follow');
    expect(arrivedText(3, 3, 0)).toBe('3 new posts in threads you follow');
    expect(arrivedText(3, 1, 0)).toBe('3 new posts, 1 in a thread you follow');
    expect(arrivedText(2, 0, 1)).toBe('2 new posts and 1 post changed');
  });
  it('is told in the largest unit that says something', () => {
    const hour = 3_600_000;
    expect([20_000, 5 * 60_000, 2.9 * hour, 25 * hour, 13.5 * 24 * hour, 20 * 24 * hour].map(ago)).toEqual([
      'just now',
      '5 min ago',
      '2 h ago',
      '1 d ago',
      '13 d ago',
      '2 weeks ago',
    ]);
  });
});
