import { checkedDates } from './dates';

const dates = { opens: '2026-10-19T06:00', responseDue: '2026-10-22T23:59', repliesDue: '2026-10-25T23:59' };

describe('dates that are written', () => {
  it.each([
    [{ ...dates, opens: 'soon' }, [{ field: 'opens', code: 'no-time' }]],
    [{ ...dates, repliesDue: '2027-02-31T10:00' }, [{ field: 'repliesDue', code: 'no-time' }]],
    [{ ...dates, responseDue: '2026-10-19T06:00' }, [{ field: 'responseDue', code: 'before-opening' }]],
    [{ ...dates, repliesDue: '2026-10-22T23:58' }, [{ field: 'repliesDue', code: 'before-response' }]],
  ])('%o: each that cannot be is named', (said, problems) => {
    expect(checkedDates(said)).toEqual({ ok: false, failure: { code: 'dates', problems } });
  });
});
