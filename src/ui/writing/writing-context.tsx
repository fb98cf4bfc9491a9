'use client';

import { createContext, useContext, useState, type ReactNode } from 'react';

/** What the page on the right tells the page on the left while one writes: which parts have an answer by now. */
type Writing = { answered: ReadonlySet<string> | null; setAnswered: (ids: ReadonlySet<string>) => void };

const Context = createContext<Writing>({ answered: null, setAnswered: () => {} });

export function WritingProvider({ children }: { children: ReactNode }) {
  const [answered, setAnswered] = useState<ReadonlySet<string> | null>(null);
  return <Context value={{ answered, setAnswered }}>{children}</Context>;
}

export const useWriting = () => useContext(Context);
