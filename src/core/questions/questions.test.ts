import fc from 'fast-check';
import { settled, whoSees, type Asking } from './asking';
import { answeredWithin, usuallyWithin } from './pace';
import { isOpen, stateOf, type AnswerFacts } from './state';

const HOUR = 3_600_000;
const answer = (over: Partial<AnswerFacts> = {}): AnswerFacts => ({
  staff: false,
  own: false,
  confirmed: false,
  gone: false,
  ...over,
});

describe('where a question stands', () => {
  it('goes from nobody by classmates to what staff confirm, answer, or its asker says', () => {
    expect(stateOf('asks', [], false)).toBe('nobody');
    expect(stateOf('asks', [answer()], false)).toBe('classmates');
    expect(stateOf('asks', [answer()], true)).toBe('settled');
    expect(stateOf('asks', [answer(), answer({ confirmed: true })], true)).toBe('confirmed');
    expect(stateOf('asks', [answer(), answer({ staff: true })], false)).toBe('staff');
  });
  it('of a line is open again with what its student says next, and never by the order of other words', () => {
    const staff = answer({ staff: true });
    const own = answer({ own: true });
    expect(stateOf('line', [staff], false)).toBe('staff');
    expect(stateOf('line', [staff, own], false)).toBe('nobody');
    expect(stateOf('line', [staff, own, staff], false)).toBe('staff');
    // What its student took back waits for nothing.
    expect(stateOf('line', [staff, { ...own, gone: true }], false)).toBe('staff');
    expect(stateOf('asks', [staff, own], false)).toBe('staff');
  });
  it('is nothing for what does not ask, and its asker’s own follow-ups answer nothing', () => {
    expect(stateOf('tells', [answer({ staff: true })], true)).toBeNull();
    expect(stateOf('asks', [answer({ own: true }), answer({ own: true })], false)).toBe('nobody');
  });

  const facts = fc.record({
    staff: fc.boolean(),
    own: fc.boolean(),
    confirmed: fc.boolean(),
    gone: fc.boolean(),
  });
  const ORDER = ['nobody', 'classmates', 'settled', 'confirmed', 'staff'];
  it('one more answer never takes it back, nor does the order of answers matter', () =>
    fc.assert(
      fc.property(fc.array(facts), facts, fc.boolean(), (all, more, said) => {
        const before = ORDER.indexOf(stateOf('asks', all, said) ?? '');
        expect(ORDER.indexOf(stateOf('asks', [more, ...all], said) ?? '')).toBeGreaterThanOrEqual(before);
        expect(stateOf('asks', [...all].reverse(), said)).toBe(stateOf('asks', all, said));
      }),
    ));
  it('what is gone counts as if it had never been', () =>
    fc.assert(
      fc.property(fc.array(facts), fc.boolean(), (all, said) => {
        expect(stateOf('asks', all, said)).toBe(
          stateOf(
            'asks',
            all.filter((a) => !a.gone),
            said,
          ),
        );
      }),
    ));
  it('waits as long as neither staff nor its asker have said so', () => {
    expect(['nobody', 'classmates', 'confirmed', 'staff', 'settled'].map((s) => isOpen(s as never))).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('who asks, and whom', () => {
  const asking = (over: Partial<Asking>): Asking => ({
    kind: 'asks',
    audience: 'everybody',
    cover: 'no',
    about: null,
    ...over,
  });
  const open = { grouped: true, coverFromStaff: true, corner: true, staff: false };

  it('a line goes to staff alone and under one’s name, whatever was chosen', () => {
    expect(settled(asking({ kind: 'line', audience: 'everybody', cover: 'all' }), open)).toMatchObject({
      asking: { audience: 'staff', cover: 'no' },
    });
  });
  it('a name is not covered from a class that sees nothing, and not from staff where the course does not take it', () => {
    expect(settled(asking({ audience: 'staff', cover: 'class' }), open)).toMatchObject({
      asking: { cover: 'no' },
    });
    expect(settled(asking({ cover: 'all' }), { ...open, coverFromStaff: false })).toEqual({
      ok: false,
      failure: { code: 'no-cover-from-staff' },
    });
    expect(settled(asking({ audience: 'group' }), { ...open, grouped: false })).toMatchObject({ ok: false });
  });
  it('staff cover no name, they alone offer hours to meet, and a corner is there where the course keeps one', () => {
    expect(settled(asking({ cover: 'class' }), { ...open, staff: true })).toMatchObject({
      asking: { cover: 'no' },
    });
    expect(settled(asking({ kind: 'meets' }), open)).toEqual({ ok: false, failure: { code: 'staff-only' } });
    expect(settled(asking({ kind: 'corner', audience: 'staff' }), open)).toMatchObject({
      asking: { audience: 'everybody' },
    });
    expect(settled(asking({ kind: 'corner' }), { ...open, corner: false })).toMatchObject({
      failure: { code: 'no-corner' },
    });
  });
  it('is said beside the button, before', () => {
    const course = { classmates: 25, group: { name: 'Group B', others: 4 }, staff: ['Dr. Holt'] };
    expect(whoSees({ audience: 'everybody', cover: 'class' }, course)).toBe(
      '25 people and Dr. Holt will see it. The class does not see your name; Dr. Holt does.',
    );
    expect(
      whoSees({ audience: 'staff', cover: 'no' }, { ...course, staff: ['Dr. Holt', 'Bastian Grey'] }),
    ).toBe('Dr. Holt and Bastian Grey and nobody else will see it. Your name stands beside it.');
    expect(whoSees({ audience: 'group', cover: 'all' }, course)).toBe(
      '4 people of Group B, and Dr. Holt, will see it. Nobody sees your name, nor can anybody here look it up.',
    );
  });
});

describe('how soon staff answer', () => {
  it('is what four of five answers kept to, by their own record, and nothing of too few', () => {
    expect(usuallyWithin([HOUR, 2 * HOUR])).toBeNull();
    expect(usuallyWithin([HOUR, 30 * HOUR, 2 * HOUR, 4 * HOUR, 3 * HOUR])).toBe(4);
    expect([1, 5, 20, 40].map(answeredWithin)).toEqual([
      'usually answered within an hour',
      'usually answered within 5 hours',
      'usually answered within a day',
      'usually answered within 2 days',
    ]);
    expect(answeredWithin(null)).toBe('');
  });
});
