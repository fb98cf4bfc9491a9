'use client';

import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { WallClock } from '@/core/deadlines/wallclock';
import type { Doc } from '@/core/document/nodes';
import type { Suggestion } from '@/core/outside/suggest';

type Reader = { briefOf: (doc: Doc, now: WallClock) => Suggestion };
/** What was read, and in which of the editor's texts. */
export type ReadBrief = { suggestion: Suggestion; version: number };

const PAUSE_MS = 400;

/** Reads a prompt out of its prose while it is written: in a worker, a moment after the last key, the newest text only. */
export function useBriefReader(
  start: (() => Worker) | null,
  now: WallClock,
): { read: ReadBrief | null; changed: (doc: Doc, version: number) => void } {
  const worker = useRef<{ worker: Worker; remote: Remote<Reader> } | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const newest = useRef(-1);
  const [read, setRead] = useState<ReadBrief | null>(null);

  useEffect(
    () => () => {
      if (timer.current) clearTimeout(timer.current);
      worker.current?.worker.terminate();
      worker.current = null;
    },
    [],
  );

  const changed = useCallback(
    (doc: Doc, version: number) => {
      if (!start) return;
      newest.current = version;
      if (timer.current) clearTimeout(timer.current);
      timer.current = setTimeout(() => {
        if (!worker.current) {
          const made = start();
          worker.current = { worker: made, remote: wrap<Reader>(made) };
        }
        void worker.current.remote.briefOf(doc, now).then((suggestion) => {
          if (version === newest.current) setRead({ suggestion, version });
        });
      }, PAUSE_MS);
    },
    [start, now],
  );
  return { read, changed };
}
