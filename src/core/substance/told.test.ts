import { told, type Facet } from './facets';

const facet = (kind: Facet['kind'], weighs: Facet['weighs']): Facet => ({ kind, weighs, spans: [] });
const ALL = [
  facet('point', 'for'),
  facet('adds', 'for'),
  facet('reason', 'for'),
  facet('counter', 'for'),
  facet('restating', 'against'),
  facet('vague-question', 'against'),
  facet('copied', 'against'),
];
const kinds = (score: number) => told(ALL, score).map((f) => f.kind);

describe('of what was found in a reply', () => {
  it('a reason is told where the whole is likely to say something, a retelling where it is not', () => {
    expect(kinds(0.8)).toEqual(['point', 'adds', 'reason', 'counter', 'copied']);
    expect(kinds(0.2)).toEqual(['point', 'adds', 'restating', 'vague-question', 'copied']);
  });

  it('what anybody can look up is told in any case', () => {
    for (const score of [0, 0.49, 0.5, 1])
      expect(kinds(score)).toEqual(expect.arrayContaining(['point', 'adds', 'copied']));
  });
});
