import type { CountingRules } from '../counting/types';
import type { Brief, Side } from './brief';

/** What was given to one student in a discussion: a side to take, and to lead it. */
export type PartPlayed = { side: Side | null; leads: boolean };

export const NO_PART: PartPlayed = { side: null, leads: false };

/**
 * The brief as it is for one student, of which every screen and every count speaks. Whoever leads owes the leader's replies, and
 * nothing is sealed to them. Where nobody owes a response nothing can be sealed behind one, and answering staff, who begin there,
 * counts.
 *
 * @example briefFor(brief, { side: null, leads: true }).replies.count // the leader's 5, where the class owes 3
 */
export function briefFor(brief: Brief, { leads }: PartPlayed): Brief {
  if (brief.response.asked === false)
    return { ...brief, sealed: false, replies: { ...brief.replies, staffCount: true } };
  if (!leads || !brief.leader) return brief;
  return { ...brief, sealed: false, replies: { ...brief.replies, count: brief.leader.replies } };
}

/**
 * What counting takes from a brief (rules 2 to 4).
 * @example countingRules(brief).replies.count // 3
 */
export function countingRules({ response, replies, sealed }: Brief): CountingRules {
  const { count, distinctPeers, distinctDays, staffCount, otherSide } = replies;
  return {
    response: response.asked ?? true,
    replies: { count, distinctPeers, distinctDays, staffCount, otherSide: otherSide ?? false },
    sealed,
  };
}

/**
 * Whether a brief asks for a response, and for how many replies.
 * @example askedBy(brief) // { response: true, replies: 3 }
 */
export const askedBy = ({ response, replies }: Brief): { response: boolean; replies: number } => ({
  response: response.asked ?? true,
  replies: replies.count,
});
