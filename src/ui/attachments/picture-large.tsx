'use client';

import { Dialog } from 'radix-ui';
import type { RefObject } from 'react';

/** A picture that fills the screen, until it is closed; then whoever looked stands where they came from. */
export function PictureLarge(props: {
  address: string;
  alt: string;
  said: string;
  from: RefObject<HTMLElement | null>;
  onClose: () => void;
}) {
  const { address, alt, said, from, onClose } = props;
  return (
    <Dialog.Root open onOpenChange={(stays) => (stays ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.75)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-2 z-50 flex flex-col gap-2 rounded-plate bg-page p-3"
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            from.current?.focus();
          }}
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
  );
}
