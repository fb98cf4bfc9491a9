import { answersWith } from './endpoint';
import type { Brief } from '@/core/brief/brief';
import type { PartPlayed } from '@/core/brief/part-played';
import type { Checked } from '@/core/checks/check-draft';
import type { Given } from '@/core/checks/not-own';
import type { Seal } from '@/core/counting/seal';
import type { Ledger } from '@/core/counting/types';
import type { Schedule } from '@/core/deadlines/schedule';
import type { DiscussionState } from '@/core/deadlines/state';
import type { Instant } from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import type { Compared } from '@/core/drafts/difference';
import type { RuleChange } from '@/core/outside/rule-changes';

export type Room = 'response' | 'conversation' | 'part';

/** What stands over each of a discussion's rooms. */
export type DiscussionHead = {
  /** It is where the course asks. */
  asks: boolean;
  slug: string;
  title: string;
  course: { code: string; title: string; slug: string; outside: boolean };
  week: number;
  /** As it is for the reader. */
  brief: Brief;
  /** What was given to them here, and their group where the course has groups. */
  part: PartPlayed;
  group: string | null;
  schedule: Schedule;
  state: DiscussionState;
  ledger: Ledger | null;
  staff: boolean;
  /** The reader looks on: they write nothing here. */
  onlooker: boolean;
  sealed: boolean;
  seal: Seal | null;
  responded: boolean;
  /** Responses in sight of the class, one's own among them: a number the seal does not hide. */
  responses: number;
  /** Those of others. */
  othersResponses: number;
  /** Posts of others that the reader has not read. */
  unread: number;
  /** Of what is asked here, of whom and by when: another one, once that is another. */
  stamp: string;
  now: Instant;
};

/** What became of one's asking for more time in a discussion. */
export type AskedForTime = { askedAt: Instant; answered: 'not-yet' | 'granted' | 'refused' };

/** A draft as an editor opens it; `keptAt` is null when nothing was kept yet. */
export type OpenDraft = {
  submission: string;
  revision: number;
  title: string;
  doc: Doc;
  keptAt: Instant | null;
  checked: Checked;
  /** The texts that quotations are looked for in. */
  readings: readonly string[];
  /** What everybody has: what is copied from it is not counted. */
  given: readonly Given[];
};

/** One change of what a discussion asks for: when and by whom, which rules, and what of the text where that changed. */
export type PromptChange = {
  at: Instant;
  by: string | null;
  rules: RuleChange[];
  text: 'same' | 'changed';
  /** Word by word; null where no word changed, or where the two are too different to say. */
  compared: Compared | null;
};

/** Tells the stamp of what a discussion asks of the reader now. */
export const whatIsAsked = answersWith<{ stamp: string }>()('GET', '/discussions/:slug/asked');
