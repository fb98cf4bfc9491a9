import type { Told } from '../people/told';

/** What came back of a form that gives recovery codes: they are told once. */
export type TellingCodes = { told: Told; codes: string[] | null };
export type CodesAction = (before: TellingCodes, form: FormData) => Promise<TellingCodes>;

export const NO_CODES: TellingCodes = { told: { fields: {}, problem: null }, codes: null };
