import type { Doc } from '@/core/posts/document';

type LocalCopy = { title: string; doc: Doc; base: number };

const PREFIX = 'pulpit draft ';

/** This machine's copy of what the server has not confirmed yet. A browser that stores nothing is no error. */
export function keepLocal(key: string, copy: LocalCopy) {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify(copy));
  } catch {
    // Private windows and full storage: the server's copy, a second later, is then the only one.
  }
}

export function readLocal(key: string): LocalCopy | null {
  try {
    const text = localStorage.getItem(PREFIX + key);
    return text ? (JSON.parse(text) as LocalCopy) : null;
  } catch {
    return null;
  }
}

export function forgetLocal(key: string) {
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // As above.
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
