import type { ReactNode } from 'react';

/** A picture of numbers under its name, with what it shows in words. */
export const Figure = ({ title, children, said }: { title: string; children: ReactNode; said: string }) => (
  <figure className="rounded-control border border-rule bg-page px-3.5 py-3">
    <figcaption>
      <h2 className="text-[15px]">{title}</h2>
    </figcaption>
    {children}
    <p className="text-[13px] text-ink-2">{said}</p>
  </figure>
);
