import 'server-only';
import type { ReactNode } from 'react';
import { Brand } from '@/ui/frame/brand';
import { CollegeMark } from './college-mark';

/** The page around what is done before anybody is signed in. */
export const Door = ({ children }: { children: ReactNode }) => (
  <main id="main" className="mx-auto grid max-w-[560px] gap-5 px-4 py-10">
    <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
      <Brand className="text-[26px] text-pine-ink" />
      <CollegeMark />
    </div>
    {children}
  </main>
);
