import type { ReactNode } from 'react';

/** A part of what lies on the desk's right page, under a heading. */
export function Part({ id, title, children }: { id: string; title: string; children: ReactNode }) {
  return (
    <section aria-labelledby={id} className="grid gap-3 border-t border-rule-soft px-5 py-4">
      <h3 id={id} className="text-[16px]">
        {title}
      </h3>
      {children}
    </section>
  );
}
