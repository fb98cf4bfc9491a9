import { instantOf } from '../deadlines/wallclock';
import { personId, postId } from '../ids';
import { rulesFromFields, typedTime } from './fields';
import { forecast } from './forecast';
import { groupNotices } from './group';
import { concerns, follows, type Hearer, type SharedPost } from './hears';
import { remindersOf } from './reminders';
import { onceADay, rulesSchema, USUAL_RULES, wayOf } from './rules';
import { beforeInWords, namesInWords, nextStep, noticeTitle, roughly, type NoticeFacts } from './say';
import { afterQuiet, beforeQuiet, dueAt, isQuiet } from './when';

const at = (wall: string, zone = 'UTC') => instantOf(wall, zone);
const [imani, noor, jun] = ['imani', 'noor', 'jun'].map(personId) as [
  ReturnType<typeof personId>,
  ReturnType<typeof personId>,
  ReturnType<typeof personId>,
];

describe('when a notice is sent', () => {
  it.each([
    ['at once by day', 'once', '2026-10-13T10:20', '2026-10-13T10:20'],
    ['at once at night: when the quiet is over', 'once', '2026-10-13T23:30', '2026-10-14T07:00'],
    ['at once in the small hours', 'once', '2026-10-14T03:00', '2026-10-14T07:00'],
    ['gathered: at the next of the times', 'gathered', '2026-10-13T10:20', '2026-10-13T13:00'],
    ['gathered after the last of them: the next morning', 'gathered', '2026-10-13T18:00', '2026-10-14T08:00'],
    ['once a day', 'daily', '2026-10-13T18:01', '2026-10-14T18:00'],
  ] as const)('%s', (_, way, happened, sent) =>
    expect(dueAt(way, at(happened), USUAL_RULES, 'UTC')).toBe(at(sent)),
  );
  it('only here: never', () => expect(dueAt('here', at('2026-10-13T10:00'), USUAL_RULES, 'UTC')).toBeNull());
  it('not on a quiet day, nor in the night after it', () => {
    const rules = { ...USUAL_RULES, quietDays: [6] };
    // Friday 23:00: the night leads into Saturday, which is quiet, whose night leads into Sunday.
    expect(dueAt('once', at('2026-10-16T23:00'), rules, 'UTC')).toBe(at('2026-10-18T07:00'));
    expect(isQuiet(at('2026-10-17T12:00'), rules, 'UTC')).toBe(true);
  });
  it('by the clock of its reader, in the night the clocks go back too', () => {
    const rules = { ...USUAL_RULES, quiet: { from: '00:30', to: '01:30' } };
    // London shows 01:30 twice that night: the later ends the quiet, as a deadline would.
    expect(afterQuiet(at('2026-10-25T00:45', 'Europe/London'), rules, 'Europe/London')).toBe(
      at('2026-10-25T01:30', 'Europe/London'),
    );
  });
  it('goes before the quiet where that is asked', () =>
    expect(beforeQuiet(at('2026-10-14T05:00'), USUAL_RULES, 'UTC')).toBe(at('2026-10-13T21:59')));
});

describe('who hears of a post', () => {
  const post = (over: Partial<SharedPost> = {}): SharedPost => ({
    id: postId(9),
    author: noor,
    kind: 'reply',
    thread: postId(4),
    answers: imani,
    named: [],
    readers: null,
    ...over,
  });
  const hearer = (over: Partial<Hearer> = {}): Hearer => ({
    id: jun,
    staff: false,
    sealed: false,
    discussion: { follows: null, way: null, since: null },
    threads: new Map(),
    ...over,
  });
  it('whose post it answers, once, though it names them too', () => {
    expect(concerns(post({ named: [imani] }), { id: imani, staff: false, sealed: false })).toBe('reply');
    expect(concerns(post({ named: [jun] }), { id: jun, staff: false, sealed: false })).toBe('name');
    expect(follows(post(), hearer({ id: imani }))).toBeNull();
  });
  it('never its author, nobody behind the seal, and nobody who may not read it', () => {
    expect(concerns(post({ answers: noor }), { id: noor, staff: false, sealed: false })).toBeNull();
    expect(concerns(post(), { id: imani, staff: false, sealed: true })).toBeNull();
    expect(
      concerns(post({ named: [jun], readers: [noor, imani] }), { id: jun, staff: false, sealed: false }),
    ).toBeNull();
    // Staff are never sealed out.
    expect(concerns(post({ named: [jun] }), { id: jun, staff: true, sealed: true })).toBe('name');
  });
  it('who has shared there, as long as they did not choose otherwise; a thread goes before its discussion', () => {
    const shared = { follows: null, way: 'daily', since: postId(5) } as const;
    // Who came after it hears nothing of it.
    expect(follows(post(), hearer({ discussion: { ...shared, since: postId(10) } }))).toBeNull();
    expect(follows(post(), hearer())).toBeNull();
    expect(follows(post(), hearer({ discussion: shared }))).toEqual([null, 'daily']);
    expect(follows(post(), hearer({ discussion: { ...shared, follows: false } }))).toBeNull();
    const left = new Map([[postId(4), { follows: false, way: null, since: postId(6) }]]);
    expect(follows(post(), hearer({ discussion: shared, threads: left }))).toBeNull();
    const wrote = new Map([[postId(4), { follows: null, way: 'once', since: postId(6) } as const]]);
    expect(follows(post(), hearer({ threads: wrote }))).toEqual(['once', null]);
  });
});

