import type { PasswordProblem } from '@/core/people/naming';
import { passwordText, peopleTrouble } from '../words/people';

/** What came back of a form: what was typed into it, and what is wrong. Passwords never come back. */
export type Told = {
  fields: Readonly<Record<string, string>>;
  problem: { code: string; why?: PasswordProblem } | null;
};
export type TellingAction = (before: Told, form: FormData) => Promise<Told>;

export const NOTHING_TOLD: Told = { fields: {}, problem: null };

/** What is wrong, in words. */
export const troubleOf = ({ problem }: Told): string | null =>
  problem === null ? null : problem.why ? passwordText(problem.why) : peopleTrouble(problem.code);
