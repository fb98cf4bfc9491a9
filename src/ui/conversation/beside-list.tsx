'use client';

import { PanelLeftClose, PanelLeftOpen } from 'lucide-react';
import { useState, type ReactNode } from 'react';

/**
 * The list of responses beside what is open. Once an answer is begun it folds to a strip, so that post and answer have the
 * width; one press brings it back.
 */
export function BesideList(props: {
  list: ReactNode;
  /** What is listed, as the strip calls it. */
  listed: string;
  /** Something is open beside it: on a phone it waits behind one press then. */
  beside: boolean;
  begun: boolean;
  children: ReactNode;
}) {
  const [wish, setWish] = useState<boolean | null>(null);
  const [typed, setTyped] = useState(false);
  const folded = props.beside && (wish ?? (props.begun || typed));
  return (
    <div
      className={`grid grid-cols-[minmax(0,1fr)] gap-3 lg:gap-0 ${folded ? 'lg:grid-cols-[44px_minmax(0,1fr)]' : 'lg:grid-cols-[290px_minmax(0,1fr)]'}`}
      // With the first letter, not when the text gets the focus: what one presses must not move away under the pointer.
      onInput={(e) => {
        if (!typed && e.target instanceof Element && e.target.closest('[data-writing]')) setTyped(true);
      }}
    >
      <div
        className={`plate min-w-0 overflow-hidden max-lg:rounded-none max-lg:border-x-0 max-lg:border-t-0 lg:h-[calc(100dvh-var(--above))] lg:min-h-[520px] lg:rounded-r-none lg:border-r-0 ${
          props.beside ? 'max-lg:group-data-[tools=closed]/tools:hidden' : ''
        }`}
      >
        {folded ? (
          <button
            type="button"
            onClick={() => setWish(false)}
            className="hidden size-full flex-col items-center gap-3 bg-page-2 pt-3 text-[13px] font-semibold text-ink-2 hover:bg-page lg:flex"
          >
            <PanelLeftOpen size={18} aria-hidden />
            <span className="[writing-mode:vertical-rl]">
              <span className="sr-only">Unfold the list: </span>
              {props.listed}
            </span>
          </button>
        ) : null}
        <div className={`flex h-full min-h-0 flex-col ${folded ? 'lg:hidden' : ''}`}>
          {props.beside && (props.begun || typed) ? (
            <button
              type="button"
              onClick={() => setWish(true)}
              className="hidden min-h-9 items-center gap-2 border-b border-rule bg-page-2 px-3 text-[12.5px] font-semibold text-ink-2 hover:bg-page lg:flex"
            >
              <PanelLeftClose size={16} aria-hidden /> Fold the list
            </button>
          ) : null}
          <div className="min-h-0 grow">{props.list}</div>
        </div>
      </div>
      {props.children}
    </div>
  );
}
