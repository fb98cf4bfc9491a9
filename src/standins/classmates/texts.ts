import { pick, type Random } from './random';

/** Sentences that fit any prompt, so that a class can go on talking when the demo's own texts are used up. */
const OPENINGS = [
  'I read the two sources again before writing this, and the second one changed my mind.',
  'My first thought was the same as everybody’s, and I no longer trust it.',
  'There is a place near my grandmother’s house where all of this can be seen at once.',
  'What decides it for me is who pays when it goes wrong.',
];
const ARGUMENTS = [
  'The figures in the reading are for a wet year, so the case for the dry years is still open.',
  'Because nobody measures it afterwards, each new plan repeats what the last one promised.',
  'It works where people maintain it, and fails quietly where they do not.',
  'If we count only what is built and never what is looked after, the cheaper plan always wins.',
  'The map shows where the water goes; it does not show who has to move.',
];
const CLOSINGS = [
  'I would like to see one example where it was tried and measured.',
  'So I would begin small, and measure, and only then decide.',
  'That is why I side with the slower way, for now.',
];
const ANSWERS = [
  'You write that “{words}”, and I had not seen it that way. But does it hold where nobody maintains it afterwards? In our town it was tried for one winter and then forgotten, because the money went elsewhere.',
  'I agree with you about “{words}”, for a different reason: those who decide are not those who live with it. What would you ask them first, if you sat in that meeting?',
  '“{words}” is the sentence I will keep. I think it also explains why the second plan failed, since nobody had counted the upkeep. Would you say the same of a larger place?',
  'I am not sure that “{words}”. The reading gives one case where the opposite happened, because the ground was drained first. How would you tell the two apart beforehand?',
];

const some = (from: readonly string[], n: number, random: Random) => {
  const left = [...from];
  return Array.from({ length: Math.min(n, left.length) }, () => {
    const [taken] = left.splice(Math.floor(random() * left.length), 1);
    return taken ?? '';
  });
};

/** A text for each part of a prompt. */
export const responseTexts = (parts: number, random: Random): string[] =>
  Array.from({ length: Math.max(1, parts) }, () =>
    [pick(OPENINGS, random), ...some(ARGUMENTS, 3, random), pick(CLOSINGS, random)].join(' '),
  );

const WORDS_QUOTED = 9;

/** An answer that takes up words of what it answers. */
export function replyText(answered: string, random: Random): string {
  const sentences = answered.split(/(?<=[.!?])\s+/u).filter((s) => s.split(/\s+/u).length > 4);
  const words = (sentences.length ? pick(sentences, random) : answered)
    .split(/\s+/u)
    .slice(0, WORDS_QUOTED)
    .join(' ')
    .replace(/[.,;:!?“”"]+$/u, '');
  return pick(ANSWERS, random).replace('{words}', words || 'this');
}

export const afterthought = (random: Random) => `Added later: ${pick(ARGUMENTS, random)}`;
