import { useEffect, useState } from 'react';
import { anchorAt, type Anchor } from '@/core/notes/anchor';
import { readingText } from '@/core/notes/reading-text';
import type { Doc } from '@/core/document/nodes';
import { positionOf } from '../notes/position-of';

/** A passage of one of the posts on the page. */
export type SelectedPassage = { post: number; n: number; anchor: Anchor };

const placeOf = (node: Node) =>
  (node instanceof Element ? node : node.parentElement)?.closest('[data-passages]');

/** The passage that is selected in one of these posts; null while nothing is. */
export function useSelected(
  posts: readonly { id: number; n: number; doc: Doc }[],
): [SelectedPassage | null, () => void] {
  const [selected, setSelected] = useState<SelectedPassage | null>(null);
  useEffect(() => {
    const update = () => {
      const selection = window.getSelection();
      if (!selection || selection.isCollapsed || selection.rangeCount === 0) return;
      const range = selection.getRangeAt(0);
      const place = placeOf(range.startContainer);
      const post = posts.find((p) => String(p.id) === place?.getAttribute('data-passages'));
      if (!post || placeOf(range.endContainer) !== place) return;
      const from = positionOf(range.startContainer, range.startOffset);
      const to = positionOf(range.endContainer, range.endOffset);
      if (from === null || to === null) return;
      const reading = readingText(post.doc);
      const anchor = anchorAt(reading.text, reading.offsetOf(from), reading.offsetOf(to));
      if (anchor && anchor.exact.length >= 2) setSelected({ post: post.id, n: post.n, anchor });
    };
    document.addEventListener('selectionchange', update);
    return () => document.removeEventListener('selectionchange', update);
  }, [posts]);
  return [selected, () => setSelected(null)];
}
