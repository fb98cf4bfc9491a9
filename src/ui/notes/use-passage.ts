'use client';

import type { ReadingText } from '@/core/notes/reading-text';
import { useEffect, useState } from 'react';
import type { Passage } from './types';

/** The editor's position of a point in the rendered document: blocks say where they begin, text nodes how far it goes. */
function positionOf(node: Node, offset: number): number | null {
  const element = node instanceof Element ? node : node.parentElement;
  const block = element?.closest('[data-pos]');
  if (!block) return null;
  let pos = Number(block.getAttribute('data-pos'));
  const walk = (at: Node): boolean => {
    if (at instanceof Element && at.hasAttribute('data-beside')) return at === node;
    if (at === node && at instanceof Text) {
      pos += offset;
      return true;
    }
    if (at instanceof Text) pos += at.length;
    else if (at instanceof HTMLBRElement) pos += 1;
    const children = [...at.childNodes];
    for (const [i, child] of children.entries()) {
      if (at === node && i === offset) return true;
      if (walk(child)) return true;
    }
    return at === node;
  };
  walk(block);
  return pos;
}

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
    return () => document.removeEventListener('selectionchange', update);
  }, [reading]);
  return [passage, () => setPassage(null)];
}
