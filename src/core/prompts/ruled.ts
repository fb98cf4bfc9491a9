import type { Addresses } from './address';
import { deadlines } from './facts/due';
import { lengths } from './facts/length';
import { lateRule, sealing } from './facts/late';
import { manner } from './facts/manner';
import { material } from './facts/material';
import { parts } from './facts/parts';
import { replies } from './facts/replies';
import type { Finding, Found } from './findings';
import type { Outline } from './outline/types';

/** Facts of the replies mean something only where replies are asked for. */
const ofReplies = (f: Finding) => f.fact.startsWith('replies.');

/**
 * What the grammar reads out of an outline, by its rules alone.
 * @example ruled(outlineOf('Write 250 words.'), addresses) // response.words.min is 250
 */
export function ruled(outline: Outline, addresses: Addresses): Found {
  const answers = replies(outline, addresses);
  const asked = answers.some((f) => f.fact === 'replies.count');
  const rest = [
    ...lengths(outline, addresses),
    ...material(outline, addresses),
    ...manner(outline, addresses),
    ...parts(outline, addresses),
  ];
  return [
    ...answers,
    ...rest.filter((f) => asked || !ofReplies(f)),
    ...deadlines(outline, addresses, asked),
    ...lateRule(outline),
    ...sealing(outline),
  ];
}
