import { isOwnName, nameIn, sameName } from './names';

test.each([
  ['Posted by Dr. Maren Holt (Instructor)', { name: 'Dr. Maren Holt', staff: true }],
  ['Norrington, Abel', { name: 'Abel Norrington', staff: false }],
  ['de la Cruz, Ines', { name: 'Ines de la Cruz', staff: false }],
  ['Noor Vasquez wrote:', { name: 'Noor Vasquez', staff: false }],
  ['#12 Kwame Sorley', { name: 'Kwame Sorley', staff: false }],
  ['From: Hanna van der Meer', { name: 'Hanna van der Meer', staff: false }],
  ['Leila Haddad (she/her)', { name: 'Leila Haddad', staff: false }],
])('%s names one person', (piece, named) => expect(nameIn(piece)).toEqual(named));

test.each([
  'Reply',
  'Week 6',
  'Should the levees be moved?',
  'Posted Answers',
  'I agree',
  'the mill',
  'OK',
  '',
])('“%s” names nobody', (piece) => expect(nameIn(piece)).toBeNull());

test('a shorter name can be the same person’s, another one not', () => {
  expect(sameName('Noor Vasquez', 'Noor')).toBe(true);
  expect(sameName('Noor Vasquez', 'N. Vasquez')).toBe(true);
  expect(sameName('Dr. Maren Holt', 'Maren Holt')).toBe(true);
  expect(sameName('Noor Vasquez', 'Noor Okello')).toBe(false);
  expect(sameName('', 'Noor')).toBe(false);
});

describe('one’s own name on a page', () => {
  it('is the one written out; a shorter one where nobody has it written out', () => {
    expect(isOwnName('Imani Okoro', 'Imani Okoro', ['Imani', 'Imani Okoro'])).toBe(true);
    expect(isOwnName('Imani', 'Imani Okoro', ['Imani', 'Imani Okoro'])).toBe(false);
    expect(isOwnName('Imani O.', 'Imani Okoro', ['Imani O.', 'Noor Vasquez'])).toBe(true);
    expect(isOwnName('Noor Vasquez', 'Imani Okoro', ['Noor Vasquez'])).toBe(false);
  });
});
