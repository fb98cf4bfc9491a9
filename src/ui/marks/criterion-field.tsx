import type { ReactNode } from 'react';
import type { Proposed } from '@/core/marks/propose';
import type { Criterion } from '@/core/rubric/rubric';
import { groundText } from '../words/marks';

/** One criterion of a rubric with its levels to choose from, and what the ledger would say, which is never chosen by itself. */
export function CriterionField({
  criterion,
  level,
  proposed,
  current,
  choose,
  children,
}: {
  criterion: Criterion;
  level: number | null;
  proposed: Proposed | null;
  /** Digits choose here. */
  current: boolean;
  choose: (level: number) => void;
  /** What its student asked about it. */
  children: ReactNode;
}) {
  const best = Math.max(...criterion.levels.map((l) => l.points));
  return (
    <fieldset
      className={`rounded-control border bg-page px-3 pt-2 pb-2.5 ${current ? 'border-ochre' : 'border-rule'}`}
    >
      <legend className="float-left flex w-full items-baseline justify-between gap-3 font-serif text-[14.5px] font-semibold">
        {criterion.title}
        <span className="shrink-0 font-sans text-[13px] tabular-nums">
          {level === null ? '' : (criterion.levels[level]?.points ?? '')} of {best}
        </span>
      </legend>
      <div className="clear-both flex flex-wrap gap-1.5 pt-1.5">
        {criterion.levels.map((l, i) => (
          <label
            key={i}
            title={l.text}
            className={`min-w-[96px] flex-1 cursor-pointer rounded-[6px] border px-2 py-1 text-[12.5px] has-focus-visible:outline-2 has-focus-visible:outline-pine ${
              level === i ? 'border-pine bg-pine-tint font-semibold' : 'border-rule-soft'
            }`}
          >
            <input
              type="radio"
              className="peer sr-only"
              name={`level.${criterion.id}`}
              value={i}
              checked={level === i}
              onChange={() => choose(i)}
            />
            <span className="flex justify-between gap-2">
              <b className="tabular-nums">{l.points}</b>
              {current ? <kbd className="hidden lg:scripted:inline">{i + 1}</kbd> : null}
            </span>
            {l.title}
            <span className="sr-only">{l.text ? `: ${l.text}` : ''}</span>
          </label>
        ))}
      </div>
      {proposed ? (
        <p className="mt-1.5 text-[12.5px] text-ink-2">
          {groundText(proposed.ground)}.{' '}
          {level === null ? (
            <button
              type="button"
              className="link hidden min-h-6 scripted:inline"
              onClick={() => choose(proposed.level)}
            >
              Take {current ? `${proposed.level + 1}, ` : ''}“{criterion.levels[proposed.level]?.title}”
            </button>
          ) : null}
        </p>
      ) : null}
      {children}
    </fieldset>
  );
}
