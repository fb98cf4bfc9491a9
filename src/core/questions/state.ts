import type { QuestionKind } from './asking';

/** Where a question stands: nobody has answered, classmates have, staff confirmed one of theirs, staff answered, or its asker says it is answered. */
export const QUESTION_STATES = ['nobody', 'classmates', 'confirmed', 'staff', 'settled'] as const;
export type QuestionState = (typeof QUESTION_STATES)[number];

/** An answer, as far as it says where its question stands. */
export type AnswerFacts = {
  staff: boolean;
  /** By who asked: a follow-up, and no answer. */
  own: boolean;
  confirmed: boolean;
  /** Withdrawn or hidden. */
  gone: boolean;
};

/**
 * Where a question stands; null for what does not ask. Staff's word goes before the asker's, and that before a classmate's. What is withdrawn or hidden
 * answers nothing, and nobody answers themselves.
 *
 * @param answers in order of time
 *
 * @example stateOf('asks', [{ staff: false, own: false, confirmed: true, gone: false }], false) // 'confirmed'
 */
export function stateOf(
  kind: QuestionKind,
  answers: readonly AnswerFacts[],
  saidAnswered: boolean,
): QuestionState | null {
  if (kind !== 'asks' && kind !== 'line') return null;
  // A line goes on: what its student said last is what waits.
  const since = kind === 'line' ? answers.slice(answers.findLastIndex((a) => a.own && !a.gone) + 1) : answers;
  const standing = since.filter((a) => !a.gone && !a.own);
  if (standing.some((a) => a.staff)) return 'staff';
  if (standing.some((a) => a.confirmed)) return 'confirmed';
  if (saidAnswered) return 'settled';
  return standing.length ? 'classmates' : 'nobody';
}

/** Whether somebody still waits for an answer that staff, or who asked, take for one. @example isOpen('classmates') // true */
export const isOpen = (state: QuestionState | null): boolean => state === 'nobody' || state === 'classmates';
