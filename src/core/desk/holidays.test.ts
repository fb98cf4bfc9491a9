import { afterHolidays, weekStarts, holidayOn, holidaysOf, holidaysText, inWeek } from './holidays';

const TEXT = '2026-10-26 to 2026-10-30 Reading week\n2026-11-09 Founders’ day';
const read = holidaysOf(TEXT);
const holidays = read.ok ? read.value : [];

describe('days on which a course rests', () => {
  it('are read as they are typed, in order, and come back', () => {
    expect(holidaysText(holidays)).toBe(TEXT);
    expect(holidaysOf('2026-11-09 B\n\n2026-10-26 – 2026-10-27: A')).toMatchObject({
      value: [
        { from: '2026-10-26', to: '2026-10-27', name: 'A' },
        { from: '2026-11-09', to: '2026-11-09', name: 'B' },
      ],
    });
  });

  it('are refused by the line, whatever is wrong with it', () =>
    expect(holidaysOf('next week\n2026-02-30 x\n2026-10-30 to 2026-10-26 y\n2026-10-26')).toEqual({
      ok: false,
      failure: {
        code: 'holidays',
        lines: ['next week', '2026-02-30 x', '2026-10-30 to 2026-10-26 y', '2026-10-26'],
      },
    }));

  it('hold from the first of them to the last, whole days', () => {
    expect(holidayOn(holidays, '2026-10-30T23:59')?.name).toBe('Reading week');
    expect(holidayOn(holidays, '2026-10-31T00:00')).toBeNull();
    expect(inWeek(holidays, '2026-11-09').map((h) => h.name)).toEqual(['Founders’ day']);
    expect(inWeek(holidays, '2026-11-02')).toEqual([]);
  });

  it('put the next week off only where no day of it is left to work', () => {
    expect(afterHolidays(holidays, '2026-10-26')).toBe('2026-11-02');
    expect(afterHolidays(holidays, '2026-11-09')).toBe('2026-11-09');
  });

  it('are passed over by weeks in a row', () => {
    expect(weekStarts(holidays, '2026-10-19', 3)).toEqual(['2026-10-19', '2026-11-02', '2026-11-09']);
    expect(weekStarts(holidays, '2026-10-26', 1)).toEqual(['2026-11-02']);
    expect(weekStarts([], '2026-10-19', 0)).toEqual([]);
  });
});
