'use client';

import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';

type Side = 'left' | 'right';

/**
 * Two pages side by side: what is answered, and what is written. On a phone they are two tabs of one page, and the
 * handle at the foot pulls the other page up without leaving the one in hand. Without scripts they stand one below
 * the other.
 */
export function FacingPages(props: {
  left: { name: string; page: ReactNode };
  right: { name: string; page: ReactNode };
  first: Side;
  /** What the pages are about: when it is something else, the first page is in front again. */
  about?: string;
  shape?: 'even' | 'narrow-left';
}) {
  const [front, setFront] = useState<Side>(props.first);
  const [pulled, setPulled] = useState(false);
  const [about, setAbout] = useState(props.about);
  if (about !== props.about) {
    setAbout(props.about);
    setFront(props.first);
    setPulled(false);
  }
  const other: Side = front === 'left' ? 'right' : 'left';
  const show = (side: Side) => {
    setFront(side);
    setPulled(false);
  };
  const place = (side: Side) =>
    side === front
      ? ''
      : pulled
        ? 'max-lg:fixed max-lg:inset-x-0 max-lg:bottom-[49px] max-lg:z-30 max-lg:h-[62dvh] max-lg:overflow-auto max-lg:border-t-2 max-lg:border-rule max-lg:rounded-t-plate'
        : 'scripted:max-lg:hidden';
  const shape = props.shape === 'narrow-left' ? 'lg:grid-cols-[minmax(340px,432px)_1fr]' : 'lg:grid-cols-2';
  return (
    <div className="min-w-0">
      <div
        className="mb-2 hidden rounded-[8px] border border-rule bg-page-2 p-1 max-lg:scripted:flex"
        role="group"
        data-steps-aside=""
        aria-label="Pages"
      >
        {(['left', 'right'] as const).map((side) => (
          <button
            key={side}
            type="button"
            aria-pressed={front === side}
            {...(side === 'right' ? { 'data-key-write': '' } : {})}
            onClick={() => show(side)}
            className={`grow rounded-[6px] px-3 py-2 text-[13px] font-semibold ${
              front === side ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]' : 'text-ink-2'
            }`}
          >
            {props[side].name}
          </button>
        ))}
      </div>
      <div
        className={`plate grid grid-cols-[minmax(0,1fr)] lg:h-[calc(100dvh-var(--above,148px))] lg:min-h-[520px] lg:overflow-hidden wide:mx-auto wide:mt-4 wide:max-w-[900px] wide:lg:h-[calc(100dvh-32px)] wide:lg:grid-cols-1 ${shape}`}
      >
        <section
          aria-label={props.left.name}
          data-steps-aside=""
          className={`relative flex min-h-0 min-w-0 flex-col bg-page-2 lg:rounded-l-plate lg:border-r lg:border-rule lg:after:pointer-events-none lg:after:absolute lg:after:inset-y-0 lg:after:right-0 lg:after:w-3.5 lg:after:bg-[linear-gradient(to_right,transparent,var(--fold))] ${place('left')}`}
        >
          {props.left.page}
        </section>
        <section
          aria-label={props.right.name}
          className={`flex min-h-0 min-w-0 flex-col bg-page max-lg:min-h-[60dvh] lg:rounded-r-plate ${place('right')}`}
        >
          {props.right.page}
        </section>
      </div>
      <div className="hidden h-14 max-lg:scripted:block" aria-hidden />
      <button
        type="button"
        data-steps-aside=""
        aria-expanded={pulled}
        onClick={() => setPulled(!pulled)}
        className="fixed inset-x-0 bottom-0 z-30 hidden min-h-12 items-center justify-center gap-2 border-t border-rule bg-page-2 font-semibold max-lg:scripted:flex"
      >
        {pulled ? <ChevronDown size={18} aria-hidden /> : <ChevronUp size={18} aria-hidden />}
        {pulled ? `Put ${props[other].name} down` : `Pull up: ${props[other].name}`}
      </button>
    </div>
  );
}
