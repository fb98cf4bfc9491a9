import type { Who } from './outline/types';

/** One fact read out of a text: where it says so, and how sure the reading is, from 0 to 1. */
export type Finding = {
  /** The path of the fact in a brief, such as `response.words.min`. */
  fact: string;
  value: number | string | boolean;
  start: number;
  end: number;
  confidence: number;
};

export type Found = Finding[];

/**
 * A finding for one of the two sides; a guessed addressee makes it less sure.
 * @example finding({ who: 'replies', sure: true }, 'words.min', 75, span) // { fact: 'replies.words.min', value: 75, … }
 */
export const finding = (
  who: { who: Who; sure: boolean },
  fact: string,
  value: Finding['value'],
  span: { start: number; end: number },
  confidence = 0.9,
): Finding => ({
  fact: `${who.who}.${fact}`,
  value,
  start: span.start,
  end: span.end,
  confidence: who.sure ? confidence : confidence - 0.15,
});