describe('the way a notice goes', () => {
  it('is by its kind, and for new posts by what was chosen for their place', () => {
    expect(wayOf('post', USUAL_RULES)).toBe('gathered');
    expect(wayOf('post', USUAL_RULES, [null, 'here'])).toBe('here');
    expect(wayOf('reply', USUAL_RULES, ['here'])).toBe('once');
    expect(wayOf('report', { ...USUAL_RULES, ways: { ...USUAL_RULES.ways, desk: 'daily' } })).toBe('daily');
  });
  it('is mail for announcements and reminders, whatever is chosen, and this page alone for what is said of mail', () => {
    const here = { ...USUAL_RULES, ways: { ...USUAL_RULES.ways, reply: 'here', mark: 'here' } } as const;
    expect(wayOf('announcement', here, ['here'])).toBe('once');
    expect(wayOf('deadline', here)).toBe('once');
    expect(wayOf('mail', USUAL_RULES)).toBe('here');
  });
});

describe('reminders of deadlines', () => {
  const stops = [{ of: 'response' as const, due: at('2026-10-16T00:00') }];
  it('stand so long before as somebody chose, out of the quiet hours', () =>
    expect(remindersOf(stops, at('2026-10-12T06:00'), USUAL_RULES, 'UTC')).toEqual([
      { of: 'response', due: at('2026-10-16T00:00'), minutes: 4_320, at: at('2026-10-13T07:00') },
      { of: 'response', due: at('2026-10-16T00:00'), minutes: 300, at: at('2026-10-15T19:00') },
    ]));
  it('come before the quiet where the deadline would be over after it', () => {
    const [only] = remindersOf(
      [{ of: 'replies', due: at('2026-10-17T05:00') }],
      at('2026-10-16T06:00'),
      { ...USUAL_RULES, before: [120] },
      'UTC',
    );
    expect(only?.at).toBe(at('2026-10-16T21:59'));
  });
  it('come before the quiet also where it begins in the hour that clocks leave out', () => {
    // London, 29 March 2026: after 00:59 comes 02:00. It is quiet from 01:59 until midnight.
    const quiet = { from: '01:59', to: '00:00' };
    const due = at('2026-03-29T02:35', 'Europe/London');
    const [only] = remindersOf(
      [{ of: 'response', due }],
      at('2026-03-01T00:00'),
      { ...USUAL_RULES, quiet, before: [15] },
      'Europe/London',
    );
    expect(only?.at).toBe(at('2026-03-29T00:59', 'Europe/London'));
  });
  it('none from before the discussion opened, and one where two fall together', () => {
    expect(remindersOf(stops, at('2026-10-14T06:00'), USUAL_RULES, 'UTC').map((r) => r.minutes)).toEqual([
      300,
    ]);
    const rules = { ...USUAL_RULES, before: [1_200, 1_080] };
    // Both in the night of the 14th: one is enough, the nearer.
    expect(remindersOf(stops, at('2026-10-12T06:00'), rules, 'UTC').map((r) => r.minutes)).toEqual([1_080]);
  });
});

describe('what a rule means', () => {
  it('is worked out from what was told of: one moment is one mail', () => {
    const past = [
      { kind: 'reply' as const, at: at('2026-10-13T10:00'), chosen: [] },
      { kind: 'reply' as const, at: at('2026-10-13T23:00'), chosen: [] },
      { kind: 'post' as const, at: at('2026-10-13T09:00'), chosen: [] },
      { kind: 'post' as const, at: at('2026-10-13T10:00'), chosen: [] },
      { kind: 'post' as const, at: at('2026-10-13T11:00'), chosen: ['here' as const] },
    ];
    expect(forecast(past, 1, USUAL_RULES, 'UTC')).toEqual({
      aWeek: 3,
      weeks: 1,
      once: 2,
      gathered: 2,
      into: 1,
      moved: 1,
    });
    expect(forecast([], 4, USUAL_RULES, 'UTC').aWeek).toBe(0);
  });

  it('is fewest with one mail a day, and what is only here stays only here', () => {
    const rules = { ...USUAL_RULES, ways: { ...USUAL_RULES.ways, name: 'here' as const } };
    const past = ['08:00', '09:00', '15:00', '21:00'].map((time, i) => ({
      kind: i % 2 ? ('name' as const) : ('reply' as const),
      at: at(`2026-10-13T${time}`),
      chosen: [],
    }));
    expect(forecast(past, 1, rules, 'UTC')).toMatchObject({ aWeek: 2, once: 2 });
    expect(forecast(past, 1, onceADay(rules), 'UTC')).toMatchObject({ aWeek: 1, gathered: 2, into: 1 });
  });
});

