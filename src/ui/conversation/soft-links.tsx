'use client';

import { useRouter } from 'next/navigation';
import type { MouseEvent, ReactNode } from 'react';

/**
 * Leads on within the page from every plain link in it, where the browser itself would load a new one. For lists of a hundred
 * links: one listener costs a page less than a hundred links that each know how to do it.
 */
export function SoftLinks({ className, children }: { className?: string; children: ReactNode }) {
  const router = useRouter();
  const onClick = (e: MouseEvent) => {
    // A new tab or window is the reader's wish, and what was dealt with is dealt with.
    if (e.defaultPrevented || e.button !== 0 || e.metaKey || e.ctrlKey || e.shiftKey || e.altKey) return;
    const link = e.target instanceof Element ? e.target.closest('a[data-soft]') : null;
    const href = link?.getAttribute('href');
    if (!href) return;
    e.preventDefault();
    router.push(href);
  };
  return (
    <ul className={className} onClick={onClick}>
      {children}
    </ul>
  );
}
