'use client';

import type { Doc } from '@/core/document/nodes';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Avatar } from '../frame/avatar';
import { DocumentView } from '../document/document-view';

/** The text exactly as classmates will read it: the same view, without the editor around it. */
export function Preview(props: {
  text: () => { title: string; doc: Doc };
  author: string;
  kind: 'response' | 'reply';
}) {
  const [shown, setShown] = useState<{ title: string; doc: Doc } | null>(null);
  return (
    <Dialog.Root open={shown !== null} onOpenChange={(open) => setShown(open ? props.text() : null)}>
      <Dialog.Trigger className="btn">Preview</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.35)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-3 top-[5dvh] z-50 mx-auto flex max-h-[90dvh] max-w-[640px] flex-col overflow-hidden rounded-plate border border-rule bg-page"
        >
          <div className="flex items-center gap-3 border-b border-rule px-4 py-3">
            <Dialog.Title className="grow text-[16px]">As classmates will read it</Dialog.Title>
            <Dialog.Close className="btn">Close</Dialog.Close>
          </div>
          <article className="min-h-0 overflow-auto px-4 py-3.5 sm:px-5" tabIndex={0}>
            <header className="flex items-start gap-2.5 text-[13px]">
              <Avatar name={props.author} mine />
              <p>
                <b className="text-[14px]">{props.author}</b>
                <span className="block text-ink-2">{props.kind}</span>
              </p>
            </header>
            <div className="mt-2">
              {shown?.title ? <h3 className="mb-2 text-[16px]">{shown.title}</h3> : null}
              {shown ? <DocumentView doc={shown.doc} className="!text-[15px]" /> : null}
            </div>
          </article>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
