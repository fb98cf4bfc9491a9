import { addressesOf } from '@/core/prompts/address';
import { candidatesOf } from '@/core/prompts/candidates/candidates';
import type { Candidates } from '@/core/prompts/candidates/types';
import type { Found } from '@/core/prompts/findings';
import { outlineOf } from '@/core/prompts/outline';
import { plainOf } from '@/core/prompts/plain';
import { ruled } from '@/core/prompts/ruled';
import type { PromptSet } from '../../tests/prompts/labelled';

export type Bounds = { min?: number; max?: number };
export type Side = Partial<
  Record<'words' | 'paragraphs' | 'sentences' | 'sources' | 'quotes' | 'concepts' | 'question', Bounds>
> & { media?: { kind: string; min?: number }[] };
export type Day = { weekday?: string; date?: string; time?: string };
/** What a labelled prompt requires. */
export type Gold = {
  response?: Side & { parts?: number; title?: string; example?: boolean };
  replies?: Side & {
    count?: number;
    distinctPeers?: boolean;
    greetByName?: boolean;
    distinctDays?: number;
    unanswered?: number;
  };
  due?: { response?: Day; replies?: Day };
  late?: string;
  sealed?: boolean;
};

export type Prompt = {
  id: string;
  set: string;
  gold: Gold;
  ruled: Found;
  fresh: boolean;
  candidates: Candidates;
};

/**
 * The labelled prompts with their candidates. Of a set that the grammar was written with, what the grammar says is left out
 * of the features: it is right there far more often than elsewhere.
 */
export const material = (sets: readonly PromptSet[]): Prompt[] =>
  sets.flatMap(({ name, grammarKnows, prompts }) =>
    prompts.map(({ id, text, gold }): Prompt => {
      const outline = outlineOf(plainOf(text).text);
      const addresses = addressesOf(outline);
      const read = ruled(outline, addresses);
      return {
        id,
        set: name,
        gold: gold as Gold,
        ruled: read,
        fresh: !grammarKnows,
        candidates: candidatesOf(outline, addresses, grammarKnows ? null : read),
      };
    }),
  );
