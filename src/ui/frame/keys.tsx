'use client';

import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';

const KEYS = [
  ['/', 'find anything'],
  ['g then w', 'This week'],
  ['g then d', 'Discussions'],
  ['g then c', 'Calendar'],
  ['g then p', 'Plan'],
  ['j / k', 'next / previous response in a conversation'],
  ['r', 'write your reply'],
  ['q', 'quote what you selected in your reply'],
  ['?', 'this list'],
] as const;

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
      else if (e.key === 'r') {
        press('[data-key-write]');
        document.querySelector<HTMLElement>('[data-writing] .ProseMirror')?.focus();
      } else if (e.key === 'q') press('[data-key-quote]');
      else if (e.key === '?') setOpen(true);
      else return;
      e.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [router]);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.45)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 w-[min(92vw,440px)] -translate-x-1/2 -translate-y-1/2 rounded-plate border border-rule bg-page p-5"
        >
          <Dialog.Title className="mb-3 text-[19px]">Keys</Dialog.Title>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="rounded-[4px] border border-rule px-1.5 py-0.5 font-sans text-[12.5px] font-semibold">
                    {key}
                  </kbd>
                </dt>
                <dd className="text-ink-2">{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close asChild>
            <button type="button" className="btn mt-4">
              Close
            </button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
