import type { Addresses } from '../address';
import type { Found } from '../findings';
import type { Sentence, Span } from '../outline/types';
import type { Moment } from '../times';
import type { Token } from './tokens';

/* Whatever in a text may say something of what is required, generously; what each says is decided afterwards. */

/** A number with its bounds, or a thing that is named without one (which is one of it). */
export type Amount = Span & { kind: 'amount'; min?: number; max?: number; bare: boolean; features: string[] };
export type Time = Span & { kind: 'time'; moment: Moment; features: string[] };
export type Quoted = Span & { kind: 'quoted'; text: string; features: string[] };
export type Said = Span & { kind: 'said'; features: string[] };
export type Candidates = {
  /** So far the text was looked at. */
  until: number;
  amounts: Amount[];
  times: Time[];
  quoted: Quoted[];
  said: Said[];
};

/** A sentence with all that its candidates are seen by. */
export type Context = {
  sentence: Sentence;
  tokens: Token[];
  addresses: Addresses;
  total: number;
  whole: string;
  all: readonly Sentence[];
  /** How many parts the grammar saw. */
  parts: number | null;
  /** What the grammar read out of this sentence, with places in it. */
  ruled: Found | null;
};
