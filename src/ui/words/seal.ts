import type { Brief } from '@/core/brief/brief';
import type { Seal } from '@/core/counting/seal';
import type { Instant } from '@/core/ids';
import { moment } from './time';

/** What opens the seal, as it is said before anything is shared. */
export const sealRuleText = (opensWithAny: boolean) =>
  opensWithAny
    ? 'Classmates’ posts open once you share yours'
    : 'Classmates’ posts open once you share a response that meets what is required';

/** Why the seal still holds and what opens it. */
export function sealText(seal: Seal, opensWithAny: boolean, zone: string): string {
  if (seal.because === 'short')
    return `Your response is shared, and short of what is required: the seal opens when it is complete${
      seal.opens === null ? '' : `, or at the response deadline, ${moment(seal.opens - 60_000, zone)}`
    }. Change it to complete it.`;
  return opensWithAny
    ? 'Their posts open the moment you share your own, so that everybody begins from their own thought.'
    : 'Their posts open the moment you share a response that meets what is required (a shorter one opens them at the response deadline), so that everybody begins from their own thought. Once you have opened one, your response can be changed and no longer withdrawn.';
}

/** What sharing a short response does, as it is said before: the class reads it, and a seal stays unless any response opens it. */
export function shortSharedText(
  brief: Pick<Brief, 'sealed' | 'sealOpensWithAny'>,
  response: { due: Instant; closes: Instant },
  zone: string,
): string {
  const reads = 'The class can read it at once, but it is not counted as it stands';
  const change = `You can complete it until ${moment(response.closes - 60_000, zone)}.`;
  if (!brief.sealed) return `${reads}. ${change}`;
  return brief.sealOpensWithAny
    ? `${reads}. The conversation opens to you. ${change}`
    : `${reads}, and the conversation stays sealed to you until it is complete, or until the response deadline has passed. ${change}`;
}
