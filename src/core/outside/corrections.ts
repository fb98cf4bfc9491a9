import { FIELDS, type Field, type Fields } from './fields';
import type { Suggestion } from './suggest';

/** A field of a brief that was put right: what stood in the prompt, what it was read as, and what is meant. */
export type Correction = {
  field: Field;
  /** The words it was read from. */
  words: string;
  read: string;
  /** What stands there now; empty where nothing is asked. */
  meant: string;
  /** How sure the reading was, from 0 to 1. */
  sure: number;
};

/** Of the course, or only a name: nothing is read of them that could be wrong. */
const NAMES: readonly Field[] = ['title', 'course', 'zone', 'week'];
/** Dates are read as days of one calendar, and moved for many reasons. */
const MOVED: readonly Field[] = ['responseDue', 'repliesDue'];
const LONGEST = 600;

const plain = (text: string) => text.replace(/\s+/gu, ' ').trim().slice(0, LONGEST);

/**
 * What somebody put in the place of what was read of a prompt, and how they answered what was asked: each with the words it
 * was read from and nothing else of the prompt. `denied` are questions that were answered with no.
 *
 * @example correctionsOf(suggestion, { 'replies.count': '3' })[0]?.read // '2'
 */
export function correctionsOf(
  suggestion: Suggestion,
  fields: Fields,
  denied: readonly Field[] = [],
): Correction[] {
  const asked = new Map(suggestion.asked.map((a) => [a.field, a]));
  return FIELDS.flatMap((field): Correction[] => {
    if (NAMES.includes(field) || MOVED.includes(field)) return [];
    const meant = plain(fields[field] ?? '');
    const question = asked.get(field);
    // A question that nobody has answered says nothing.
    if (question && meant === '' && !denied.includes(field)) return [];
    if (question)
      return [
        {
          field,
          words: plain(question.evidence.quote),
          read: plain(question.value),
          meant,
          sure: question.evidence.confidence,
        },
      ];
    const read = plain(suggestion.fields[field] ?? '');
    const from = suggestion.evidence[field]?.[0];
    return from && read !== '' && read.toLowerCase() !== meant.toLowerCase()
      ? [{ field, words: plain(from.quote), read, meant, sure: from.confidence }]
      : [];
  });
}
