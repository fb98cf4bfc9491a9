import { doc } from '../../../tests/fixtures/build';
import { passages, wordFigures } from './passages';
import { sources } from './sources';

const PROMPT = {
  source: 'the prompt',
  text: 'Which plan would you choose for the Amber valley, and for whom is it the better one in the long run?',
};
const NOOR = {
  source: 'Noor’s post',
  text: 'The old wall held for sixty years, so the wall was not the problem; what was built behind it was.',
};
const figures = (lines: string[], given = [PROMPT, NOOR]) =>
  wordFigures(passages(doc(...lines), [], false, given));

describe('own words are words of sentences', () => {
  it('of one word said over and over only what a sentence could hold counts', () => {
    const { own, repeated } = figures(['word '.repeat(140)]);
    expect(own).toBeLessThanOrEqual(2);
    expect(own + repeated).toBe(140);
  });
  it('a sentence said again says nothing again, wherever it stands', () => {
    const one = 'I would pay for the meadow each year and not only after a flood.';
    expect(figures([one, `${one} ${one}`])).toMatchObject({ own: 14, repeated: 28 });
  });
  it('may say a word twice, and short things again', () => {
    expect(figures(['It was very very cold, and I had had enough. Yes. No. Yes.'])).toMatchObject({
      repeated: 0,
    });
  });
  it('copied from the prompt or a classmate they are shown apart, with where they stand', () => {
    const said = passages(
      doc('As Noor says, the old wall held for sixty years, so the wall was not the problem. I doubt it.'),
      [],
      false,
      [PROMPT, NOOR],
    );
    expect(wordFigures(said)).toMatchObject({ own: 6, copied: 14 });
    expect(said[0]?.apart).toEqual([expect.objectContaining({ kind: 'copied', source: 'Noor’s post' })]);
  });
  it('that merely meet in a few words stay the writer’s own', () => {
    expect(figures(['The old wall held for sixty years and I think that was luck.'])).toMatchObject({
      copied: 0,
    });
  });
});

describe('a source', () => {
  const of = (text: string, ...list: string[]) => sources(passages(doc(text, ...list)));
  it('that is a bare name and year is one, and nobody can be sure of it', () => {
    expect(of('So it was (Smith, 2020).')).toMatchObject({ distinct: 1, sure: 0 });
  });
  it('is sure with an entry in the list, a page, or an address that can lead somewhere', () => {
    expect(of('So it was (Smith, 2020).', 'References', 'Smith, A. (2020). Rivers. Tidewell.')).toMatchObject(
      { sure: 1 },
    );
    expect(of('So it was (Smith, 2020, p. 12).')).toMatchObject({ sure: 1 });
    expect(of('See https://tidewell.example/levees.')).toMatchObject({ distinct: 1, sure: 1 });
  });
  it('is none where it is an address that leads nowhere', () => {
    expect(of('See http://x for it.')).toMatchObject({ distinct: 0 });
  });
});
