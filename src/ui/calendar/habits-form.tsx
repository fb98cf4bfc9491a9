import { elsewhereAt, habitsAt } from '@/contract/addresses';
import type { Habits } from '@/core/planning/habits';
import Link from 'next/link';

const SITTINGS = [15, 30, 45, 60, 90, 120, 180, 240];
const BREAKS = [15, 30, 45, 60, 90, 120];

/** When one sleeps and how long one can sit: what the plan keeps to. Works as a plain form. */
export function HabitsForm({ habits }: { habits: Habits }) {
  const choose = (name: string, label: string, value: number, options: number[]) => (
    <label className="grid gap-1 font-semibold">
      {label}
      <select className="field font-normal" name={name} defaultValue={value}>
        {[...new Set([...options, value])]
          .sort((a, b) => a - b)
          .map((n) => (
            <option key={n} value={n}>
              {n} minutes
            </option>
          ))}
      </select>
    </label>
  );
  return (
    <form action={habitsAt()} method="post" className="plate grid gap-3 px-4 py-4">
      <h2 className="text-[16.5px]">How you work</h2>
      <div className="grid grid-cols-2 gap-3">
        <label className="grid gap-1 font-semibold">
          Asleep from
          <input
            className="field font-normal"
            type="text"
            inputMode="text"
            placeholder="23:00"
            pattern="([01]?[0-9]|2[0-3]):[0-5][0-9]"
            title="Hours and minutes, 24 hours: 07:30"
            name="sleepFrom"
            defaultValue={habits.sleepFrom}
            required
          />
        </label>
        <label className="grid gap-1 font-semibold">
          until
          <input
            className="field font-normal"
            type="text"
            inputMode="text"
            placeholder="23:00"
            pattern="([01]?[0-9]|2[0-3]):[0-5][0-9]"
            title="Hours and minutes, 24 hours: 07:30"
            name="sleepTo"
            defaultValue={habits.sleepTo}
            required
          />
        </label>
      </div>
      {choose('sittingMinutes', 'Longest sitting', habits.sittingMinutes, SITTINGS)}
      {choose('breakMinutes', 'Pause between two', habits.breakMinutes, BREAKS)}
      <label className="flex items-start gap-2">
        <input
          className="mt-1 size-4 accent-pine"
          type="checkbox"
          name="inFeed"
          value="yes"
          defaultChecked={habits.inFeed}
        />
        <span>
          Put the sittings into my{' '}
          <Link className="link" href={elsewhereAt()}>
            calendar feed
          </Link>{' '}
          too
        </span>
      </label>
      <button className="btn go" type="submit">
        Keep and plan anew
      </button>
    </form>
  );
}
