import { locate, type Anchor, type Found } from '@/core/notes/anchor';

/** Of the two seconds a reader has. What is not looked for by then is not said to be gone. */
const LOOKING_MS = 1_500;

/**
 * Where passages stand in a text now: null for one that is gone. As many as can be looked for in a second and a half; the
 * rest, which only a heap of strange notes has, is missing from the answer's end.
 */
export function placesOf({ text, anchors }: { text: string; anchors: readonly Anchor[] }): (Found | null)[] {
  const until = performance.now() + LOOKING_MS;
  const found: (Found | null)[] = [];
  for (const anchor of anchors) {
    if (performance.now() > until) break;
    found.push(locate(text, anchor));
  }
  return found;
}
