'use client';

import { finding } from '@/contract/find';
import { call } from '../request/call';
import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { useEffect, useMemo, useRef, useState } from 'react';
import { parseFind, withFilter } from '@/core/find/ask';
import { HitLine, NEARLY } from './hit-line';
import { hitsOf, type Hit } from './hits';
import type { FoundThings } from '@/contract/find';

const WAIT_MS = 130;
const NOTHING: FoundThings = { courses: [], posts: [], texts: [], people: [], nearly: false };

/** Asks the server as one types; an answer to what is no longer typed is dropped. */
function useFound(typed: string) {
  const [found, setFound] = useState<FoundThings>(NOTHING);
  const [state, setState] = useState<'still' | 'looking' | 'failed'>('still');
  useEffect(() => {
    const stop = new AbortController();
    const timer = setTimeout(async () => {
      setState('looking');
      const answer = await call(finding, {}, { q: typed }, { signal: stop.signal });
      if (stop.signal.aborted) return;
      if (answer.ok) setFound(answer.value);
      setState(answer.ok ? 'still' : 'failed');
    }, WAIT_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [typed]);
  return { found, state };
}

/** The palette: one field over everything, walked by the arrow keys. */
export function Palette({
  zone,
  onClose,
  onClosed,
}: {
  zone: string;
  onClose: () => void;
  /** Called when it is gone, to give the focus back. */
  onClosed: () => void;
}) {
  const router = useRouter();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const { found, state } = useFound(typed);
  const hits = useMemo(() => hitsOf(found, typed, zone), [found, typed, zone]);
  const list = useRef<HTMLDivElement>(null);
  const here = Math.min(at, Math.max(0, hits.length - 1));
  const asked = parseFind(typed);

  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [here, hits]);

  const go = (hit: Hit | undefined) => {
    if (!hit) return;
    // A person narrows the search to their posts, without leaving it.
    if (hit.group === 'People') {
      setTyped(withFilter('', 'from', hit.title.toLowerCase()));
      setAt(0);
      return;
    }
    onClose();
    router.push(hit.href);
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key === 'ArrowDown') setAt((here + 1) % Math.max(1, hits.length));
    else if (e.key === 'ArrowUp') setAt((here - 1 + hits.length) % Math.max(1, hits.length));
    else if (e.key === 'Home' && e.ctrlKey) setAt(0);
    else if (e.key === 'Enter') go(hits[here]);
    else return;
    e.preventDefault();
  };
  return (
    <Dialog.Root open onOpenChange={(stays) => (stays ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.45)]" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            onClosed();
          }}
          className="fixed inset-x-2 top-2 z-50 mx-auto flex max-h-[calc(100dvh-16px)] max-w-[680px] flex-col overflow-hidden rounded-plate border border-rule bg-page sm:top-[9vh] sm:max-h-[76vh]"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <div className="flex items-center gap-2 border-b border-rule px-4">
            <Search size={18} aria-hidden className="text-ink-3" />
            <input
              role="combobox"
              aria-label="Find prompts, posts, people, readings and places"
              aria-expanded={hits.length > 0}
              aria-controls="found"
              aria-activedescendant={hits.length ? `hit-${here}` : undefined}
              aria-autocomplete="list"
              autoComplete="off"
              spellCheck={false}
              value={typed}
              onChange={(e) => {
                setTyped(e.target.value);
                setAt(0);
              }}
              onKeyDown={onKeyDown}
              placeholder="Words, “a phrase”, from:name, in:course"
              className="min-h-12 grow bg-transparent text-[16px] outline-none"
            />
            <Dialog.Close className="rounded-[6px] px-2 py-1 text-[12.5px] font-semibold text-ink-2">
              Close
            </Dialog.Close>
          </div>
          <div
            role="group"
            aria-label="Narrow to a course"
            className="flex flex-wrap gap-1.5 border-b border-rule-soft px-4 py-2"
          >
            {found.courses.length > 1 || asked.course !== null
              ? found.courses.map((c) => {
                  const on = asked.course !== null && c.slug.includes(asked.course);
                  return (
                    <button
                      key={c.slug}
                      type="button"
                      aria-pressed={on}
                      onClick={() => setTyped(withFilter(typed, 'in', on ? null : c.slug))}
                      className={`min-h-7 rounded-[6px] border px-2 text-[12px] font-semibold ${on ? 'border-ink bg-ink text-page' : 'border-rule'}`}
                    >
                      {c.code}
                    </button>
                  );
                })
              : null}
            <span role="status" className="ml-auto self-center text-[12px] text-ink-2">
              {state === 'failed'
                ? 'Pulpit does not answer. What you typed stays; try again in a moment.'
                : asked.text || asked.from
                  ? `${hits.length} found`
                  : ''}
            </span>
          </div>
          {found.nearly ? (
            <p className="border-b border-rule-soft bg-page-2 px-4 py-1.5 text-[12.5px] text-ink-2">
              {NEARLY}
            </p>
          ) : null}
          <div ref={list} id="found" role="listbox" aria-label="Found" className="min-h-0 overflow-auto py-1">
            {hits.map((hit, i) => (
              <div key={hit.key}>
                {hits[i - 1]?.group === hit.group ? null : (
                  <p aria-hidden className="px-4 pt-2.5 pb-1 text-[11.5px] font-semibold text-ink-3">
                    {hit.group}
                  </p>
                )}
                <div
                  id={`hit-${i}`}
                  role="option"
                  aria-selected={i === here}
                  onClick={() => go(hit)}
                  onMouseMove={() => setAt(i)}
                  className={`cursor-pointer px-4 py-2 ${i === here ? 'bg-page-2 shadow-[inset_3px_0_var(--pine)]' : ''}`}
                >
                  <HitLine hit={hit} />
                </div>
              </div>
            ))}
            {hits.length === 0 && state === 'still' && (asked.text || asked.from) ? (
              <p className="px-4 py-5 text-ink-2">
                Nothing found. Sealed posts are not searched until you share your response.
              </p>
            ) : null}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
