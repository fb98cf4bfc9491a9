import { createStore, del, get, set, type UseStore } from 'idb-keyval';
import type { LocalCopy } from './draft-keeper';

const PREFIX = 'pulpit draft ';
let store: UseStore | null = null;
const drafts = () => (store ??= createStore('pulpit-drafts', 'drafts'));

/**
 * This machine's copy (IndexedDB) of a draft until it is shared. A browser that stores nothing is no error: the
 * server's copy, a second later, is then the only one.
 */
export function keepLocal(key: string, copy: LocalCopy) {
  void quietly(() => set(key, copy, drafts()));
}

export async function readLocal(key: string): Promise<LocalCopy | null> {
  return (await quietly(() => get<LocalCopy>(key, drafts()))) ?? null;
}

export function forgetLocal(key: string) {
  void quietly(() => del(key, drafts()));
}

/** Private windows and full disks refuse to store; the reason is the browser's and nobody could act on it. */
async function quietly<T>(work: () => Promise<T>): Promise<T | undefined> {
  try {
    return await work();
  } catch {
    return undefined;
  }
}

/** The drafts this page holds: going to another room and back is still the same window. */
const ours = new Set<string>();

/**
 * Whether this page is the first to have a draft open on this machine, held until the page goes. The copy here
 * belongs to that page: a second window must not take over what the first is still typing. Where the browser cannot
 * tell, every page is the first.
 */
export function isFirstWindow(key: string): Promise<boolean> {
  if (!('locks' in navigator) || ours.has(key)) return Promise.resolve(true);
  return new Promise((resolve) => {
    void navigator.locks.request(PREFIX + key, { ifAvailable: true }, (lock) => {
      if (lock) ours.add(key);
      resolve(lock !== null);
      // Held for as long as the page lives; the browser gives it back.
      return lock ? new Promise(() => {}) : undefined;
    });
  });
}
