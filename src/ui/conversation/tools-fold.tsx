'use client';

import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useFront, type Side } from '../discussion/front';

/** On a phone: who is worth answering first, and behind one press the list, what narrows it and how it is laid out. */
export function ToolsFold(props: {
  hint: ReactNode;
  /** What is listed, as the button calls it. */
  listed: string;
  /** A post is open: whoever answers it has no use for a list. */
  beside: boolean;
  /** The page in front where nobody chose one. */
  first: Side;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const writing = useFront(props.first) === 'right' && props.beside;
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <div data-tools={open && !writing ? 'open' : 'closed'} className="group/tools">
      <div
        data-steps-aside=""
        className={`flex min-h-12 items-center gap-3 border-b border-rule bg-page-2 pr-2 pl-4 text-[13px] leading-snug lg:hidden ${writing ? 'scripted:hidden' : ''}`}
      >
        <p className="min-w-0 grow">{props.hint}</p>
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="hidden min-h-11 shrink-0 items-center gap-1 rounded-control px-2 text-[12.5px] font-semibold scripted:inline-flex"
        >
          {props.listed} <Chevron size={15} aria-hidden />
        </button>
      </div>
      {props.children}
    </div>
  );
}
