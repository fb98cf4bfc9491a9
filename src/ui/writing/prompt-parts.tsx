'use client';

import type { Part } from '@/core/brief/brief';
import { useOfChecks } from './writing-context';

/** The prompt's questions, each with a sign of whether the draft answers it. */
export function PromptParts({ parts }: { parts: Part[] }) {
  const check = useOfChecks((checks) => checks?.find((c) => c.id === 'parts'));
  const open = check?.missing?.code === 'parts-unanswered' ? check.missing.parts.map((p) => p.n) : [];
  if (parts.length === 0) return null;
  return (
    <ol className="mt-3 grid gap-1 font-serif text-[15px] leading-[1.55]">
      {parts.map((p, i) => {
        const done = check !== undefined && !open.includes(i + 1);
        return (
          <li
            key={p.id}
            className={`flex gap-3 rounded-control px-2.5 py-2 ${check && !done ? 'bg-ochre-tint' : ''}`}
          >
            <span
              aria-hidden
              className={`mt-[3px] grid h-[18px] w-[18px] shrink-0 place-items-center rounded-[4px] font-sans text-[11px] font-bold ${
                done ? 'bg-pine text-on-pine' : 'bg-rule text-ink'
              }`}
            >
              {done ? '✓' : i + 1}
            </span>
            <span>
              {p.text}
              {check ? <span className="sr-only"> ({done ? 'answered' : 'no answer yet'})</span> : null}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
