import Link from 'next/link';
import type { ReactNode } from 'react';
import type { MaterialKind } from '@/contract/readings';

/** The page around the desk of a reading's or a prompt's text. */
export const MaterialPage = (props: {
  what: MaterialKind;
  title: string;
  back: string;
  children: ReactNode;
}) => (
  <main id="main" className="px-4 pb-4 sm:px-7">
    <div className="mx-auto max-w-[820px] py-3">
      <p className="text-[12px] font-semibold text-ink-2">
        <Link href={props.back} className="inline-flex min-h-7 items-center hover:underline">
          {props.title}
        </Link>
      </p>
      <h1 className="text-[21px] leading-tight">Edit the {props.what}</h1>
    </div>
    <section
      aria-label={`The ${props.what}’s text`}
      className="plate mx-auto flex min-h-[60dvh] max-w-[820px] flex-col"
    >
      {props.children}
    </section>
  </main>
);
