import fc from 'fast-check';
import { instant, personId } from '../ids';
import { handsFor, mayRaise, type Hands } from './hands';

const HANDS: Hands = {
  choices: ['Friday', 'Saturday'],
  several: false,
  named: false,
  shown: 'now',
  closes: instant(1_000),
  raised: [],
};
const me = personId('00000000-0000-4000-8000-000000000001');
const somebody = (i: number) => personId(`00000000-0000-4000-9000-${String(i).padStart(12, '0')}`);
const raisedBy = (n: number, choice: number, from = 0) =>
  Array.from({ length: n }, (_, i) => ({ person: somebody(from + i), name: `N ${from + i}`, choice }));

it('is no more precise than five people where names are covered, and nothing where fewer have said', () => {
  expect(handsFor({ ...HANDS, raised: raisedBy(4, 0) }, me, instant(0))).toMatchObject({
    few: true,
    choices: null,
    people: 0,
  });
  const seventeen = { ...HANDS, raised: [...raisedBy(8, 0), ...raisedBy(9, 1, 8)] };
  // Eight, and of the nine the first seven: the fifteen who raised theirs first.
  expect(handsFor(seventeen, me, instant(0)).choices?.map((c) => c.n)).toEqual([10, 5]);
  expect(handsFor(seventeen, me, instant(1_000)).choices?.map((c) => c.n)).toEqual([10, 10]);
  expect(handsFor(seventeen, me, instant(0)).people).toBe(15);
});
it('with names says who, exactly', () => {
  const named = { ...HANDS, named: true, raised: raisedBy(2, 1) };
  expect(handsFor(named, me, instant(0)).choices).toEqual([
    { n: 0, share: 0, who: [] },
    { n: 2, share: 1, who: ['N 0', 'N 1'] },
  ]);
});
it('is seen from the beginning, after one’s own hand, or when it is over, as was promised', () => {
  const raised = raisedBy(6, 0);
  const seen = (shown: Hands['shown'], own: boolean, now: number) =>
    handsFor(
      { ...HANDS, shown, raised: own ? [...raised, { person: me, name: 'me', choice: 1 }] : raised },
      me,
      instant(now),
    ).choices !== null;
  expect([seen('now', false, 0), seen('voted', false, 0), seen('voted', true, 0)]).toEqual([
    true,
    false,
    true,
  ]);
  expect([seen('end', true, 999), seen('end', false, 1_000)]).toEqual([false, true]);
});
it('one choice where one is asked for, and only such as there are', () => {
  expect([mayRaise(HANDS, [1]), mayRaise(HANDS, [0, 1]), mayRaise(HANDS, [2]), mayRaise(HANDS, [])]).toEqual([
    true,
    false,
    false,
    true,
  ]);
  expect(mayRaise({ ...HANDS, several: true }, [0, 1])).toBe(true);
});
it('whatever is raised, covered counts are multiples of five, and nobody is named', () =>
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 1 }), { maxLength: 40 }), (choices) => {
      const raised = choices.map((choice, i) => ({ person: somebody(i), name: `N ${i}`, choice }));
      const { choices: shown } = handsFor({ ...HANDS, raised }, me, instant(0));
      expect((shown ?? []).every((c) => c.n % 5 === 0 && c.who.length === 0)).toBe(true);
      expect(shown === null).toBe(choices.length < 5);
    }),
  ));
it('no single hand changes anything that is seen where names are covered, until five more are raised', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 1 }), { minLength: 5, maxLength: 40 }),
      fc.integer({ min: 0, max: 1 }),
      (choices, more) => {
        const raised = choices.map((choice, i) => ({ person: somebody(i), name: `N ${i}`, choice }));
        const next = [...raised, { person: somebody(choices.length), name: 'next', choice: more }];
        const seen = (all: typeof raised) => handsFor({ ...HANDS, raised: all }, me, instant(0));
        // With a fifth, four others are seen for the first time as well.
        if (next.length % 5) expect(seen(next)).toEqual(seen(raised));
      },
    ),
  ));
