import { briefSchema } from '../brief/brief';
import { ruledBy } from './ruled';

const brief = (over: object = {}) => briefSchema.parse({ response: {}, replies: { count: 0 }, ...over });

it('says what a brief asks for, a sentence each, and nothing of what it leaves open', () => {
  const said = ruledBy(
    brief({
      response: { words: { min: 250, max: 400 }, sources: { min: 1 } },
      replies: { count: 2, distinctPeers: true, distinctDays: 2, words: { min: 75 } },
      sealed: true,
      points: 20,
    }),
    { rule: 'penalty', percentPerDay: 10, days: 3, floorPercent: 0 },
  ).join(' ');
  for (const fact of [
    'between 250 and 400 words',
    'at least 1, cited',
    ': 2, each to a different classmate, on 2 different days',
    'at least 75 words',
    '20 points',
    'for 3 days after the deadline, and each day late costs 10 percent',
  ])
    expect(said).toContain(fact);
  expect(ruledBy(brief(), { rule: 'accepted', days: 7, unsaid: true })).toEqual([
    'No replies to classmates are asked for.',
  ]);
});
it('of a discussion in which nobody owes a response says nothing of its length', () => {
  const said = ruledBy(brief({ response: { asked: false, words: { min: 100 } } }), { rule: 'refused' });
  expect(said).not.toContainEqual(expect.stringContaining('100'));
  expect(said).toContain('Late work is not accepted after the deadline.');
});
