'use client';

import { wallClockAt, daysLater } from '@/core/deadlines/wallclock';
import { instant } from '@/core/ids';
import { typedWall } from '@/core/deadlines/typed';
import { WhenField } from '../frame/when-field';
import { RESULTS_SHOWN, type HandsAsked } from '@/core/questions/hands';

/** A show of hands as it is written: its choices a line each. */
export type HandsDraft = Omit<HandsAsked, 'choices'> & { choices: string };

/** Open for two days, names covered, seen by whoever has raised a hand. */
export const freshHands = (now: number, zone: string): HandsDraft => ({
  choices: '',
  several: false,
  named: false,
  shown: 'voted',
  closes: `${daysLater(wallClockAt(instant(now), zone), 2).slice(0, 10)}T18:00`,
});

/** A show of hands as its fields say it, by their names. */
export const handsTyped = (typed: Readonly<Record<string, string | undefined>>): HandsDraft => ({
  choices: typed.choices ?? '',
  several: typed.several === 'yes',
  named: typed.named === 'yes',
  shown: RESULTS_SHOWN.find((s) => s === typed.shown) ?? 'voted',
  closes: typedWall(typed.closes ?? ''),
});

export const handsOf = ({ choices, ...rest }: HandsDraft): HandsAsked | null => {
  const lines = choices
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
  return lines.length < 2 || rest.closes === '' ? null : { ...rest, choices: lines };
};

const SHOWN: Record<(typeof RESULTS_SHOWN)[number], string> = {
  now: 'from the beginning',
  voted: 'once one has raised a hand',
  end: 'when it is over',
};

/** What there is to choose, how, and until when. */
export function HandsFields({
  hands,
  change,
  form,
}: {
  hands: HandsDraft;
  change: (hands: HandsDraft) => void;
  /** The form they belong to as long as no script runs. */
  form: string;
}) {
  const set = (part: Partial<HandsDraft>) => change({ ...hands, ...part });
  return (
    <div className="grid gap-2 text-[13px] sm:grid-cols-2">
      <label className="grid gap-1 font-semibold">
        Choices, one on each line
        <textarea
          className="field font-normal"
          rows={3}
          name="choices"
          form={form}
          value={hands.choices}
          onChange={(e) => set({ choices: e.target.value })}
        />
      </label>
      <div className="grid content-start gap-1.5">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-pine"
            name="several"
            value="yes"
            form={form}
            checked={hands.several}
            onChange={(e) => set({ several: e.target.checked })}
          />
          One may choose several
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-pine"
            name="named"
            value="yes"
            form={form}
            checked={hands.named}
            onChange={(e) => set({ named: e.target.checked })}
          />
          With names; without, counts are to the nearest five
        </label>
        <label className="flex flex-wrap items-center gap-2">
          Seen
          <select
            className="field !min-h-8"
            name="shown"
            form={form}
            value={hands.shown}
            onChange={(e) => set({ shown: e.target.value as HandsDraft['shown'] })}
          >
            {RESULTS_SHOWN.map((s) => (
              <option key={s} value={s}>
                {SHOWN[s]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-wrap items-center gap-2">
          Until, by the course’s clock
          <WhenField
            className="field !min-h-8 w-44"
            name="closes"
            form={form}
            wall={hands.closes}
            onWall={(closes) => set({ closes })}
          />
        </label>
      </div>
    </div>
  );
}
