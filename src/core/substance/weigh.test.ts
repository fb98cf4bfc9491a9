import { documentOf } from '../formats/as-document';
import { readAnswered } from './answered';
import { COMPONENTS, MEAN } from './components';
import { LEARNED } from './learned';
import { MEANT, meantBy, sentencesToWeigh } from './meant';
import { substanceOf, weighed } from './on-document';
import { weigh } from './weigh';

const axis = (i: number) => MEAN.map((_, k) => (k === i ? 1 : 0));
const measured = (name: string, all: readonly number[]) => all[MEANT.indexOf(name)];
const read = readAnswered({
  peer: { name: 'Noor', text: 'The levee moves the flood to whoever lives below it.' },
  prompt: 'Who decides what a river may do?',
  concepts: [],
  others: [],
});

describe('the meaning of a reply beside what it answers', () => {
  it('is nearest where it says the same again, and covers what it says again', () => {
    const again = meantBy(['It moves.'], { reply: [axis(3)], post: [axis(3), axis(9)], prompt: [axis(20)] });
    const other = meantBy(['It grows.'], { reply: [axis(40)], post: [axis(3), axis(9)], prompt: [axis(20)] });
    expect(measured('near', again)).toBeCloseTo(1);
    expect(measured('near', other)).toBeLessThan(0.5);
    expect(measured('coveredWell', again)).toBe(0.5);
    expect(measured('coveredWell', other)).toBe(0);
  });

  it('is a share of its words, so that a short sentence weighs little', () => {
    const sentences = ['Yes.', 'But the people below were never asked about any of it.'];
    const found = meantBy(sentences, { reply: [axis(3), axis(40)], post: [axis(3)], prompt: [] });
    expect(measured('same', found)).toBeCloseTo(1 / 12);
  });

  it('is as many measures as there are weights for, with those by words', () => {
    const { measures } = substanceOf(documentOf('But who pays, and when?'), read);
    const nothing = meantBy([], { reply: [], post: [], prompt: [] });
    expect(COMPONENTS).toHaveLength(24);
    expect(nothing).toHaveLength(MEANT.length);
    expect(Object.values(measures ?? {}).length + nothing.length).toBe(LEARNED.of.length);
    expect(nothing.every(Number.isFinite)).toBe(true);
  });

  it('knows who tells the other what the other said from who says something of their own', () => {
    const of = (...sentences: string[]) =>
      meantBy(sentences, { reply: sentences.map(() => axis(3)), post: [axis(3)], prompt: [] });
    expect(measured('tellsThem', of('You hold that it moves.'))).toBe(1);
    expect(measured('tellsThem', of('Do you hold that it moves?'))).toBe(0);
    expect(measured('tellsThem', of('I doubt what you say of it.'))).toBe(0);
    expect(measured('asks', of('Who pays?', 'Nobody does.'))).toBeCloseTo(0.5);
    expect(measured('denies', of('It does not move.'))).toBe(0.25);
    expect(measured('supposes', of('If it breaks it moves.'))).toBe(0.2);
  });

  it('looks at two pages and no more', () => {
    const long = 'It goes on and on. '.repeat(400);
    const { reply, post, prompt } = sentencesToWeigh({ reply: long, post: long, prompt: long });
    expect([reply.length, post.length, prompt.length]).toEqual([24, 24, 12]);
  });
});

describe('a draft whose meaning is known', () => {
  const draft = substanceOf(documentOf('But who pays when the levee breaks below, and who is asked?'), read);
  const meant = LEARNED.of.slice(10).map(({ mean, spread, weight }) => mean + 3 * spread * Math.sign(weight));
  const empty = LEARNED.of.slice(10).map(({ mean, spread, weight }) => mean - 3 * spread * Math.sign(weight));

  it('is judged by both together', () => {
    expect(weighed(draft, meant).verdict).toBe('substantive');
    expect(weighed(draft, empty).verdict).toBe('thin');
    expect(weighed(draft, meant).doing).toEqual(draft.doing);
  });

  it('is never called substantive where the same was said to somebody else', () => {
    expect(weighed({ ...draft, repeats: 'Rafi' }, meant).verdict).toBe('fair');
  });

  it('has chances from 0 to 1, and a verdict for each', () => {
    if (!draft.measures) throw new Error('no measures');
    const { score, verdict } = weigh(draft.measures, meant);
    expect(score).toBeGreaterThan(0.75);
    expect(score).toBeLessThanOrEqual(1);
    expect(verdict).toBe('substantive');
  });
});