describe('the form of the rules', () => {
  it('reads times as people type them', () => {
    expect(['8', '8.30', ' 18:00 ', '7h15'].map(typedTime)).toEqual(['08:00', '08:30', '18:00', '07:15']);
    const fields = new URLSearchParams(
      'way-reply=daily&gatheredAt=18, 8;13&dailyAt=7&quiet=yes&quietFrom=22&quietTo=7',
    );
    for (const d of ['6', '7']) fields.append('quietDay', d);
    const read = rulesSchema.parse(rulesFromFields(fields));
    expect(read).toMatchObject({
      gatheredAt: ['08:00', '13:00', '18:00'],
      dailyAt: '07:00',
      quiet: { from: '22:00', to: '07:00' },
      quietDays: [6, 7],
      before: [],
    });
    expect(read.ways.reply).toBe('daily');
  });
  it('takes no week without a day on which anything is sent, and no time that there is not', () => {
    const days = (all: number[]) => rulesSchema.safeParse({ ...USUAL_RULES, quietDays: all }).success;
    expect(days([1, 2, 3, 4, 5, 6])).toBe(true);
    expect(days([1, 2, 3, 4, 5, 6, 7])).toBe(false);
    expect(rulesSchema.safeParse({ ...USUAL_RULES, dailyAt: '25:00' }).success).toBe(false);
  });
});

describe('what is said', () => {
  const facts = (over: Partial<NoticeFacts>): NoticeFacts => ({
    kind: 'reply',
    who: ['Teodora Lind'],
    count: 1,
    course: 'PLA 204',
    week: 6,
    asks: false,
    post: null,
    about: {},
    title: null,
    ...over,
  });
  it.each([
    [facts({ who: ['Teodora Lind', 'Rafi Castellan'] }), 'Teodora Lind and Rafi Castellan replied to you'],
    [facts({ kind: 'name', post: 188 }), 'Teodora Lind named you in #188'],
    [facts({ kind: 'post', count: 11 }), '11 new posts in PLA 204 week 6'],
    [facts({ kind: 'mark', about: { n: 2 } }), 'Your mark of week 6 was changed'],
    [
      facts({ kind: 'request', who: ['A B', 'C D'], about: { asks: 'time' } }),
      'A B and C D ask for more time in week 6',
    ],
    [
      facts({ kind: 'answer', about: { asks: 'question', question: 12 } }),
      'Teodora Lind answered in question 12',
    ],
    [
      facts({ kind: 'answer', about: { asks: 'question', question: 12, merged: 15 } }),
      'Your question 15 goes on in question 12',
    ],
    [
      facts({ kind: 'request', about: { asks: 'question', question: 12 } }),
      'Teodora Lind asks the staff: question 12',
    ],
    [facts({ kind: 'post', count: 2, asks: true }), '2 new answers among the questions of PLA 204'],
    [
      facts({ kind: 'deadline', about: { of: 'response', left: 4_320, have: 117, need: 250 } }),
      'PLA 204: the response is due in three days, 117 of 250 words stand',
    ],
    [
      facts({ kind: 'deadline', about: { of: 'replies', left: 300, replies: 2 } }),
      'PLA 204: two replies are due in five hours',
    ],
  ])('%j', (f, said) => expect(noticeTitle(f)).toBe(said));
  it('says how long it is until a deadline in days, hours or minutes, and that it is over', () => {
    expect([3 * 86_400_000 - 59_000, 18 * 3_600_000 + 10 * 60_000, 40 * 60_000, -5].map(roughly)).toEqual([
      4_320, 1_080, 40, 0,
    ]);
    expect(noticeTitle(facts({ kind: 'deadline', about: { of: 'response', left: 0 } }))).toBe(
      'PLA 204: the deadline of the response is over',
    );
  });
  it('names at most two, and how many more', () =>
    expect(namesInWords(['A', 'B', 'C', 'D'])).toBe('A, B and two others'));
  it('says stretches of time and the next step in words', () => {
    expect([1_440, 90, 45].map(beforeInWords)).toEqual(
      ['one day', 'one hour and thirty minutes', '45 minutes'].map((t) => t.replace('thirty', '30')),
    );
    expect(nextStep({ minutes: 40, step: 'go-on' })).toBe(
      'About 40 minutes at your pace. Next: go on with your draft.',
    );
  });
});

it('those of one topic stand together, seen and not seen apart', () => {
  const n = (topic: string, lastAt: number, seenAt: number | null) => ({ topic, lastAt, seenAt });
  const groups = groupNotices([n('a', 1, null), n('b', 2, null), n('a', 3, null), n('a', 4, 5)]);
  expect(groups.map((g) => g.map((x) => x.lastAt))).toEqual([[4], [3, 1], [2]]);
});
