'use client';

import { attachmentAt } from '@/contract/addresses';
import type { Picture } from '@/core/document/nodes';
import { Dialog } from 'radix-ui';
import { useState } from 'react';

/** A picture in a shared text; pressed, it fills the screen. Without scripts the press leads to the picture itself. */
export function PictureView({ attrs }: { attrs: Picture['attrs'] }) {
  const { file, width, height, alt, caption, size, place } = attrs;
  const [open, setOpen] = useState(false);
  const address = attachmentAt(file);
  const said = alt || caption || 'Picture without a description';
  return (
    <figure className="picture" data-place={place ?? ''} style={size ? { width: `${size}%` } : undefined}>
      <Dialog.Root open={open} onOpenChange={setOpen}>
        {/* A link and no button: without scripts it leads to the picture itself. */}
        <Dialog.Trigger asChild>
          <a
            href={address}
            aria-label={`${said}: see it large`}
            onClick={(e) => {
              e.preventDefault();
              setOpen(true);
            }}
          >
            {/* Only the server knows who may see it, so nothing in between may keep or change it. */}
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src={address} alt={alt} width={width} height={height} loading="lazy" decoding="async" />
          </a>
        </Dialog.Trigger>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.75)]" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed inset-2 z-50 flex flex-col gap-2 rounded-plate bg-page p-3"
          >
            <div className="flex items-start gap-3">
              <Dialog.Title className="grow text-[14px] font-medium">{said}</Dialog.Title>
              <Dialog.Close className="btn">Close</Dialog.Close>
            </div>
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src={address} alt={alt} className="min-h-0 w-full grow object-contain" />
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
      {caption ? <figcaption>{caption}</figcaption> : null}
    </figure>
  );
}
