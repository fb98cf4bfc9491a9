import { brief, doc } from '../../../tests/fixtures/build';
import type { Doc } from '../document/nodes';
import { flatten } from '../document/flatten';
import { figures } from './check-draft';
import { runChecks, unmetRequired } from './checks';
import type { Check, Evidence } from './types';

const parts = [
  { id: '1', text: 'Which plan would you choose?' },
  { id: '2', text: 'What would the other side say?' },
];

/** The text that a piece of evidence marks. */
function marked(d: Doc, e: Evidence): string {
  const line = flatten(d).find((l) => e.from >= l.pos && e.to <= l.pos + l.text.length);
  return line ? line.text.slice(e.from - line.pos, e.to - line.pos) : '(not in one line)';
}

const check = (response: object, d: Doc, more: object = {}, title = ''): Check => {
  const found = runChecks({ kind: 'response', brief: brief({ response, ...more }), title, doc: d })[0];
  if (!found) throw new Error('no check');
  return found;
};

describe('own words', () => {
  it('are those of the student: headings, quotations and references stand apart', () => {
    const d = doc(
      '# 1 Which plan would you choose?',
      'I would move them.',
      '> The wall held for sixty years.',
      'She wrote “the wall was not the problem” and I agree.',
      'References',
      'Holt, M. (2021). Room for the river.',
    );
    expect(figures(d, parts)).toEqual({
      own: 9,
      quoted: 12,
      headings: 5,
      references: 8,
      notes: 0,
      repeated: 0,
      copied: 0,
    });
  });
  it('include a single term set off in marks', () => {
    expect(figures(doc('The so-called “levee effect” is real.'), []).own).toBe(7);
  });
  it('do not include the question pasted in above the answer, however it is written', () => {
    const d = doc('1) Which plan would you choose?', 'The second one.');
    expect(figures(d, parts)).toMatchObject({ own: 3, headings: 6 });
  });
  it('say how many are missing and mark those there are', () => {
    const d = doc('One two three.');
    expect(check({ words: { min: 5 } }, d)).toMatchObject({
      have: 3,
      met: false,
      missing: { code: 'too-few', by: 2 },
    });
    expect(check({ words: { min: 5 } }, d).evidence.map((e) => marked(d, e))).toEqual(['One two three']);
  });
  it('may be too many', () => {
    expect(check({ words: { max: 2 } }, doc('One two three.')).missing).toEqual({ code: 'too-many', by: 1 });
  });
  it('of other scripts are words too', () => {
    expect(figures(doc('Η στάθμη ανεβαίνει. 水位上昇。'), []).own).toBeGreaterThanOrEqual(5);
  });
});

describe('parts', () => {
  const both = { parts };
  it('are answered by own words under their headings', () => {
    const d = doc(
      '# 1 Which plan would you choose?',
      'I would move the levees back.',
      '# 2 What would the other side say?',
      '',
    );
    const c = check({}, d, both);
    expect(c).toMatchObject({ have: 1, need: { min: 2 }, met: false });
    expect(c.missing).toMatchObject({ code: 'parts-unanswered', parts: [{ n: 2, placed: true }] });
  });
  it('are not answered by a quotation or a note', () => {
    const d = doc('# 1 a', '> Somebody else wrote all of this here.', '# 2 b', 'to do');
    expect(check({}, d, both).have).toBe(0);
  });
  it('are not answered by one word and a source, or by a word over and over', () => {
    const d = doc(
      '# 1 a',
      'Levees (Holt, 2019) https://tidewell.example/holt doi:10.5555/tidewell.holt',
      '# 2 b',
      'yes yes, no no, yes no 1 2 3 4 5',
    );
    expect(check({}, d, both).have).toBe(0);
  });
  it('are answered by one short sentence that names its source', () => {
    const d = doc('# 1 a', 'Levees only move a flood (Holt, 2019).', '# 2 b', 'They cost the town far less.');
    expect(check({}, d, both).have).toBe(2);
  });
  it('are found by their number where the headings were removed', () => {
    const d = doc('1. I would move the levees back.', '2) They would say it costs money.');
    expect(check({}, d, both)).toMatchObject({ have: 2, met: true });
  });
  it('say where a heading is missing', () => {
    const c = check({}, doc('Some text about the river and me.'), both);
    expect(c.missing).toMatchObject({
      parts: [
        { n: 1, placed: false },
        { n: 2, placed: false },
      ],
    });
  });
});

