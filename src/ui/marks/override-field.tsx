'use client';

import { useState } from 'react';
import { MARK_LIMITS, type Mark } from '@/core/marks/mark';

/** Other points than the rest gives, with a reason that the student reads. Kept once both are said. */
export function OverrideField({
  override,
  change,
}: {
  override: Mark['override'];
  change: (override: Mark['override']) => void;
}) {
  const [points, setPoints] = useState(override ? String(override.points) : '');
  const [reason, setReason] = useState(override?.reason ?? '');
  const say = (nextPoints: string, nextReason: string) => {
    setPoints(nextPoints);
    setReason(nextReason);
    const n = Number(nextPoints);
    const whole = nextPoints.trim() !== '' && Number.isFinite(n) && n >= 0 && nextReason.trim() !== '';
    if (whole) change({ points: n, reason: nextReason.trim() });
    else if (override) change(null);
  };
  const half = (points.trim() === '') !== (reason.trim() === '');
  return (
    <details open={override !== null} className="text-[13px]">
      <summary className="link min-h-6 w-fit">Other points than these</summary>
      <div className="mt-1.5 grid grid-cols-[96px_1fr] gap-2">
        <label className="grid gap-1 font-semibold">
          Points
          <input
            className="field tabular-nums"
            type="number"
            min={0}
            step="any"
            name="override.points"
            value={points}
            onChange={(e) => say(e.target.value, reason)}
          />
        </label>
        <label className="grid gap-1 font-semibold">
          Why, for the student to read
          <input
            className="field font-normal"
            name="override.reason"
            maxLength={MARK_LIMITS.reason}
            value={reason}
            onChange={(e) => say(points, e.target.value)}
          />
        </label>
      </div>
      {half ? (
        <p role="status" className="mt-1 font-medium text-ochre-ink">
          {points.trim() === ''
            ? 'Say how many points.'
            : 'Say why: without a reason these points do not hold.'}
        </p>
      ) : null}
    </details>
  );
}
