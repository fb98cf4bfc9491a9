import type { CheckId, Media } from '../brief/brief';

/** A stretch of the document, in the editor's positions, that a check rests on; `note` says what it is evidence of. */
export type Evidence = { from: number; to: number; note?: string };

/** What a check lacks, for the interface to put into words. */
export type Missing =
  | { code: 'too-few'; by: number }
  | { code: 'too-many'; by: number }
  | { code: 'parts-unanswered'; parts: { n: number; text: string; placed: boolean }[] }
  | { code: 'concepts-unused'; terms: string[]; onlyQuoted: string[] }
  | { code: 'sources-uncited'; listed: number }
  | { code: 'quotes-not-theirs'; found: number }
  | { code: 'quotes-not-read'; found: number }
  | { code: 'no-title' }
  | { code: 'other-title'; wanted: string }
  | { code: 'no-greeting'; name: string }
  | { code: 'no-question' }
  | { code: 'no-example' }
  | { code: 'media-missing'; media: { kind: Media['kind']; by: number }[] };

/** What a check noticed beside its figure, met or not. */
export type Remark =
  /** Something else stands in the place of the words, as the brief allows. */
  | { code: 'in-place-of-words'; kind: Media['kind'] }
  /** Cited in the text, and no entry of the reference list says what that is. */
  | { code: 'cited-not-listed'; names: string[] }
  /** Entries of the reference list that the text never cites. */
  | { code: 'listed-not-cited'; entries: string[] }
  /** A quotation that is almost, and not quite, what stands in its source. */
  | { code: 'quote-near'; said: string; stands: string };

/** One result against the brief. `have` and `need` are in the check's own unit (words, parts, ideas, sources …). */
export type Check = {
  id: CheckId;
  have: number;
  need: { min?: number; max?: number };
  met: boolean;
  required: boolean;
  evidence: Evidence[];
  missing: Missing | null;
  remarks?: Remark[];
  /** Met as far as can be told, and a reader will decide: what it rests on says too little of itself. */
  unsure?: boolean;
};

/** A check's result as it is stored with a text and listed: without the places, which the text itself gives again. */
export type CheckFigure = Pick<Check, 'id' | 'have' | 'need' | 'met' | 'required'>;
