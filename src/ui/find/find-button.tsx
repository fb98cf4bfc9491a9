'use client';

import { findAt } from '@/contract/addresses';
import { Search } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';

// The palette is fetched when it is first opened: no page need carry it.
const Palette = dynamic(() => import('./palette').then((m) => m.Palette), { ssr: false });

/** Opens the palette, by a click or by "/"; without scripts it is a link to find's own page. */
export function FindButton({ zone }: { zone: string }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLAnchorElement>(null);
  return (
    <>
      <a
        ref={button}
        href={findAt()}
        data-key-find=""
        aria-haspopup="dialog"
        onClick={(e) => {
          if (e.metaKey || e.ctrlKey || e.shiftKey) return;
          e.preventDefault();
          setOpen(true);
        }}
        className="inline-flex min-h-8 items-center gap-2 rounded-[6px] border border-bar-rule px-2.5 text-[13px] lg:w-44"
      >
        <Search size={15} aria-hidden />
        <span className="max-sm:sr-only">
          Find<span className="max-lg:sr-only"> anything</span>
        </span>
        <kbd
          aria-hidden
          className="ml-auto hidden rounded-[3px] border border-bar-rule px-1.5 font-sans text-[11.5px] lg:inline"
        >
          /
        </kbd>
      </a>
      {open ? (
        <Palette zone={zone} onClose={() => setOpen(false)} onClosed={() => button.current?.focus()} />
      ) : null}
    </>
  );
}
