import type { Brief, CheckId, WritingRules } from '../brief/brief';
import type { Doc } from '../document/nodes';
import type { Given } from './not-own';
import type { OwnSentence } from './own-sentences';
import type { Passage } from './passages';
import type { Evidence, Missing, Remark } from './types';

/** What a reply is checked against beside the brief. */
export type Answered = { name: string; text: string };

export type CheckInput =
  | {
      kind: 'response';
      brief: Brief;
      title: string;
      doc: Doc;
      /** The texts of the readings, where the brief asks for quotations from them. */
      readings?: readonly string[];
      /** What everybody has: passages copied from it are not the writer's own. */
      given?: readonly Given[];
    }
  | { kind: 'reply'; brief: Brief; doc: Doc; answered: Answered; given?: readonly Given[] };

/** A draft as its checks read it: what was asked of it, and whose its words are. */
export type Draft = {
  input: CheckInput;
  rules: WritingRules;
  parts: Brief['parts'];
  all: Passage[];
  /** Its own sentences; found when the first check asks. */
  sentences: () => readonly OwnSentence[];
};

/** How much of something is asked for, in the check's own unit. */
export type Need = { min?: number; max?: number };

export type Found = {
  have: number;
  need: Need;
  evidence: Evidence[];
  /** What it lacks, where the figure alone does not say it. */
  missing?: Missing | null;
  remarks?: Remark[];
  unsure?: boolean;
};

/** One thing that a brief can ask for. A new one is a file in `kinds/` and a place in the list of `checks.ts`. */
export type CheckKind = {
  id: CheckId;
  /** What of it a draft has; null where the brief does not ask for it. */
  find(draft: Draft): Found | null;
};
