'use client';

import { typedWall } from '@/core/deadlines/typed';
import { useState, type ComponentProps } from 'react';
import { wallText } from '../words/time';

type Own = { wall: string; onWall?: (wall: string) => void };

/**
 * A date and a time, typed year first and with 24 hours: the same on every machine, and as the rest of Pulpit says them. Beneath it
 * stands what was understood, with its weekday. (A browser's own field shows months, days and hours as its own language does.)
 */
export function WhenField({
  wall,
  onWall,
  ...input
}: Own & Omit<ComponentProps<'input'>, 'value' | 'onChange'>) {
  const [typed, setTyped] = useState(wall.replace('T', ' '));
  const [given, setGiven] = useState(wall);
  // Another moment was chosen beside the field.
  if (given !== wall) {
    setGiven(wall);
    setTyped(wall.replace('T', ' '));
  }
  const read = typedWall(typed);
  const known = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/u.test(read) && !Number.isNaN(Date.parse(`${read}:00Z`));
  return (
    <>
      <input
        {...input}
        type="text"
        inputMode="text"
        autoComplete="off"
        placeholder="2026-10-15 23:59"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          onWall?.(typedWall(e.target.value));
        }}
      />
      <span className="text-[12.5px] font-normal text-ink-2" aria-live="polite">
        {known
          ? wallText(read)
          : typed
            ? 'Year-month-day and hours:minutes, for example 2026-10-15 23:59'
            : ''}
      </span>
    </>
  );
}
