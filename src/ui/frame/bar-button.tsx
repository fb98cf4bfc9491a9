'use client';

import { Menu, X } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { BAR, openBar, useBarOpen } from './bar-open';

/** On a phone: unfolds the bar with all other places under a page's one line of head. */
export function BarButton() {
  const open = useBarOpen();
  const button = useRef<HTMLButtonElement>(null);
  const here = usePathname();
  useEffect(() => () => openBar(false), [here]);
  useEffect(() => {
    if (!open) return undefined;
    document.querySelector<HTMLElement>(`#${BAR} nav a`)?.focus();
    const close = (e: KeyboardEvent) => {
      if (e.key !== 'Escape' || e.defaultPrevented) return;
      openBar(false);
      button.current?.focus();
    };
    addEventListener('keydown', close);
    return () => removeEventListener('keydown', close);
  }, [open]);
  return (
    <button
      ref={button}
      type="button"
      aria-expanded={open}
      aria-controls={BAR}
      aria-label={open ? 'Fold the bar' : 'All places: This week, find, notices, account'}
      onClick={() => openBar(!open)}
      className="hidden size-11 shrink-0 place-items-center rounded-[6px] max-lg:scripted:grid"
    >
      {open ? <X size={20} aria-hidden /> : <Menu size={20} aria-hidden />}
    </button>
  );
}
