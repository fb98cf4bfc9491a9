import Link from 'next/link';
import type { ReactNode } from 'react';

/** One choice of a row of filters: a link, for the choice is in the address. */
export function Chip({ href, on, children }: { href: string; on: boolean; children: ReactNode }) {
  return (
    <Link
      href={href}
      aria-current={on ? 'true' : undefined}
      className={`inline-flex min-h-8 items-center gap-1.5 rounded-[6px] border px-2.5 text-[12.5px] font-semibold ${
        on ? 'border-ink bg-ink text-page' : 'border-rule bg-page hover:border-ink-3'
      }`}
    >
      {children}
    </Link>
  );
}
