import type { Disagreement } from '@/core/prompts/disagreements';
import { factText } from './requirements';

const said = (fact: string, value: Disagreement['brief']) =>
  value === null || value === 0 ? 'nothing of the kind' : `“${factText({ fact, value })}”`;

/** Where text and rules differ. */
export const differenceText = (d: Disagreement): string =>
  `Its text says ${said(d.fact, d.text)}, its rules say ${said(d.fact, d.brief)}.`;

/** The same, with what a student does well to keep to. */
export function disagreementText(d: Disagreement): string {
  const both = differenceText(d);
  const keep = d.stricter === 'text' ? d.text : d.brief;
  return keep === null ? both : `${both} Keep to ${said(d.fact, keep)}: that meets both.`;
}

export const UNCLEAR_STUDENT = 'The rules are what is counted. If you are unsure, ask your instructor.';
export const UNCLEAR_STAFF =
  'Students are shown the stricter of the two, marked as unclear. The rules are what is counted.';
