import type { ReactNode } from 'react';
import type { Criterion, Levels, Rubric } from '@/core/rubric/rubric';

/** A rubric as it was given: the level of the mark filled, the student's own estimate in a dashed frame, each said in words as well. */
export function RubricGiven({
  rubric,
  given,
  estimate,
  below,
}: {
  rubric: Rubric;
  given: Levels;
  estimate: Levels | null;
  /** What stands beneath each criterion. */
  below?: (criterion: Criterion) => ReactNode;
}) {
  return (
    <ul className="grid gap-2.5">
      {rubric.criteria.map((c) => (
        <li key={c.id} className="rounded-control border border-rule bg-page px-3 pt-2 pb-2.5">
          <h4 className="flex items-baseline justify-between gap-3 text-[14px]">
            {c.title}
            <span className="shrink-0 font-sans text-[13px] tabular-nums">
              {c.levels[given[c.id] ?? -1]?.points ?? '–'} of {Math.max(...c.levels.map((l) => l.points))}
            </span>
          </h4>
          <ul className="mt-1.5 flex flex-col gap-1.5 text-[12.5px] sm:flex-row sm:flex-wrap">
            {c.levels.map((level, i) => (
              <li
                key={i}
                className={`min-w-[92px] rounded-[6px] border px-2 py-1 sm:flex-1 ${
                  given[c.id] === i ? 'border-pine bg-pine-tint' : 'border-rule-soft text-ink-2'
                } ${estimate?.[c.id] === i ? 'outline-2 outline-offset-1 outline-ochre outline-dashed' : ''}`}
              >
                <b className="tabular-nums">{level.points}</b> {level.title}
                {given[c.id] === i && level.text ? <span className="block">{level.text}</span> : null}
                {given[c.id] === i ? <span className="sr-only">, given</span> : null}
                {estimate?.[c.id] === i ? (
                  <span className="block font-semibold text-ochre-ink">you thought so</span>
                ) : null}
              </li>
            ))}
          </ul>
          {below?.(c)}
        </li>
      ))}
    </ul>
  );
}
