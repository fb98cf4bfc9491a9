'use client';

import { Dialog } from 'radix-ui';

const KEYS = [
  ['/', 'find anything'],
  ['g then w', 'This week'],
  ['g then d', 'Discussions'],
  ['g then c', 'Calendar'],
  ['g then p', 'Plan'],
  ['g then m', 'Progress'],
  ['g then n', 'Notices'],
  ['g then q', 'Questions'],
  ['g then b', 'Notebook'],
  ['j / k', 'next / previous response in a conversation'],
  ['. / ,', 'next / previous post, wherever it stands'],
  ['n', 'next unread post'],
  ['s', 'show what has come since'],
  ['r', 'write your reply'],
  ['q', 'quote what you selected in your reply'],
  ['Ctrl+Enter', 'from your text to the button that shares it'],
  ['1 to 9', 'while marking: the level of the criterion in the frame; ↑ ↓ move the frame'],
  ['c', 'while marking: comment on what you selected'],
  ['F9', 'in your text: only the writing, and back'],
  ['?', 'this list'],
] as const;

/** The list of the keyboard's short ways. */
export function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(stays) => (stays ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.45)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[calc(100dvh-16px)] w-[min(92vw,440px)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-plate border border-rule bg-page p-5"
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
