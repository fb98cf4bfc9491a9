import fc from 'fast-check';
import { instant, personId } from '../ids';
import { endOf, mayPart, meetingFor, slotRefused, slotsOf, type Meeting } from './meeting';

const me = personId('00000000-0000-4000-8000-000000000001');
const other = personId('00000000-0000-4000-8000-000000000002');
const MINUTE = 60_000;
const HOUR: Meeting = {
  starts: instant(0),
  minutes: 60,
  place: 'Room 4.12',
  slots: 4,
  calledOffAt: null,
  taken: [{ n: 1, person: other, name: 'Noor Vasquez' }],
};

it('an hour is parted into slots that follow one another from its beginning to its end', () =>
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 600 }), fc.integer({ min: 1, max: 60 }), (minutes, slots) => {
      fc.pre(mayPart({ minutes, slots }));
      const all = slotsOf({ starts: instant(0), minutes, slots });
      expect(all).toHaveLength(slots);
      expect(all[0]?.from).toBe(0);
      expect(all.at(-1)?.until).toBe(endOf({ starts: instant(0), minutes }));
      expect(all.every((s, i) => s.until > s.from && (i === 0 || s.from === all[i - 1]?.until))).toBe(true);
    }),
  ));
it('a slot is taken once, before it begins, and of an hour that takes place', () => {
  expect(slotRefused(HOUR, 0, me, instant(-1))).toBeNull();
  expect(slotRefused(HOUR, 1, me, instant(-1))).toBe('taken');
  // Whose it is may say so again.
  expect(slotRefused(HOUR, 1, other, instant(-1))).toBeNull();
  expect(slotRefused(HOUR, 0, me, instant(0))).toBe('over');
  expect(slotRefused(HOUR, 3, me, instant(44 * MINUTE))).toBeNull();
  expect(slotRefused(HOUR, 4, me, instant(-1))).toBe('no-such-slot');
  expect(slotRefused({ ...HOUR, calledOffAt: instant(-5) }, 0, me, instant(-1))).toBe('called-off');
  expect(slotRefused({ ...HOUR, slots: 0 }, 0, me, instant(-1))).toBe('no-such-slot');
});
it('students see that a slot is taken, and staff by whom', () => {
  const [, second] = meetingFor(HOUR, { id: me, staff: false }, instant(0)).slots;
  expect(second).toMatchObject({ taken: true, mine: false, who: null });
  expect(meetingFor(HOUR, { id: other, staff: false }, instant(0)).slots[1]).toMatchObject({ mine: true });
  expect(meetingFor(HOUR, { id: me, staff: true }, instant(0)).slots[1]).toMatchObject({
    who: 'Noor Vasquez',
  });
});
