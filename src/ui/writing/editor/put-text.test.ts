import { schema } from '@/core/document/schema';
import { answersIn, goesOnAt } from './put-text';

const heading = (part: string) => schema.node('partHeading', { part, text: 'Why?' });
const paragraph = (words = '') => schema.node('paragraph', null, words ? schema.text(words) : []);
const doc = (...nodes: ReturnType<typeof paragraph>[]) => schema.node('doc', null, nodes);
/** What stands before the place where one goes on. */
const before = (d: ReturnType<typeof doc>) =>
  d.textBetween(0, goesOnAt(d), '|', (leaf) => `${leaf.attrs.part}.`);

test('somebody who comes back goes on at the first question that has no answer yet', () => {
  const begun = doc(
    heading('1'),
    paragraph('Because.'),
    heading('2'),
    paragraph(),
    heading('3'),
    paragraph(),
  );
  expect(before(begun)).toBe('1.|Because.|2.');
  expect(answersIn(begun).map((a) => a.blank)).toEqual([false, true, true]);
});

test('an empty text is begun at its first question, and one that is answered throughout goes on at its end', () => {
  expect(before(doc(heading('1'), paragraph(), heading('2'), paragraph()))).toBe('1.');
  expect(before(doc(heading('1'), paragraph('So.'), heading('2'), paragraph('And so.')))).toBe(
    '1.|So.|2.|And so.',
  );
  expect(before(doc(paragraph('No question was asked.'), paragraph()))).toBe('No question was asked.|');
});

test('what is said before the first question is one more answer, and blank lines are none', () => {
  const read = answersIn(doc(paragraph('First of all.'), heading('1'), paragraph(' '), paragraph()));
  expect(read.map((a) => a.blank)).toEqual([false, true]);
});
