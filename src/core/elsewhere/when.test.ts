import { orderOf, whensIn } from './when';

const NOW = '2026-10-15T08:00';
const wall = (text: string, order: 'day' | 'month' = 'day') => whensIn(text, order, NOW)[0]?.wall ?? null;

test.each([
  ['Noor Vasquez, 12 Oct 2026 at 3:41 pm', '2026-10-12T15:41'],
  ['October 12th, 2026 at 12:05 AM', '2026-10-12T00:05'],
  ['Mon, 12 Oct 2026 15:41:00 +0100', '2026-10-12T15:41'],
  ['2026-10-12T15:41:00Z', '2026-10-12T15:41'],
  ['12.10.2026, 15:41 Uhr', '2026-10-12T15:41'],
  ['12 Oct, 15:41', '2026-10-12T15:41'],
  ['yesterday at 10:15', '2026-10-14T10:15'],
  ['Tuesday at 3:41 pm', '2026-10-13T15:41'],
  ['29 Dec, 09:00', '2025-12-29T09:00'],
])('%s is %s', (text, is) => expect(wall(text)).toBe(is));

test.each(['In 1842 there was a path', 'page 12 of 30', '40 % of the section', 'at 99:99', 'chapter 6'])(
  'no moment is in “%s”',
  (text) => expect(whensIn(text, 'day', NOW)).toEqual([]),
);

test('a date of numbers is read as the page writes all of them', () => {
  expect(wall('10/12/2026 3:41 PM', 'month')).toBe('2026-10-12T15:41');
  expect(wall('12/10/2026 15:41', 'day')).toBe('2026-10-12T15:41');
  expect(orderOf(['9/30/2026'], NOW)).toBe('month');
  expect(orderOf(['30/9/2026'], NOW)).toBe('day');
  // What would lie ahead is not what is meant.
  expect(orderOf(['10/12/2026 09:00'], NOW)).toBe('month');
  expect(orderOf(['1/2/2026 3:41 PM'], NOW)).toBe('month');
  expect(orderOf(['1/2/2026 15:41'], NOW)).toBe('day');
});

test('how long ago is said in minutes', () => {
  expect(whensIn('3 days ago', 'day', NOW)[0]?.ago).toBe(4_320);
  expect(whensIn('an hour ago', 'day', NOW)[0]?.ago).toBe(60);
  expect(whensIn('Noor Vasquez 2w', 'day', NOW)[0]?.ago).toBe(20_160);
});
