'use client';

import { useState } from 'react';

const PLACES = [
  ['main', ['#main'], 'To the page'],
  ['list', ['[data-skip-list]'], 'To the list of posts'],
  ['text', ['[data-writing] .ProseMirror', 'form textarea'], 'To your text'],
] as const;

/** The first of a kind that is in sight: a form that is folded away cannot be gone to. */
const inSight = (kinds: readonly string[]): HTMLElement | null =>
  kinds
    .flatMap((kind) => [...document.querySelectorAll<HTMLElement>(kind)])
    .find((element) => element.checkVisibility({ visibilityProperty: true })) ?? null;

/** The first stops of the Tab key: past the bar to the page, to the list and to the text one writes, where there are such. */
export function SkipLinks() {
  const [there, setThere] = useState<readonly string[]>(['main']);
  return (
    <nav
      aria-label="Skip to"
      className="sr-only focus-within:not-sr-only focus-within:absolute focus-within:top-1 focus-within:left-1 focus-within:z-50 focus-within:flex focus-within:gap-2"
      // What there is to skip to is known when somebody asks.
      onFocus={() => setThere(PLACES.filter(([, kinds]) => inSight(kinds)).map(([id]) => id))}
    >
      {PLACES.map(([id, kinds, label]) =>
        there.includes(id) ? (
          <a
            key={id}
            href="#main"
            className="btn bg-page"
            onClick={(e) => {
              const target = inSight(kinds);
              if (!target) return;
              e.preventDefault();
              if (target.tabIndex < 0 && !target.isContentEditable) target.tabIndex = -1;
              const first = id === 'list' ? target.querySelector<HTMLElement>('a[href]') : null;
              (first ?? target).focus();
              target.scrollIntoView({ block: 'nearest' });
            }}
          >
            {label}
          </a>
        ) : null,
      )}
    </nav>
  );
}
