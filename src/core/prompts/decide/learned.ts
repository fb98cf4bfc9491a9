import type { Decision } from '../../learned/decision';

/** What was learned: one decision for each question that is asked of a candidate. */
export type Learned = {
  /** What an amount counts. */
  field: Decision;
  /** Whether it is asked of the response or of the replies. */
  side: Decision;
  /** Whether a single number of words, sentences or paragraphs is the least or the most. */
  bound: Decision;
  /** Whether so many replies go to so many different people. */
  distinct: Decision;
  /** Which deadline a moment is. */
  time: Decision;
  title: Decision;
  example: Decision;
  greet: Decision;
  sealed: Decision;
  late: Decision;
  unanswered: Decision;
};
