'use client';

import type { Editor } from '@tiptap/core';
import { useEffect, useSyncExternalStore } from 'react';
import type { NameStore } from './suggest';

const WIDTH = 300;

/** The names offered while one is typed. The keys stay in the text; a screen reader is told which one is meant. */
export function NameList({ editor, store }: { editor: Editor; store: NameStore }) {
  const open = useSyncExternalStore(store.subscribe, store.get, () => null);
  const active = open?.items[open.at]?.key;
  useEffect(() => {
    const dom = editor.view.dom;
    if (active) {
      dom.setAttribute('aria-controls', 'names-offered');
      dom.setAttribute('aria-activedescendant', active);
    } else {
      dom.removeAttribute('aria-controls');
      dom.removeAttribute('aria-activedescendant');
    }
  }, [editor, active]);
  if (!open) return null;
  const rect = open.rect();
  if (!rect) return null;
  const below = rect.bottom + 320 < window.innerHeight || rect.top < 320;
  return (
    <ul
      id="names-offered"
      role="listbox"
      aria-label="Who or what is meant"
      className="fixed z-50 max-h-[300px] overflow-auto rounded-plate border border-rule bg-page p-1 font-sans text-[13.5px] text-ink"
      style={{
        width: Math.min(WIDTH, window.innerWidth - 16),
        left: Math.max(8, Math.min(rect.left, window.innerWidth - WIDTH - 8)),
        ...(below ? { top: rect.bottom + 4 } : { bottom: window.innerHeight - rect.top + 4 }),
      }}
    >
      {open.items.map((item, i) => (
        <li
          key={item.key}
          id={item.key}
          role="option"
          aria-selected={i === open.at}
          onMouseDown={(e) => {
            e.preventDefault();
            open.choose(item);
          }}
          className={`flex min-h-9 cursor-pointer items-center gap-2 rounded-[6px] px-2.5 py-1 ${
            i === open.at ? 'bg-page-2 ring-2 ring-sky' : ''
          }`}
        >
          <b className="shrink-0">{item.label}</b>
          <span className="min-w-0 truncate text-ink-2">{item.detail}</span>
        </li>
      ))}
    </ul>
  );
}
