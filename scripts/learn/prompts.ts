import type { Learned } from '@/core/prompts/decide/learned';
import { CLASSES, examplesOf, QUESTIONS } from './labels';
import { learn } from './logistic';
import type { Prompt } from './material';

/** So often the labels are laid on the candidates anew. */
const ROUNDS = 3;

/** What labelled prompts teach: the same prompts teach the same, to the last digit. */
export function learnedFrom(prompts: readonly Prompt[]): Learned {
  let learned: Learned | null = null;
  for (let round = 0; round < ROUNDS; round += 1) {
    const examples = examplesOf(prompts, learned);
    learned = Object.fromEntries(QUESTIONS.map((q) => [q, learn(CLASSES[q], examples[q])])) as Learned;
  }
  if (!learned) throw new Error('There is nothing to learn from.');
  return learned;
}
