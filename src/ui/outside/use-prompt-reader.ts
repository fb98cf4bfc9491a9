'use client';

import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';

export type FoundFact = { fact: string; value: string | number | boolean };
type Reader = { factsOf: (text: string, html: string) => FoundFact[] };

const PAUSE_MS = 300;

/** What a text asks for, read in a worker a moment after it was last changed; null before the first answer. */
export function usePromptReader(start: () => Worker, text: string, html: string): FoundFact[] | null {
  const reader = useRef<{ worker: Worker; remote: Remote<Reader> } | null>(null);
  const [facts, setFacts] = useState<FoundFact[] | null>(null);

  useEffect(
    () => () => {
      reader.current?.worker.terminate();
      reader.current = null;
    },
    [],
  );

  useEffect(() => {
    let late = false;
    const timer = setTimeout(() => {
      if (!text.trim()) {
        setFacts(null);
        return;
      }
      if (!reader.current) {
        const worker = start();
        reader.current = { worker, remote: wrap<Reader>(worker) };
      }
      void reader.current.remote.factsOf(text, html).then((found) => {
        if (!late) setFacts(found);
      });
    }, PAUSE_MS);
    return () => {
      late = true;
      clearTimeout(timer);
    };
  }, [start, text, html]);

  return facts;
}
