import fc from 'fast-check';
import { rubricSchema } from '../rubric/rubric';
import { EMPTY_MARK, type Mark, type Scheme } from './mark';
import { readMarksTable, type TableLine } from './read-table';
import { tableChange, whoIs } from './table-change';

const rubric = rubricSchema.parse({
  criteria: [
    {
      id: 'ideas',
      title: 'Ideas, two',
      levels: [
        { title: 'many', points: 12 },
        { title: 'some', points: 7.5 },
        { title: 'none', points: 0 },
      ],
    },
    {
      id: 'talk',
      title: 'Talk',
      levels: [
        { title: 'on', points: 8 },
        { title: 'off', points: 0 },
      ],
    },
  ],
});
const RUBRIC: Scheme = { by: 'rubric', rubric, of: 20 };
const POINTS: Scheme = { by: 'points', of: 20 };
const read = (text: string, scheme: Scheme = RUBRIC): TableLine[] => {
  const table = readMarksTable(text, scheme);
  if (table.code !== 'read') throw new Error(table.code);
  return table.lines;
};

describe('a table of marks that is brought', () => {
  it('finds its columns by their names, in any order, with commas, semicolons or tabs', () => {
    const [comma] = read('Talk,"Ideas, two",Name\n8,7.5,Jun Arai');
    const [semicolon] = read('\uFEFFname;talk;ideas, two\nJun Arai;8;7,5');
    const [tab] = read('NAME\tIDEAS, TWO\tTALK\r\nJun Arai\t7.5\t8\r\n');
    for (const line of [comma, semicolon, tab])
      expect(line).toMatchObject({ name: 'Jun Arai', levels: { ideas: 1, talk: 0 }, problem: null });
  });

  it('leaves what an empty cell stands for', () => {
    expect(read('Name,"Ideas, two",Talk\nJun,,0')[0]).toMatchObject({ levels: { talk: 1 }, problem: null });
  });

  it('names what no level has, by its column', () => {
    expect(read('Name,Talk\nJun,5\nNoor,all')).toMatchObject([
      { problem: { code: 'bad-value', column: 'Talk', value: '5' } },
      { problem: { code: 'bad-value', column: 'Talk', value: 'all' } },
    ]);
    expect(read('Name,Points\nJun,-1\nNoor,1e9\nRafi,NaN', POINTS).map((l) => l.problem?.code)).toEqual([
      'bad-value',
      'bad-value',
      'bad-value',
    ]);
  });

  it('names lines of nobody and lines of somebody twice', () => {
    expect(read('Id,Points\n,3\na1,4\nA1,5', POINTS).map((l) => l.problem)).toEqual([
      { code: 'nobody' },
      null,
      { code: 'doubled', line: 3 },
    ]);
  });

  it('says so where it has no column for a student or for what is marked', () => {
    expect(readMarksTable('Colour,Talk\nred,8', RUBRIC)).toMatchObject({ code: 'no-columns' });
    expect(readMarksTable('Name,Colour\nJun,red', RUBRIC)).toMatchObject({ code: 'no-columns' });
    expect(readMarksTable('Name,Points\nJun,3', { by: 'remarks' })).toMatchObject({ code: 'no-columns' });
    expect(readMarksTable('Name,Points\n\n', POINTS)).toEqual({ code: 'empty' });
  });

  it('reads any file without failing', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400, unit: 'binary' }), (text) => {
        for (const scheme of [RUBRIC, POINTS, { by: 'verdict' } as const]) {
          const head = scheme.by === 'verdict' ? 'Name,Verdict' : 'Name,Points,Talk';
          const table = readMarksTable(`${head}\n${text}`, scheme);
          if (table.code === 'read')
            for (const l of table.lines) expect(Object.values(l.levels).every((n) => n >= 0)).toBe(true);
        }
      }),
    );
  });
});

describe('what a line does to a mark', () => {
  const standing = (part: Partial<Mark>, revision = 3) => ({
    mark: { ...EMPTY_MARK, ...part },
    late: null,
    revision,
  });
  const line = (text: string, scheme: Scheme = RUBRIC) => {
    const [first] = read(text, scheme);
    if (!first) throw new Error('no line');
    return first;
  };

  it('says nothing of what stands already', () => {
    const one = line('Name,"Ideas, two",Keeping\nJun,12,1');
    expect(tableChange(one, standing({ levels: { ideas: 0, talk: 1 } }), RUBRIC)).toEqual({ code: 'same' });
  });

  it('changes what is named and nothing else', () => {
    const one = line('Name,Talk,Keeping\nJun,8,3');
    expect(tableChange(one, standing({ levels: { ideas: 0, talk: 1 } }), RUBRIC)).toEqual({
      code: 'change',
      part: { levels: { ideas: 0, talk: 0 }, points: null, verdict: null },
      before: 12,
      after: 20,
      over: false,
    });
  });

  it('asks where the mark was written on since the file was saved', () => {
    const one = line('Name,Talk,Keeping\nJun,8,2');
    expect(tableChange(one, standing({ levels: { talk: 1 } }), RUBRIC)).toMatchObject({ over: true });
  });

  it('takes a sum that nobody worked out anew for what it was, and any other for a mistake', () => {
    const stands = standing({ levels: { ideas: 0, talk: 1 } });
    const head = 'Name,"Ideas, two",Talk,Before the late rule,Points';
    expect(tableChange(line(`${head}\nJun,12,8,12,12`), stands, RUBRIC)).toMatchObject({ code: 'change' });
    expect(tableChange(line(`${head}\nJun,12,8,20,20`), stands, RUBRIC)).toMatchObject({ code: 'change' });
    expect(tableChange(line(`${head}\nJun,12,8,20,15`), stands, RUBRIC)).toEqual({
      code: 'problem',
      problem: { code: 'other-sum', says: 15, comesTo: 20 },
    });
  });

  it('finds whom it names by id, by mail address, or by a name that is one', () => {
    const people = [
      { id: 'a1', email: 'jun@tidewell.example', name: 'Jun Arai' },
      { id: 'b2', email: null, name: 'Noor Haddad' },
      { id: 'c3', email: null, name: 'Noor Haddad' },
    ];
    const who = (part: Partial<TableLine>) => whoIs({ id: '', email: '', name: '', ...part }, people);
    expect(who({ id: 'C3' })).toMatchObject({ id: 'c3' });
    expect(who({ email: 'JUN@tidewell.example', name: 'Noor Haddad' })).toMatchObject({ id: 'a1' });
    expect(who({ name: 'jun arai' })).toMatchObject({ id: 'a1' });
    expect(who({ name: 'Noor Haddad' })).toEqual({ code: 'several' });
    expect(who({ id: 'd4', name: 'Jun Arai' })).toEqual({ code: 'unknown' });
  });
});
