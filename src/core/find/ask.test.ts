import fc from 'fast-check';
import { bareWords, parseFind, withFilter } from './ask';

describe('what is typed into find', () => {
  it.each([
    ['levee effect', { text: 'levee effect', from: null, course: null }],
    ['levee in:GEO-115', { text: 'levee', from: null, course: 'geo-115' }],
    ['from:"Noor Vasquez" "set back"', { text: '"set back"', from: 'noor vasquez', course: null }],
    ['from: levee', { text: 'levee', from: null, course: null }],
    ['  a   b ', { text: 'a b', from: null, course: null }],
    ['begin:here', { text: 'begin:here', from: null, course: null }],
  ])('%s', (typed, ask) => expect(parseFind(typed)).toEqual(ask));

  it('is never longer than it may be and never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (typed) => {
        expect(parseFind(typed).text.length).toBeLessThanOrEqual(200);
        expect(bareWords(typed).length).toBeLessThanOrEqual(12);
      }),
    );
  });
  it('takes a filter on and off again without touching the words', () => {
    const words = fc.array(fc.constantFrom('levee', 'river', '"set back"', 'öl'), { maxLength: 4 });
    fc.assert(
      fc.property(words, fc.constantFrom('noor', 'noor vasquez'), (parts, name) => {
        const typed = parts.join(' ');
        const narrowed = withFilter(typed, 'from', name);
        expect(parseFind(narrowed)).toEqual({ text: typed, from: name, course: null });
        expect(withFilter(narrowed, 'from', null)).toBe(typed);
        expect(parseFind(withFilter(narrowed, 'in', 'geo-115'))).toEqual({
          text: typed,
          from: name,
          course: 'geo-115',
        });
      }),
    );
  });
});
