'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

// The list is fetched when it is first asked for.
const KeyList = dynamic(() => import('./key-list').then((m) => m.KeyList), { ssr: false });

const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

const press = (selector: string) => {
  const found = document.querySelector<HTMLElement>(selector);
  found?.click();
  return found;
};

/** The keyboard's short ways, and the list of them. */
export function Keys() {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    let afterG = 0;
    const onKey = (e: KeyboardEvent) => {
      // From the text to the button that shares it, which says what will happen; Enter then does it.
      if (e.key === 'Enter' && (e.ctrlKey || e.metaKey) && !e.altKey && !e.shiftKey) {
        const share = document.querySelector<HTMLElement>('[data-key-share]');
        if (!share) return;
        e.preventDefault();
        e.stopPropagation();
        share.focus();
        share.scrollIntoView({ block: 'nearest' });
        return;
      }
      if (e.ctrlKey || e.metaKey || e.altKey || inField(e.target)) return;
      if (e.key === 'g') {
        afterG = e.timeStamp;
        return;
      }
      const go = e.timeStamp - afterG < 1_500;
      if (go && e.key === 'w') router.push('/');
      else if (go && e.key === 'd') router.push('/discussions');
      else if (go && e.key === 'c') router.push('/calendar');
      else if (go && e.key === 'p') router.push('/calendar/plan');
      else if (e.key === '/') press('[data-key-find]');
      else if (e.key === 'j') press('[data-key-next]');
      else if (e.key === 'k') press('[data-key-previous]');
      else if (e.key === 'n') press('[data-key-unread]');
      else if (e.key === '.') press('[data-key-post-after]');
      else if (e.key === ',') press('[data-key-post-before]');
      else if (e.key === 's') press('[data-key-arrived]');
      else if (e.key === 'r') {
        press('[data-key-write]');
        document.querySelector<HTMLElement>('[data-writing] .ProseMirror')?.focus();
      } else if (e.key === 'q') press('[data-key-quote]');
      else if (e.key === '?') setOpen(true);
      else return;
      e.preventDefault();
    };
    // Before the editor, which would break a line.
    document.addEventListener('keydown', onKey, true);
    return () => document.removeEventListener('keydown', onKey, true);
  }, [router]);
  return open ? <KeyList onClose={() => setOpen(false)} /> : null;
}
