'use client';

import type { Check } from '@/core/checks/types';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';

/**
 * What the two pages tell each other while one writes: which parts have an answer by now, how the checks stand, and which
 * of them is being pointed at, on either page.
 */
type Writing = {
  answered: ReadonlySet<string> | null;
  setAnswered: (ids: ReadonlySet<string>) => void;
  checks: readonly Check[] | null;
  setChecks: (checks: readonly Check[]) => void;
  pointed: Check['id'] | null;
  point: (id: Check['id'] | null) => void;
};

const nothing = () => {};
const Context = createContext<Writing>({
  answered: null,
  setAnswered: nothing,
  checks: null,
  setChecks: nothing,
  pointed: null,
  point: nothing,
});

export function WritingProvider({ children }: { children: ReactNode }) {
  const [answered, setAnswered] = useState<ReadonlySet<string> | null>(null);
  const [checks, setChecks] = useState<readonly Check[] | null>(null);
  const [pointed, point] = useState<Check['id'] | null>(null);
  const value = useMemo(
    () => ({ answered, setAnswered, checks, setChecks, pointed, point }),
    [answered, checks, pointed],
  );
  return <Context value={value}>{children}</Context>;
}

export const useWriting = () => useContext(Context);
