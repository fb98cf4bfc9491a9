'use client';

import { useSyncExternalStore } from 'react';

export type Side = 'left' | 'right';

/** The page in front stands in the address: a reload keeps it, and a link from another room can ask for it. */
const HASHES: Record<Side, string> = { left: '#read', right: '#write' };

const listeners = new Set<() => void>();
const subscribe = (tell: () => void) => {
  listeners.add(tell);
  addEventListener('hashchange', tell);
  return () => {
    listeners.delete(tell);
    removeEventListener('hashchange', tell);
  };
};

/** Brings one of the facing pages to the front, where they stand one behind the other. */
export function bringToFront(side: Side) {
  history.replaceState(null, '', HASHES[side]);
  listeners.forEach((tell) => tell());
  scrollTo(0, 0);
}

/** The page in front; `first` where nobody chose one. */
export function useFront(first: Side): Side {
  // A new function with each drawing: the address may be another one by then, and nobody tells of that.
  const hash = useSyncExternalStore(
    subscribe,
    () => location.hash,
    () => '',
  );
  return hash === HASHES.left ? 'left' : hash === HASHES.right ? 'right' : first;
}

/** An address with one of its facing pages in front. */
export const inFront = (address: string, side: Side) => `${address}${HASHES[side]}`;
