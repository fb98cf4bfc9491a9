import { checkDraft, type Checked, type CheckInput } from '@/core/checks/checks';
import type { DraftChecker } from '@/workers/check-draft';
import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Text } from './draft-keeper';

/** What a text is checked against: everything of the checks but the text. */
export type CheckRules =
  | Omit<Extract<CheckInput, { kind: 'response' }>, 'title' | 'doc'>
  | Omit<Extract<CheckInput, { kind: 'reply' }>, 'doc'>;

const inputOf = (rules: CheckRules, text: Text): CheckInput =>
  rules.kind === 'response' ? { ...rules, ...text } : { ...rules, doc: text.doc };

let worker: Remote<DraftChecker> | null = null;
/** One worker for the life of the page; null where the browser gives none. */
function checker(): Remote<DraftChecker> | null {
  if (worker || typeof Worker === 'undefined') return worker;
  const started = new Worker(new URL('../../workers/check-draft.ts', import.meta.url), { type: 'module' });
  return (worker = wrap<DraftChecker>(started));
}

/** Checks a text off the thread that draws; there only where no worker answers. */
async function check(rules: CheckRules, text: Text): Promise<Checked> {
  const input = inputOf(rules, text);
  try {
    return (await checker()?.checkDraft(input)) ?? checkDraft(input);
  } catch (error) {
    if (!(error instanceof Error)) throw error;
    return checkDraft(input);
  }
}

/**
 * The checks of a text as it is written. While one text is being checked only the newest of those that follow waits, so
 * the foot of the page is never more than one text behind.
 */
export function useChecks(rules: CheckRules, opened: Checked) {
  const [checked, setChecked] = useState(opened);
  const latestRules = useRef(rules);
  useEffect(() => {
    latestRules.current = rules;
  }, [rules]);
  const [queue] = useState(() => {
    let busy = false;
    let waiting: Text | null = null;
    const run = async (text: Text): Promise<void> => {
      if (busy) {
        waiting = text;
        return;
      }
      busy = true;
      try {
        setChecked(await check(latestRules.current, text));
      } finally {
        busy = false;
      }
      const next = waiting;
      waiting = null;
      if (next) await run(next);
    };
    return {
      changed: (text: Text) => void run(text),
      /** The checks of this very text, for who shares it now. */
      now: async (text: Text) => {
        const found = await check(latestRules.current, text);
        setChecked(found);
        return found.checks;
      },
    };
  });
  return { checked, ...queue };
}
