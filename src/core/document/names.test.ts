import { documentFromText } from './compose';
import type { Doc, InlineNode } from './nodes';
import { namedIn, namesMatching, withKnownNames } from './names';

const NOOR = '11111111-1111-4111-8111-111111111111';
const GONE = '22222222-2222-4222-8222-222222222222';
const doc = (...content: InlineNode[]): Doc => ({ type: 'doc', content: [{ type: 'paragraph', content }] });
const mention = (text: string, person = NOOR): InlineNode => ({
  type: 'text',
  text,
  marks: [{ type: 'mention', attrs: { person } }],
});
const reference = (text: string, post: number): InlineNode => ({
  type: 'text',
  text,
  marks: [{ type: 'postReference', attrs: { post } }],
});
const known = {
  person: (id: string) => (id === NOOR ? 'Noor Vasquez' : null),
  post: (id: number) => id === 7,
};

describe('a name being typed', () => {
  const people = ['Noor Vasquez', 'Teodora Lind', 'Jun Noorland', 'Zoë Ortega'].map((name) => ({
    id: name,
    name,
  }));
  const found = (typed: string) => namesMatching(people, typed).map((p) => p.name);
  it('finds people by the beginning of any part of their name, first names first', () => {
    expect(found('noo')).toEqual(['Noor Vasquez', 'Jun Noorland']);
    expect(found('lind')).toEqual(['Teodora Lind']);
  });
  it('forgives case and accents, and offers everybody at the start', () => {
    expect(found('ZOE')).toEqual(['Zoë Ortega']);
    expect(found('')).toHaveLength(4);
    expect(found('xy')).toEqual([]);
  });
});

describe('a mention', () => {
  it.each(['@Noor Vasquez', '@Noor', 'Noor Vasquez', '@noor', 'Vasquez'])('may stand on “%s”', (words) => {
    const kept = doc(mention(words));
    expect(withKnownNames(kept, known)).toEqual(kept);
  });
  it.each([
    ['another’s name', mention('@Teodora')],
    ['a piece of a name', mention('@No')],
    ['nothing but the sign', mention('@')],
    ['somebody who is not in the course', mention('@Noor', GONE)],
  ])('on %s is only words', (_name, node) => {
    const clean = withKnownNames(doc(node), known);
    expect(clean).toEqual(doc({ type: 'text', text: (node as { text: string }).text }));
  });
  it('is judged whole where its pieces differ in dress', () => {
    const pieces = doc(mention('@Noor '), {
      type: 'text',
      text: 'Vasquez',
      marks: [{ type: 'bold' }, { type: 'mention', attrs: { person: NOOR } }],
    });
    expect(withKnownNames(pieces, known)).toEqual(pieces);
  });
});

describe('a reference to a post', () => {
  it('stands on the number of a post that may be read', () => {
    const kept = doc(reference('#7', 7));
    expect(withKnownNames(kept, known)).toEqual(kept);
  });
  it('of another number, or of a post that may not be read, is only words', () => {
    expect(namedIn(withKnownNames(doc(reference('#7', 8)), known))).toEqual({ people: [], posts: [] });
    expect(namedIn(withKnownNames(doc(reference('#8', 8)), known))).toEqual({ people: [], posts: [] });
  });
});

it('a text that names nobody is itself', () => {
  const plain = documentFromText('One.\n\n> Two.');
  expect(withKnownNames(plain, known)).toEqual(plain);
});
