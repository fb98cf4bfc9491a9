import { growth } from '../../../tests/fixtures/pace';
import { textOfPages } from './pdf-lines';
import type { Run } from './pdf-page';

/** A line of a page: what begins where, in points. */
const line = (y: number, ...cells: [number, string][]): Run[] =>
  cells.map(([x, text]) => ({ text, x, y, width: text.length * 5, size: 10 }));

describe('a printed table', () => {
  it('is rows whose cells are apart, whatever wraps in a cell, and the text around it stays text', () => {
    const page = [
      ...line(760, [
        50,
        'Each discussion asks for a first post of 150 words, and for two replies to others.',
      ]),
      ...line(730, [50, 'Week'], [110, 'Dates'], [200, 'Discussion']),
      ...line(715, [50, '1'], [110, 'Oct 12–18'], [200, 'What do people sing while they']),
      ...line(703, [200, 'work, and who listens?']),
      ...line(688, [50, '2'], [110, 'Oct 19–25'], [200, 'Is a stadium a choir?']),
      ...line(673, [50, '3'], [110, 'Oct 26–Nov 1'], [200, 'none']),
      ...line(630, [
        50,
        'Late posts are not taken, whatever the reason is that somebody has for it this time.',
      ]),
    ];
    expect(textOfPages([page])).toBe(
      [
        'Each discussion asks for a first post of 150 words, and for two replies to others.',
        '',
        'Week\tDates\tDiscussion',
        '1\tOct 12–18\tWhat do people sing while they work, and who listens?',
        '2\tOct 19–25\tIs a stadium a choir?',
        '3\tOct 26–Nov 1\tnone',
        '',
        'Late posts are not taken, whatever the reason is that somebody has for it this time.',
      ].join('\n'),
    );
  });
  it('whose cells stand in the middle of their rows keeps each line with its own row', () => {
    const page = [
      ...line(700, [110, 'Fishing'], [200, 'Post']),
      ...line(693, [50, '1 Aug 24']),
      ...line(686, [110, 'and boats'], [200, 'Reply']),
      ...line(670, [50, '2 Aug 31'], [110, 'Ferries'], [200, 'Post']),
      ...line(655, [50, '3 Sep 7'], [110, 'Bridges'], [200, 'Post']),
      ...line(640, [50, '4 Sep 14'], [110, 'Locks'], [200, 'Post']),
    ];
    expect(textOfPages([page])).toContain(
      '2 Aug 31\tFerries\tPost\n3 Sep 7\tBridges\tPost\n4 Sep 14\tLocks\tPost',
    );
  });
  it('is none where words stand wide apart in a line or two, or runs begin in the middle of words', () => {
    const words = [
      ...line(700, [50, 'Name'], [300, 'Date']),
      ...line(688, [50, 'A bold word stands'], [140, 'here in the line, and more of it.']),
      ...line(676, [50, 'And another one'], [125, 'there, where nothing is aligned.']),
    ];
    expect(textOfPages([words])).not.toContain('\t');
  });
  it('of a page that was made to take long takes no longer for it', () => {
    const page = (lines: number) =>
      Array.from({ length: lines }, (_, i) =>
        line(50_000 - i * 12, [50, 'a'], [110 + (i % 40), 'b'], [200, 'c']),
      ).flat();
    expect(growth((n) => textOfPages([page(n)]), 2_000)).toBeLessThan(9);
  });
  it('is read with letters of any height among its own', () => {
    const tall = { text: 'Tall', x: 400, y: 690, width: 20, size: 400 };
    const rows = [...line(700, [50, 'one']), tall, ...line(650, [50, 'two'])];
    expect(textOfPages([rows])).toContain('one Tall two');
    expect(textOfPages([[{ ...tall, size: 1e12 }, ...line(1e12, [50, 'far'])]])).toContain('Tall');
  });
});

describe('lines that begin with days', () => {
  it('are lines of their own', () => {
    const page = [
      ...line(700, [50, 'Jan 27 Discussion 1 first post, about the worst listener you know']),
      ...line(688, [50, 'Jan 31 Discussion 1 replies, to two of your classmates at the least']),
    ];
    expect(textOfPages([page]).split('\n')).toHaveLength(2);
  });
});
