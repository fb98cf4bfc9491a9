import type { Brief } from '../brief/brief';
import type { LateRule } from '../deadlines/late';

type Range = { min?: number | undefined; max?: number | undefined };
const words = ({ min, max }: Range): string =>
  min !== undefined && max !== undefined
    ? `between ${min} and ${max} words`
    : min !== undefined
      ? `at least ${min} words`
      : `at most ${max ?? 0} words`;

function lateText(late: LateRule): string | null {
  switch (late.rule) {
    case 'refused':
      return 'Late work is not accepted after the deadline.';
    case 'penalty':
      return `Late work is accepted for ${late.days} days after the deadline, and each day late costs ${late.percentPerDay} percent of the mark.`;
    case 'accepted':
      return late.unsaid ? null : `Late work is accepted for ${late.days} days after the deadline.`;
  }
}

/**
 * What the rules of a discussion say, a sentence each: what answers those who ask how long, how many, how late. What its brief leaves open is not said.
 *
 * @example ruledBy(brief of 250 words and two replies, { rule: 'refused' }) // ['The response has at least 250 words.', …]
 */
export function ruledBy(brief: Brief, late: LateRule): string[] {
  const { response, replies } = brief;
  const asked = response.asked !== false;
  return [
    asked && response.words ? `The length of the response: it has ${words(response.words)}.` : null,
    asked && response.sources
      ? `How many sources the response needs: at least ${response.sources.min}, cited in the text and listed.`
      : null,
    asked && response.quotes ? `The response quotes at least ${response.quotes.min} passages.` : null,
    replies.count > 0
      ? `How many replies to classmates are asked for: ${replies.count}${
          replies.distinctPeers ? ', each to a different classmate' : ''
        }${replies.distinctDays ? `, on ${replies.distinctDays} different days` : ''}.`
      : 'No replies to classmates are asked for.',
    replies.count > 0 && replies.words ? `The length of a reply: each has ${words(replies.words)}.` : null,
    replies.count > 0
      ? `Does a reply to an instructor count? ${replies.staffCount ? 'It counts.' : 'It does not count, nor does one to oneself.'}`
      : null,
    brief.sealed
      ? 'Reading what the others wrote before one’s own response is shared: that opens once it is.'
      : null,
    brief.points === undefined ? null : `What the discussion is worth: ${brief.points} points.`,
    lateText(late),
  ].filter((said) => said !== null);
}
