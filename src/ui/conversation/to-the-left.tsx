'use client';

import { ChevronLeft } from 'lucide-react';
import { bringToFront } from '../discussion/front';

/** On a phone: back from what is written to what it answers. */
export const ToTheLeft = ({ name }: { name: string }) => (
  <button
    type="button"
    aria-label={name}
    onClick={() => bringToFront('left')}
    className="grid w-11 shrink-0 place-items-center scripted:grid"
  >
    <ChevronLeft size={20} aria-hidden />
  </button>
);
