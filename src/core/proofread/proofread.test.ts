import { documentFromParts, documentFromText } from '../document/compose';
import { slips } from './distance';
import { proofread, type ProofreadInput } from './proofread';
import { readingRuns } from './unquoted';

const dictionary = new Set(
  'the river rose and wall held for sixty years but not longer i think that had had a great point about levees she said was old moved is here see my notes in town it took ten inches of rain we went at'.split(
    ' ',
  ),
);
const speller = { correct: (word: string) => dictionary.has(word.toLowerCase()) };
const look = (text: string, more: Partial<ProofreadInput> = {}) =>
  proofread({
    doc: documentFromText(text),
    parts: [],
    names: ['Noor Vasquez', 'Teodora Lind'],
    known: [],
    speller,
    runs: new Map(),
    ...more,
  }).map((f) => [f.kind, f.text, ...f.fixes]);

describe('reading a draft over', () => {
  it('finds a word no dictionary knows, and not one that the course or the writer knows', () => {
    expect(look('The rivver rose.')).toEqual([['spelling', 'rivver']]);
    expect(look('The groyne held.', { known: ['Groyne'] })).toEqual([]);
  });
  it('does not spell numbers, capitals, addresses or possessives', () => {
    expect(look('The 3rd GPS at https://tidewell.example/xyzzy and the river’s wall.')).toEqual([]);
  });
  it('takes a slip in a classmate’s name for the name', () => {
    expect(look('I think Noor and Teodroa had a great point.')).toEqual([['name', 'Teodroa', 'Teodora']]);
    expect(look('Vasquez said that.')).toEqual([]);
  });
  it('finds a word written twice, but not where twice may be meant', () => {
    expect(look('The the river rose.')).toEqual([['doubled-word', 'The the', 'The']]);
    expect(look('I think that that had had a point.')).toEqual([]);
  });
  it('finds “is” written twice, except where a clause ends in it', () => {
    const kinds = (text: string) => look(text, { speller: null }).map(([kind, words]) => [kind, words]);
    expect(kinds('The wall is is old.')).toEqual([['doubled-word', 'is is']]);
    expect(kinds('What it is is old.')).toEqual([]);
  });
  it('finds blanks that are missing or too many, and leaves addresses and numbers alone', () => {
    const blanks = (text: string) => look(text, { speller: null });
    expect(blanks('The town pays.It is not fair .')).toEqual([
      ['blank', 'pays.It', 'pays. It'],
      ['blank', 'fair .', 'fair.'],
    ]);
    expect(blanks('Old walls,new walls.')).toEqual([['blank', 'walls,new', 'walls, new']]);
    expect(
      blanks('See https://tidewell.example/a.Bc and 3.5 m, 1,000 years, e.g. the U.S. and so on…'),
    ).toEqual([]);
  });
  it('finds a pronoun and a verb that do not go together, where nothing else can rule the verb', () => {
    const said = (text: string) => look(text, { speller: null }).map(([, ...rest]) => rest);
    expect(said('It are the farmers who pay, and they was asked.')).toEqual([['It are', 'It is']]);
    expect(said('They was asked.')).toEqual([['They was', 'They were']]);
    expect(
      said('If it were so, let it have a wall; does she have one? Noor and he have. I wish I were.'),
    ).toEqual([]);
  });
  it('finds a quotation mark that is never closed, curly or straight, and knows inches', () => {
    expect(look('She said “the wall held for sixty years and moved.').map(([kind]) => kind)).toEqual([
      'open-quotation',
    ]);
    expect(look('She said "the wall held" and "moved.').map(([kind]) => kind)).toEqual(['open-quotation']);
    expect(look('It took 10" of rain.')).toEqual([]);
  });
  it('asks after an attachment that is only spoken of', () => {
    expect(look('See attached my notes.', { speller: null })).toEqual([['attachment', 'See attached']]);
    expect(look('I think she had attached importance.', { speller: null })).toEqual([]);
  });
  it('finds a passage of a reading without quotation marks, whole, and not one within them', () => {
    const runs = readingRuns([
      {
        title: 'The wall',
        text: 'In the end the wall held for sixty years but not longer, and then it went.',
      },
    ]);
    const copied = 'I think the wall held for sixty years but not longer';
    expect(look(`${copied}.`, { runs, speller: null })).toEqual([
      [
        'unquoted',
        'the wall held for sixty years but not longer',
        '“the wall held for sixty years but not longer”',
      ],
    ]);
    expect(look('She said “the wall held for sixty years but not longer”.', { runs, speller: null })).toEqual(
      [],
    );
  });
  it('names a question that stands there without an answer', () => {
    const parts = [
      { id: '1', text: 'Which plan?' },
      { id: '2', text: 'For whom?' },
    ];
    const doc = documentFromParts(parts, ['The river rose and the wall held.', '']);
    const found = proofread({ doc, parts, names: [], known: [], speller, runs: new Map() });
    expect(found.map((f) => [f.kind, f.about])).toEqual([['part', '2']]);
  });
  it('gives the place of each thing in the editor’s positions', () => {
    const doc = documentFromText('The river.\n\nThe rivver.');
    const [found] = proofread({ doc, parts: [], names: [], known: [], speller, runs: new Map() });
    // The second paragraph begins at 12; its text, one further in.
    expect([found?.from, found?.to]).toEqual([17, 23]);
  });
});

describe('slips between two words', () => {
  it.each([
    ['noor', 'noor', 0],
    ['nor', 'noor', 1],
    ['nooor', 'noor', 1],
    ['onor', 'noor', 1],
    ['teodroa', 'teodora', 1],
    ['lind', 'vasquez', 3],
  ])('%s and %s: %i', (a, b, n) => expect(slips(a, b, 2)).toBe(n));
});
