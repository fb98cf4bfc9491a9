'use client';

import {
  allQuestionsAt,
  calendarAt,
  discussionsAt,
  notebookAt,
  noticesAt,
  planAt,
  progressAt,
} from '@/contract/addresses';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useLayoutEffect, useState } from 'react';
import { hearsKeys } from './early';
import { isBeingSent, rememberForm, restoreForm } from './form-memory';

// The list is fetched when it is first asked for.
const KeyList = dynamic(() => import('./key-list').then((m) => m.KeyList), { ssr: false });

const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

const press = (selector: string): boolean => {
  const found = document.querySelector<HTMLElement>(selector);
  found?.click();
  return found !== null;
};

/** Keys that press something of the page that says so (`data-key-…`), where there is such a thing. */
const PRESSES: Partial<Record<string, string>> = {
  '/': 'find',
  j: 'next',
  k: 'previous',
  n: 'unread',
  '.': 'post-after',
  ',': 'post-before',
  s: 'arrived',
  q: 'quote',
};

/** The keyboard's short ways, and the list of them. */
export function Keys() {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  // Before the page is drawn: a key that is pressed in the moment in which one page gives way to the next belongs to the next.
  useLayoutEffect(() => {
    let afterG = -Infinity;
    /** Does what a key stands for; false where it stands for nothing. */
    const act = ({ key, timeStamp }: Pick<KeyboardEvent, 'key' | 'timeStamp'>): boolean => {
      if (key === 'g') {
        afterG = timeStamp;
        return false;
      }
      const go = timeStamp - afterG < 1_500;
      if (go && key === 'w') router.push('/');
      else if (go && key === 'd') router.push(discussionsAt());
      else if (go && key === 'c') router.push(calendarAt());
      else if (go && key === 'p') router.push(planAt());
      else if (go && key === 'm') router.push(progressAt());
      else if (go && key === 'b') router.push(notebookAt());
      else if (go && key === 'q') router.push(allQuestionsAt());
      else if (go && key === 'n') router.push(noticesAt());
      else if (PRESSES[key]) return press(`[data-key-${PRESSES[key]}]`);
      else if (key === 'r') {
        const pressed = press('[data-key-write]');
        const writing = document.querySelector<HTMLElement>('[data-writing] .ProseMirror');
        writing?.focus();
        return pressed || writing !== null;
      } else if (key === '?') setOpen(true);
      else return false;
      return true;
    };
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
      if (act(e)) e.preventDefault();
    };
    restoreForm(document.querySelector('[data-refused]') !== null);
    const onSubmit = (e: SubmitEvent) => {
      // What a script of ours sends keeps its own words.
      if (!(e.target instanceof HTMLFormElement) || e.target.method !== 'post' || e.defaultPrevented) return;
      // Pressed twice is sent once.
      if (isBeingSent(e.target)) e.preventDefault();
      else rememberForm(e.target);
    };
    document.addEventListener('submit', onSubmit);
    // Before the editor, which would break a line.
    document.addEventListener('keydown', onKey, true);
    hearsKeys('frame');
    return () => {
      document.removeEventListener('keydown', onKey, true);
      document.removeEventListener('submit', onSubmit);
    };
  }, [router]);
  return open ? <KeyList onClose={() => setOpen(false)} /> : null;
}
