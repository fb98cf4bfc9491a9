'use client';

import { Quote } from 'lucide-react';
import { useEffect, useState } from 'react';
import { QUOTE_EVENT, type QuotedPassage } from './quote-event';

/** What is selected in a classmate's post, with where to offer the quoting of it. */
type Selected = QuotedPassage & { top: number; left: number };

function currentSelection(): Selected | null {
  const selection = window.getSelection();
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return null;
  const node = selection.anchorNode;
  const element = node instanceof Element ? node : node?.parentElement;
  const text = selection.toString().replace(/\s+/gu, ' ').trim();
  const source = element?.closest<HTMLElement>('[data-quotable]');
  if (!source || text.length < 3) return null;
  const box = selection.getRangeAt(0).getBoundingClientRect();
  return {
    text: text.slice(0, 1_200),
    author: source.dataset.author ?? '',
    post: Number(source.dataset.post),
    top: Math.min(box.bottom + 6, window.innerHeight - 60),
    left: Math.max(12, Math.min(box.left, window.innerWidth - 180)),
  };
}

/** Offers to quote a selected passage in the reply on the facing page. */
export function QuoteSelection() {
  const [selected, setSelected] = useState<Selected | null>(null);
  useEffect(() => {
    const update = () => setSelected(currentSelection());
    document.addEventListener('selectionchange', update);
    return () => document.removeEventListener('selectionchange', update);
  }, []);
  if (!selected) return null;
  return (
    <button
      type="button"
      data-key-quote=""
      className="fixed z-40 inline-flex min-h-9 items-center gap-1.5 rounded-control bg-ink px-3 text-[12.5px] font-semibold text-page"
      style={{ top: selected.top, left: selected.left }}
      onMouseDown={(e) => e.preventDefault()}
      onClick={() => {
        window.dispatchEvent(new CustomEvent(QUOTE_EVENT, { detail: selected }));
        window.getSelection()?.removeAllRanges();
      }}
    >
      <Quote size={14} aria-hidden /> Quote in reply
    </button>
  );
}
