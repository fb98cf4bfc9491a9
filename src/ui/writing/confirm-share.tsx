'use client';

import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** Asked only where sharing has a consequence the writer may not want; it tells and never forbids. */
export function ConfirmShare(props: {
  open: boolean;
  close: () => void;
  title: string;
  children: ReactNode;
  go: string;
  onGo: () => void;
  /** The way back. */
  cancel?: string;
  /** What is still to be filled in. */
  field?: ReactNode;
}) {
  return (
    <AlertDialog.Root open={props.open} onOpenChange={(open) => !open && props.close()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.45)]" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 max-h-[86dvh] w-[min(92vw,460px)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-plate border border-rule bg-page p-5">
          <AlertDialog.Title className="text-[19px]">{props.title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="mt-2 text-[14.5px] text-ink-2">{props.children}</div>
          </AlertDialog.Description>
          {props.field}
          <div className="mt-4 flex flex-wrap justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <button type="button" className="btn">
                {props.cancel ?? 'Keep writing'}
              </button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <button type="button" className="btn go" onClick={props.onGo}>
                {props.go}
              </button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
