import { useEffect, useState } from 'react';
import { anchorAt, type Anchor } from '@/core/notes/anchor';
import { readingText } from '@/core/notes/reading-text';
import type { Doc } from '@/core/document/nodes';
import { positionOf } from '../notes/position-of';

/** A passage of one of the posts on the page. */
export type SelectedPassage = { post: number; n: number; anchor: Anchor };

const placeOf = (node: Node) =>
  (node instanceof Element ? node : node.parentElement)?.closest('[data-passages]');

type Posts = readonly { id: number; n: number; doc: Doc }[];

/** The passage that is selected in one of these posts as one asks; null where nothing is. */
function selectedIn(posts: Posts): SelectedPassage | null {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return null;
  const range = selection.getRangeAt(0);
  const place = placeOf(range.startContainer);
  const post = posts.find((p) => String(p.id) === place?.getAttribute('data-passages'));
  if (!post || placeOf(range.endContainer) !== place) return null;
  const from = positionOf(range.startContainer, range.startOffset);
  const to = positionOf(range.endContainer, range.endOffset);
  if (from === null || to === null) return null;
  const reading = readingText(post.doc);
  const anchor = anchorAt(reading.text, reading.offsetOf(from), reading.offsetOf(to));
  return anchor && anchor.exact.length >= 2 ? { post: post.id, n: post.n, anchor } : null;
}

/**
 * The passage that was selected last in one of these posts, for a button beside it; and how to ask for it at once: a key may come before
 * the page has heard of the selection.
 */
export function useSelected(posts: Posts) {
  const [selected, setSelected] = useState<SelectedPassage | null>(null);
  useEffect(() => {
    const update = () => {
      const found = selectedIn(posts);
      if (found) setSelected(found);
    };
    document.addEventListener('selectionchange', update);
    return () => document.removeEventListener('selectionchange', update);
  }, [posts]);
  return { selected, now: () => selectedIn(posts) ?? selected, clear: () => setSelected(null) };
}
