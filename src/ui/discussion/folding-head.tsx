'use client';

import { useEffect, useState, type ReactNode } from 'react';

/** So far one has to move for it to be meant. */
const MEANT_PX = 6;
/** Nearer to the top than this the head stands. */
const TOP_PX = 60;

/** The head of a page. On a phone it stays in sight, goes away while one reads on, and comes back as soon as one turns back. */
export function FoldingHead({ children }: { children: ReactNode }) {
  const [folded, setFolded] = useState(false);
  useEffect(() => {
    let last = scrollY;
    const onScroll = () => {
      const moved = scrollY - last;
      if (Math.abs(moved) < MEANT_PX) return;
      setFolded(moved > 0 && scrollY > TOP_PX);
      last = scrollY;
    };
    addEventListener('scroll', onScroll, { passive: true });
    return () => removeEventListener('scroll', onScroll);
  }, []);
  return (
    <div
      data-head=""
      // Whoever comes into it by keys sees where they are.
      onFocus={() => setFolded(false)}
      className={`z-30 transition-transform duration-150 max-lg:sticky max-lg:top-0 motion-reduce:transition-none ${folded ? 'max-lg:-translate-y-full' : ''}`}
    >
      {children}
    </div>
  );
}
