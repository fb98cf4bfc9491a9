import { expose } from 'comlink';
import { checkDraft, type CheckRules } from '@/core/checks/check-draft';
import type { Doc } from '@/core/document/nodes';

let rules: CheckRules | null = null;

/**
 * The checks of a long text take longer than a keystroke may: they run here, by the same code as on the server. The rules
 * hold whole readings, so they are sent once and not with every key.
 */
const checker = {
  here: () => true,
  follow: (next: CheckRules) => void (rules = next),
  check: (text: { title: string; doc: Doc }) => rules && checkDraft(rules, text),
};
export type DraftChecker = typeof checker;

expose(checker);
