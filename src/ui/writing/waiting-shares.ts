'use client';

import { plainText } from '@/core/document/flatten';
import { useSyncExternalStore } from 'react';
import type { Text } from './draft-keeper';

/** To whom a share goes, when it was posted elsewhere, and which text it answers. */
export type How = { privately?: boolean; postedAt?: string; answeredN?: number };
/** A share that waits for a network: where, how it was pressed, and which text it was pressed for. */
type Waiting = { key: string; how: How; print: number };

/** They are remembered by their places: a page that is loaded again goes on waiting. */
const WAITING = 'pulpit shares that wait';
const MOST = 20;
const listeners = new Set<() => void>();

/** What tells a text from another, without holding a word of it. */
export const printOf = (text: Text) =>
  [...`${text.title}\n${plainText(text.doc)}`].reduce(
    (sum, letter) => (Math.imul(sum, 31) + (letter.codePointAt(0) ?? 0)) | 0,
    7,
  );

const stored = () => {
  try {
    return localStorage.getItem(WAITING) ?? '[]';
  } catch {
    // A browser that stores nothing remembers nothing of this; the draft itself is on the server.
    return '[]';
  }
};

function parsed(text: string): Waiting[] {
  try {
    const list: unknown = JSON.parse(text);
    return Array.isArray(list) ? list.filter((w): w is Waiting => typeof w?.key === 'string') : [];
  } catch {
    return [];
  }
}

export function setWaiting(key: string, waiting: Omit<Waiting, 'key'> | null) {
  const all = parsed(stored());
  const rest = all.filter((w) => w.key !== key);
  if (!waiting && rest.length === all.length) return;
  try {
    localStorage.setItem(
      WAITING,
      JSON.stringify(waiting ? [...rest, { key, ...waiting }].slice(-MOST) : rest),
    );
  } catch {
    // The same: as long as the page is open it is known there.
  }
  listeners.forEach((tell) => tell());
}

const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => void listeners.delete(tell);
};

/** How the share of this place waits for a network; null where none does. */
export function useWaiting(key: string): Omit<Waiting, 'key'> | null {
  const text = useSyncExternalStore(subscribe, stored, () => '[]');
  return parsed(text).find((w) => w.key === key) ?? null;
}
