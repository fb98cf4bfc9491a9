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
