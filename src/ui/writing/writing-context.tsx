'use client';

import type { Check } from '@/core/checks/types';
import { createContext, useContext, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import type { LiveChecks } from './live-checks';

/** What the two pages tell each other while one writes: the draft's checks, and which of them is being pointed at. */
type Writing = {
  live: LiveChecks | null;
  setLive: (live: LiveChecks) => void;
  pointed: Check['id'] | null;
  point: (id: Check['id'] | null) => void;
};

const nothing = () => {};
const Context = createContext<Writing>({ live: null, setLive: nothing, pointed: null, point: nothing });

export function WritingProvider({ children }: { children: ReactNode }) {
  const [live, setLive] = useState<LiveChecks | null>(null);
  const [pointed, point] = useState<Check['id'] | null>(null);
  const value = useMemo(() => ({ live, setLive, pointed, point }), [live, pointed]);
  return <Context value={value}>{children}</Context>;
}

export const useWriting = () => useContext(Context);

const unheard = () => nothing;

/**
 * What one reads of the checks of the draft on the other page: drawn again only when that reads differently, not at
 * every key. Null checks: nobody is writing. `read` gives a plain value or one of the checks themselves.
 */
export function useOfChecks<T extends string | Check | undefined>(
  read: (checks: readonly Check[] | null) => T,
): T {
  const { live } = useWriting();
  return useSyncExternalStore(
    live?.onFigures ?? unheard,
    () => read(live?.figures().checks ?? null),
    () => read(null),
  );
}
