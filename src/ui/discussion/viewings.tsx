'use client';

import { viewingsAt } from '@/contract/addresses';
import type { Viewing } from '@/core/viewings/viewing';
import { Check } from 'lucide-react';
import { QuietForm } from '../notes/note-form';
import { plural } from '../words/plural';

/** What a prompt wants watched or heard before one writes, to be ticked off. */
export function Viewings({ slug, viewings }: { slug: string; viewings: (Viewing & { done: boolean })[] }) {
  if (viewings.length === 0) return null;
  const done = viewings.filter((v) => v.done).length;
  return (
    <section aria-labelledby="viewings" className="mt-4">
      <h3 id="viewings" className="text-[14px]">
        To watch or hear first, {done} of {viewings.length} done
      </h3>
      <ul className="mt-1 grid gap-1 text-[13px]">
        {viewings.map((v) => (
          <li key={v.id}>
            <QuietForm action={viewingsAt(slug)} className="flex items-start gap-2">
              <input type="hidden" name="viewing" value={v.id} />
              <button
                name="done"
                value={v.done ? 'no' : 'yes'}
                aria-label={v.done ? `Seen: ${v.title}. Set back to not seen` : `Tick off: ${v.title}`}
                aria-pressed={v.done}
                className={`mt-px grid size-6 shrink-0 place-items-center rounded-[5px] border ${
                  v.done ? 'border-pine bg-pine text-on-pine' : 'border-ink-3 bg-page'
                }`}
              >
                {v.done ? <Check size={15} aria-hidden /> : null}
              </button>
              <span className="pt-0.5">
                {v.href ? (
                  <a className="link" href={v.href} target="_blank" rel="noopener noreferrer nofollow">
                    {v.title}
                  </a>
                ) : (
                  v.title
                )}
                {v.minutes ? <span className="text-ink-2"> {plural(v.minutes, 'minute')}</span> : null}
              </span>
            </QuietForm>
          </li>
        ))}
      </ul>
    </section>
  );
}
