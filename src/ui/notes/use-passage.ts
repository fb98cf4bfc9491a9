'use client';

import type { ReadingText } from '@/core/notes/reading-text';
import { useEffect, useState } from 'react';
import { positionOf } from './position-of';
import type { Passage } from './types';

/** The passage that is selected in the reading, as offsets of its text; null while nothing is. */
export function usePassage(reading: ReadingText | null): [Passage | null, () => void] {
  const [passage, setPassage] = useState<Passage | null>(null);
  useEffect(() => {
    if (!reading) return;
    const update = () => {
      const selection = window.getSelection();
      if (!selection || selection.isCollapsed || selection.rangeCount === 0) return;
      const range = selection.getRangeAt(0);
      const inside = (n: Node) => (n instanceof Element ? n : n.parentElement)?.closest('[data-reading]');
      if (!inside(range.startContainer) || !inside(range.endContainer)) return;
      const from = positionOf(range.startContainer, range.startOffset);
      const to = positionOf(range.endContainer, range.endOffset);
      if (from === null || to === null) return;
      const start = reading.offsetOf(from);
      const end = reading.offsetOf(to);
      const text = reading.text.slice(start, end).trim();
      if (text.length >= 2) setPassage({ start, end, text });
    };
    document.addEventListener('selectionchange', update);
    // What was selected before the page woke is selected still.
    const woken = requestAnimationFrame(update);
    return () => {
      cancelAnimationFrame(woken);
      document.removeEventListener('selectionchange', update);
    };
  }, [reading]);
  return [passage, () => setPassage(null)];
}
