'use client';

import { useSyncExternalStore } from 'react';

export const BAR = 'top-bar';

let open = false;
const listeners = new Set<() => void>();
const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

/** Unfolds the bar on a phone, where the page has one line of head only, or folds it again. */
export function openBar(on: boolean) {
  open = on;
  listeners.forEach((tell) => tell());
}

export const useBarOpen = () =>
  useSyncExternalStore(
    subscribe,
    () => open,
    () => false,
  );
