import { mailAddressSchema, passwordProblem, personNameSchema } from './naming';
import { MOST_ROSTER_LINES, readRoster } from './roster';

const lines = (text: string) => {
  const found = readRoster(text);
  return found.code === 'read' ? found.lines : found;
};

describe('a name', () => {
  it.each(['X', '王', 'Ngô Thị Lan', 'محمد', 'O’Brien-Ó Súilleabháin', 'é'.repeat(200)])(
    'may be “%s”',
    (name) => {
      expect(personNameSchema.parse(`  ${name} `)).toBe(name);
    },
  );
  it.each(['', '   ', '\u0000', 'x'.repeat(201)])('is not empty or endless', (name) => {
    expect(personNameSchema.safeParse(name).success).toBe(false);
  });
});

describe('a mail address', () => {
  it.each(['imani@tidewell.example', 'a.b+c@x', 'ü@münchen.example'])('may be %s', (address) => {
    expect(mailAddressSchema.safeParse(` ${address} `).success).toBe(true);
  });
  it.each(['', 'imani', '@x', 'a b@x', 'a@b@c', 'a@x,b@y', '<a@x>', `${'a'.repeat(65)}@x`])(
    'is not “%s”',
    (address) => {
      expect(mailAddressSchema.safeParse(address).success).toBe(false);
    },
  );
});

describe('a password', () => {
  it.each([
    ['river', 'too-short'],
    ['🌊'.repeat(6), 'too-short'],
    ['x'.repeat(201), 'too-long'],
    ['aaaaaaaaaaaaaaaa', 'too-plain'],
    ['abcabcabcabcabc', 'too-plain'],
    ['123456789012345', 'too-plain'],
    ['abcdefghijklmnop', 'too-plain'],
    ['Imani Okoro 2026', 'is-yours'],
    ['tidewellopencollege1', 'is-yours'],
  ])('is not “%s”: %s', (password, why) => {
    expect(
      passwordProblem(password, ['Imani Okoro', 'imani.okoro@tidewell.example', 'Tidewell Open College']),
    ).toBe(why);
  });
  it.each([
    'a river has two banks',
    'correct levee battery meadow',
    'imani okoro keeps bees on the roof',
    'vier wörter sind genug',
  ])('may be “%s”', (password) => expect(passwordProblem(password, ['Imani Okoro'])).toBeNull());
});

describe('a roster', () => {
  it('finds its columns by their names, in any order and with any of the usual signs between', () => {
    for (const text of [
      'name,mail,role\nImani Okoro,imani@x.example,\nElias Wick,wick@x.example,Instructor',
      'E-Mail;Role;Full name\nimani@x.example;student;Imani Okoro\nwick@x.example;instructor;Elias Wick',
      '\uFEFFFirst name\tLast name\tEmail\tRole\nImani\tOkoro\timani@x.example\t\nElias\tWick\twick@x.example\tinstructor\n\n',
    ])
      expect(lines(text)).toMatchObject([
        { name: 'Imani Okoro', email: 'imani@x.example', role: 'student', problem: null },
        { name: 'Elias Wick', email: 'wick@x.example', role: 'instructor', problem: null },
      ]);
  });
  it('of two columns and a last empty line is read whatever stands between the cells', () => {
    for (const sign of [',', ';', '\t'])
      expect(lines(`Name${sign}Mail\nAda${sign}ada@x.example\n\n\n`)).toMatchObject([
        { line: 2, name: 'Ada' },
      ]);
  });
  it('without a head is told by which cell is an address', () => {
    expect(lines('Imani Okoro,imani@x.example')).toMatchObject([{ line: 1, name: 'Imani Okoro' }]);
    expect(lines('imani@x.example,"Okoro, Imani"')).toMatchObject([{ name: 'Okoro, Imani' }]);
  });
  it('names each line that cannot be used, with why, and takes the others', () => {
    expect(
      lines(
        [
          'name,mail,role',
          'Imani,imani@x.example,student',
          'Nobody,,student',
          'Bad,not an address,student',
          ',noname@x.example,student',
          '"=HYPERLINK(""http://evil.example"")",f@x.example,student',
          'Formula,=1+1@x.example,student',
          `${'n'.repeat(201)},long@x.example,student`,
          'Dean,dean@x.example,dean',
          'Again,IMANI@x.example,student',
          'Noor,noor@x.example,assistant',
        ].join('\n'),
      ),
    ).toMatchObject([
      { line: 2, problem: null },
      { line: 3, problem: { code: 'no-address' } },
      { line: 4, problem: { code: 'bad-address' } },
      { line: 5, problem: { code: 'no-name' } },
      { line: 6, problem: { code: 'formula' } },
      { line: 7, problem: { code: 'formula' } },
      { line: 8, problem: { code: 'long-name' } },
      { line: 9, problem: { code: 'bad-role' } },
      { line: 10, problem: { code: 'doubled', line: 2 } },
      { line: 11, problem: null, role: 'assistant' },
    ]);
  });
  it('of more people than a course can have is read as far as it goes, and says how many are left', () => {
    const text = Array.from({ length: MOST_ROSTER_LINES + 7 }, (_, i) => `P ${i},p${i}@x.example`).join('\n');
    expect(readRoster(text)).toMatchObject({ code: 'read', left: 7 });
  });
  it('that is none says so', () => {
    expect(readRoster('')).toEqual({ code: 'empty' });
    expect(readRoster('\n\n')).toEqual({ code: 'empty' });
    expect(readRoster('name,mail\n')).toEqual({ code: 'empty' });
    expect(readRoster('just some words\nand more')).toMatchObject({ code: 'no-columns' });
    expect(readRoster('name,telephone\nImani,1')).toMatchObject({
      code: 'no-columns',
      found: ['name', 'telephone'],
    });
  });
});
