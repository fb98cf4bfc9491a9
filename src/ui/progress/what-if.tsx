'use client';

import { useState } from 'react';
import type { ProgressCourse } from '@/contract/progress';
import { standingOf } from '@/core/marks/progress';
import { plural } from '../words/plural';

/** "What if": points for what is not marked yet, and where that leads. Nothing of it is kept. */
export function WhatIf({ course }: { course: ProgressCourse }) {
  const open = course.cells.filter((c) => c.toWin > 0);
  const [guesses, setGuesses] = useState<Readonly<Record<string, number>>>({});
  if (open.length === 0) return null;
  const then = standingOf(
    course.cells.map(({ slug, mark, toWin }) => ({
      slug,
      mark: mark && mark.points !== null && mark.of !== null ? { points: mark.points, of: mark.of } : null,
      toWin,
    })),
    course.scale,
    guesses,
  );
  const guess = (slug: string, text: string) =>
    setGuesses((all) => {
      const rest = Object.entries(all).filter(([other]) => other !== slug);
      const n = Number(text);
      return Object.fromEntries(text.trim() === '' || !Number.isFinite(n) ? rest : [...rest, [slug, n]]);
    });
  return (
    <details className="hidden text-[13px] scripted:block">
      <summary className="link min-h-6 w-fit">What if…</summary>
      <ul className="mt-1.5 flex flex-wrap gap-x-4 gap-y-2">
        {open.map((c) => (
          <li key={c.slug}>
            <label className="flex items-center gap-1.5">
              <span title={c.title}>Week {c.week}</span>
              <input
                className="field w-[68px] !px-2 !py-1 tabular-nums"
                type="number"
                min={0}
                max={c.toWin}
                step="any"
                aria-label={`Points in week ${c.week}, ${c.title}, of ${c.toWin}`}
                onChange={(e) => guess(c.slug, e.target.value)}
              />
              <span className="text-ink-2">of {c.toWin}</span>
            </label>
          </li>
        ))}
      </ul>
      <p role="status" className="mt-1.5 font-semibold">
        {Object.keys(guesses).length === 0 || then.percent === null
          ? 'Say points for a week, and see where that leads. Nothing of it is kept.'
          : `Then ${then.percent} % of ${plural(then.of, 'point')}${then.grade ? `: ${then.grade}` : ''}.`}
      </p>
    </details>
  );
}
