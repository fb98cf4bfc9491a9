'use client';

import type { Doc } from '@/core/document/nodes';
import { leftBehind } from '@/core/formats/left-behind';
import { leftText } from '../words/left-behind';

/** What does not go along into another place's editor, to be ticked off while it is put in there by hand. */
export function LeavesBehind({ doc }: { doc: Doc }) {
  const left = leftBehind(doc);
  if (left.length === 0) return null;
  return (
    <fieldset className="mt-2 rounded-control bg-ochre-tint px-3 py-2 text-[13px]">
      <legend className="sr-only">What the other place does not take over by itself</legend>
      <p aria-hidden className="font-semibold">
        What the other place does not take over by itself
      </p>
      <ul className="mt-1 grid gap-1">
        {left.map((l) => (
          <li key={l.kind}>
            <label className="flex items-start gap-2">
              <input type="checkbox" className="mt-0.5 size-4 shrink-0 accent-(--pine)" />
              <span className="min-w-0 break-words">{leftText(l)}</span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
