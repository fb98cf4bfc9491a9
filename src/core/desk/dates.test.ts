import fc from 'fast-check';
import { instantOf, weekdayOf, wallClockAt } from '../deadlines/wallclock';
import { instant } from '../ids';
import { checkedDates, movedDates } from './dates';

const dates = { opens: '2026-10-19T06:00', responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T23:59' };
const walls = fc
  .tuple(
    fc.integer({ min: 0, max: 400 }),
    fc.integer({ min: 1, max: 20_000 }),
    fc.integer({ min: 0, max: 20_000 }),
  )
  .map(([day, a, b]) => {
    const at = (minutes: number) =>
      wallClockAt(instant(Date.UTC(2026, 0, 1 + day) + minutes * 60_000), 'UTC');
    return { opens: at(0), responseDue: at(a), repliesDue: at(a + b) };
  });

describe('dates that are moved', () => {
  it('keep weekday and time of the clock, also over the night the clocks change', () => {
    expect(movedDates(dates, 1)).toEqual({
      opens: '2026-10-26T06:00',
      responseDue: '2026-10-29T23:59',
      repliesDue: '2026-11-01T23:59',
    });
    // By the clock of a zone that is a week of an hour more.
    const ms =
      instantOf(movedDates(dates, 1).responseDue, 'Europe/London') -
      instantOf(dates.responseDue, 'Europe/London');
    expect(ms).toBe((7 * 24 + 1) * 3_600_000);
  });
  it('stay as sound as they were, and come back where they were', () =>
    fc.assert(
      fc.property(walls, fc.integer({ min: -20, max: 20 }), (d, weeks) => {
        const moved = movedDates(d, weeks);
        expect(checkedDates(moved)).toEqual({ ok: true, value: moved });
        expect(weekdayOf(moved.responseDue)).toBe(weekdayOf(d.responseDue));
        expect(movedDates(moved, -weeks)).toEqual(d);
      }),
    ));
});

describe('dates that are written', () => {
  it.each([
    [{ ...dates, opens: 'soon' }, [{ field: 'opens', code: 'no-time' }]],
    [{ ...dates, repliesDue: '2026-02-31T99:00' }, [{ field: 'repliesDue', code: 'no-time' }]],
    [{ ...dates, responseDue: '2026-10-19T06:00' }, [{ field: 'responseDue', code: 'before-opening' }]],
    [{ ...dates, repliesDue: '2026-10-22T23:58' }, [{ field: 'repliesDue', code: 'before-response' }]],
  ])('%o: each that cannot be is named', (said, problems) => {
    expect(checkedDates(said)).toEqual({ ok: false, failure: { code: 'dates', problems } });
  });
});
