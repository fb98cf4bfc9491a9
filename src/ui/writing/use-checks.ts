import type { Checked, CheckRules } from '@/core/checks/check-draft';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { LiveChecks } from './live-checks';

/** The checks of a draft for the life of its page. */
export function useLiveChecks(rules: CheckRules, opened: Checked): LiveChecks {
  const [live] = useState(() => new LiveChecks(rules, opened));
  useEffect(() => live.judgeBy(rules), [live, rules]);
  return live;
}

/** The figures of a draft's checks, whenever one of them changes. */
export const useFigures = (live: LiveChecks): Checked =>
  useSyncExternalStore(live.onFigures, live.figures, live.figures);

/** The newest result, after every key: for those who look at where things stand. */
export const useLatest = (live: LiveChecks): Checked =>
  useSyncExternalStore(live.onResult, live.latest, live.latest);
