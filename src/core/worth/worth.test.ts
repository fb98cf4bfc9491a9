import { personId, postId } from '../ids';
import { worthAnswering, type Candidate, type Reader } from './rank';
import { viewOf, waysOf } from './view';

const PROMPT =
  'After the flood the council has two plans: rebuild the levees where they stood, or set them back four hundred metres and let the river have its old meadows. Which would you choose?';

describe('where a response stands', () => {
  const side = (text: string) => viewOf(text, waysOf(PROMPT)).side;
  it('is told by the words of the two ways the prompt names', () => {
    expect(side('I would rebuild the wall exactly where it stood. People live behind it.')).toBe(1);
    expect(side('I would set it back and give the river its meadows.')).toBe(-1);
    expect(side('We should not rebuild. The wall failed us.')).toBe(-1);
    expect(side('Rivers are wide. Last year it rained a lot.')).toBe(0);
  });

  it('is for or against where the prompt names one thing', () => {
    const of = (text: string) => viewOf(text, waysOf('Should the school lock up phones?')).side;
    expect(of('Yes, do it at once. I lost a year to a game.')).toBe(1);
    expect(of('I’m against it. At thirteen I was the interpreter of my family.')).toBe(-1);
    expect(of('My phone is blue.')).toBe(0);
  });
});

const reader: Reader = {
  id: personId('imani'),
  text: 'I would set the levee back. The levee effect makes people build behind any wall, and the gauge at the ford gives eleven hours.',
  prompt: PROMPT,
  concepts: [{ term: 'levee effect', aliases: [] }],
  distinctPeers: true,
};
const one = (n: number, text: string, over: Partial<Candidate> = {}): Candidate => ({
  post: postId(n),
  author: personId(`p${n}`),
  text,
  replies: 2,
  unread: false,
  answeredMe: false,
  answered: false,
  ...over,
});
const reasons = (all: Candidate[], post: number) =>
  worthAnswering(reader, all).find((s) => s.post === postId(post))?.reasons ?? [];

describe('the reasons', () => {
  it('are said with what they rest on', () => {
    const all = [
      one(1, 'I would rebuild the levees where they stood, only higher.'),
      one(2, 'The levee effect is real: nobody should live there. Has anyone of you seen the old maps?'),
    ];
    expect(reasons(all, 1)).toEqual([
      { code: 'other-view', sentence: 'I would rebuild the levees where they stood, only higher.' },
    ]);
    expect(reasons(all, 2)).toEqual([
      { code: 'asked', question: 'Has anyone of you seen the old maps?' },
      { code: 'same-idea', term: 'levee effect' },
    ]);
  });

  it('a question that the prompt asks is nobody’s question to the class', () =>
    expect(reasons([one(1, 'Which plan would you choose? I cannot say.')], 1)).toEqual([]));

  it('near and far are told by the rare words that two share, in a class that is large enough', () => {
    const others = Array.from({ length: 8 }, (_, i) =>
      one(i + 10, `Bells ${i} and cellars ${i} and roads ${i}.`),
    );
    const near = one(
      1,
      'I would set the levees back too. The gauge at the ford gave us eleven hours in spring.',
    );
    expect(reasons([near, ...others], 1)).toEqual([
      { code: 'close', words: expect.arrayContaining(['gauge']) as string[] },
    ]);
    expect(reasons([near], 1)).toEqual([]);
  });

  it('an answer to me comes before any other among those with as many replies', () => {
    const all = [one(1, 'I would rebuild it.'), one(2, 'Roads.', { answeredMe: true, unread: true })];
    expect(worthAnswering(reader, all)[0]?.post).toBe(postId(2));
  });
});