describe('course ideas', () => {
  const concepts = [
    { term: 'levee effect', aliases: [] },
    { term: 'flood storage', aliases: ['floodplain storage'] },
  ];
  it('are found by term or alias, whatever case or number, and marked', () => {
    const d = doc('Levee effects grow; Floodplain Storage helps.');
    const c = check({ concepts: { min: 2 } }, d, { concepts });
    expect(c.met).toBe(true);
    expect(c.evidence.map((e) => marked(d, e))).toEqual(['Levee effects', 'Floodplain Storage']);
  });
  it('inside a quotation are the other’s and not one’s own', () => {
    const c = check({ concepts: { min: 1 } }, doc('> The levee effect is strong.'), { concepts });
    expect(c.missing).toMatchObject({ code: 'concepts-unused', onlyQuoted: ['levee effect'] });
  });
  it('count once however often they are used', () => {
    const c = check({ concepts: { min: 2 } }, doc('Levee effect, levee effect, levee effect.'), { concepts });
    expect(c.have).toBe(1);
  });
});

describe('sources', () => {
  const cited = (text: string) => check({ sources: { min: 1 } }, doc(text)).have;
  it.each([
    ['Setting back works (Holt, 2019).', 1],
    ['Both say so (Holt, 2019; Lind & Aule, 2020).', 2],
    ['Terpstra (2018) shows it, and again (Terpstra, 2018, p. 4).', 1],
    ['The book has a drawing (Chapter 6, p. 131).', 1],
    ['See https://tidewell.example/amber and https://www.tidewell.example/amber/.', 1],
    ['It is doi:10.1234/abc.def here.', 1],
    ['As shown [3].', 1],
    ['It was worse than before (in 2019 that was said too).', 0],
    ['Nobody knows (Since May 2020).', 0],
    ['Just a bracket (like this one) and a year, 2019.', 0],
  ])('%s', (text, expected) => {
    expect(cited(text)).toBe(expected);
  });
  it('that are only listed are not cited, and it says so', () => {
    const c = check({ sources: { min: 1 } }, doc('I think so.', 'References', 'Holt, M. (2021). River.'));
    expect(c).toMatchObject({ have: 0, missing: { code: 'sources-uncited', listed: 1 } });
  });
});

describe('title', () => {
  it('is any words, or the very ones the prompt wants', () => {
    const ids = (title: string, wanted: boolean | string) =>
      check({ title: wanted }, doc('x'), {}, title).met;
    expect(ids('', true)).toBe(false);
    expect(ids(' … ', true)).toBe(false);
    expect(ids('Back', true)).toBe(true);
    expect(ids('My chorale 2', 'Chorale 2')).toBe(true);
    expect(ids('Mine', 'Chorale 2')).toBe(false);
  });
});

describe('a reply', () => {
  const rules = { count: 1, words: { min: 3 }, quotes: { min: 1 }, question: { min: 1 }, greetByName: true };
  const answered = {
    name: 'Noor Vasquez',
    text: 'The old wall held for sixty years, so the wall was not the problem.',
  };
  const run = (...lines: string[]) =>
    Object.fromEntries(
      runChecks({ kind: 'reply', brief: brief({ replies: rules }), doc: doc(...lines), answered }).map(
        (c) => [c.id, c],
      ),
    );

  it('is checked against the post it answers', () => {
    const c = run('Hi Noor,', '> The old wall held for sixty years', 'But did it hold, or was it not asked?');
    expect(unmetRequired(Object.values(c))).toEqual([]);
  });
  it('must quote what stands there, ellipses allowed', () => {
    expect(run('Noor? “The old wall held … the problem” ok').quotes?.met).toBe(true);
    expect(run('Noor? “The old wall fell down long ago” ok').quotes?.missing).toEqual({
      code: 'quotes-not-theirs',
      found: 1,
    });
  });
  it('asks its question in its own words', () => {
    expect(run('Noor, good point.', '> Was it a problem?').question?.missing).toEqual({
      code: 'no-question',
    });
  });
});

describe('advised checks', () => {
  it('never make a post short', () => {
    const b = brief({ response: { words: { min: 50 }, advised: ['words'] } });
    expect(unmetRequired(runChecks({ kind: 'response', brief: b, title: '', doc: doc('Short.') }))).toEqual(
      [],
    );
  });
});
