import fc from 'fast-check';
import { documentFromHtml } from '../formats/from-html';
import { rubricIn } from './rubric-in';

const tableOf = (rows: readonly (readonly string[])[]) =>
  `<table>${rows.map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`).join('')}</table>`;
const read = (rows: readonly (readonly string[])[], around = '') =>
  rubricIn(documentFromHtml(`<p>Why do rivers bend?</p>${around}${tableOf(rows)}<p>Due Thursday.</p>`));
/** Criteria by title, with the points of their levels, the best first. */
const points = (rows: readonly (readonly string[])[]) =>
  read(rows)?.criteria.map((c) => [c.title, ...c.levels.map((l) => l.points)]) ?? null;

describe('a rubric that stands in a prompt as a table', () => {
  it('is read with the points in the heads of its levels', () => {
    const rubric = read([
      ['Criteria', 'Excellent (4 pts)', 'Fair (2 pts)', 'Missing (0 pts)'],
      ['Depth', 'Goes beyond the chapter', 'Repeats the chapter', 'Nothing of it'],
      ['Replies to classmates', 'Adds a new thought', 'Agrees and says why', 'No replies at all'],
    ]);
    expect(rubric?.criteria).toEqual([
      {
        id: 'depth',
        title: 'Depth',
        checks: [],
        levels: [
          { title: 'Excellent', text: 'Goes beyond the chapter', points: 4 },
          { title: 'Fair', text: 'Repeats the chapter', points: 2 },
          { title: 'Missing', text: 'Nothing of it', points: 0 },
        ],
      },
      expect.objectContaining({ id: 'replies-to-classmates', replies: true }),
    ]);
  });

  it('is read with the points in its cells, of a range the better end', () => {
    expect(
      points([
        ['', 'Strong', 'Adequate', 'Weak'],
        [
          'Evidence',
          '9-10 points: two sources are used',
          '6-8 points: one source is used',
          '0-5 points: no sources',
        ],
        ['Language', '5 pts. Clear throughout', '3 pts. Mostly clear', '1 pt. Hard to follow'],
      ]),
    ).toEqual([
      ['Evidence', 10, 8, 5],
      ['Language', 5, 3, 1],
    ]);
  });

  it('is read with shares of what each criterion is worth, wherever that stands', () => {
    expect(
      points([
        ['Aspect', 'Full 100%', 'Half 50%', 'None 0%', 'Points'],
        ['Thesis', 'One clear claim', 'A vague claim', 'No claim at all', '12'],
        ['Sources', 'Two are named', 'One is named', 'None are named', '/5'],
        ['Total', '', '', '', '17'],
      ]),
    ).toEqual([
      ['Thesis', 12, 6, 0],
      ['Sources', 5, 2.5, 0],
    ]);
    expect(
      points([
        ['', 'All of it (100 %)', 'Some of it (50 %)'],
        ['Thesis (8 points)', 'One clear claim', 'A vague claim'],
      ]),
    ).toEqual([['Thesis', 8, 4]]);
  });

  it('has its best level first where the worst stood first, and where its levels are its rows', () => {
    expect(
      points([
        ['Criterion', '1', '2', '3'],
        ['Depth', 'Says very little', 'Says something new', 'Says why and how'],
      ]),
    ).toEqual([['Depth', 3, 2, 1]]);
    expect(
      points([
        ['Level', 'Depth', 'Language'],
        ['Very good (6)', 'Goes beyond the text', 'Clear and correct'],
        ['Good (4)', 'Stays with the text', 'Clear with slips'],
        ['Poor (1)', 'Leaves the text out', 'Hard to follow'],
      ]),
    ).toEqual([
      ['Depth', 6, 4, 1],
      ['Language', 6, 4, 1],
    ]);
  });

  it('is found under a title over the whole table', () => {
    expect(
      points([
        ['Discussion rubric', 'Discussion rubric', 'Discussion rubric'],
        ['Criteria', 'Met (3 marks)', 'Not met (0 marks)'],
        ['Own words', 'In words of one’s own', 'Copied or missing text'],
      ]),
    ).toEqual([['Own words', 3, 0]]);
  });

  it('is no table of measurements, no plan of days, no scale of grades, and none that says no points', () => {
    for (const rows of [
      [
        ['Year', '1950', '1960', '1970'],
        ['Crest in cm', '410', '455', '470'],
      ],
      [
        ['Week', 'Reading (20 pages)', 'Discussion (2 posts)'],
        ['6', 'Chapter six, on levees', 'Should they be moved'],
      ],
      [
        ['Grade', 'A', 'B'],
        ['Percent', '90–100 %', '80–89 %'],
      ],
      [
        ['Criteria', 'Strong', 'Weak'],
        ['Depth', 'Goes beyond the chapter', 'Repeats the chapter'],
      ],
      [
        ['Criteria', 'Strong', 'Weak'],
        ['Depth', 'Makes 3 points of weight', 'Makes 1 point of none'],
      ],
      [
        ['Criteria', 'Points'],
        ['Depth', '5'],
      ],
      [[''], ['']],
    ])
      expect(read(rows)).toBeNull();
  });

  it('is of whatever cells a rubric that may be kept, or none', () => {
    const cell = fc.oneof(
      fc.constantFrom(
        '(4)',
        '3 points',
        '50%',
        'Total',
        'Points',
        '9-10 pts: very good indeed',
        '',
        '/5',
        '2 – rather weak',
      ),
      fc.string({ maxLength: 200 }).map((t) => t.replace(/[<>&]/gu, ' ')),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 8 }), { maxLength: 15 }), (rows) => {
        const found = read(rows);
        for (const { levels, title } of found?.criteria ?? []) {
          expect(title).not.toBe('');
          expect(levels.map((l) => l.points)).toEqual([...levels.map((l) => l.points)].sort((a, b) => b - a));
        }
      }),
    );
  });
});
