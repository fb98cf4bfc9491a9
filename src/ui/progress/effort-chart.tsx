'use client';

import type { ProgressCell } from '@/contract/progress';
import { byWeek } from '../words/progress';
import { Plot } from './plot';

/** Words that were shared and minutes at them, week by week, over all courses. */
export function EffortChart({ cells }: { cells: readonly ProgressCell[] }) {
  const weeks = byWeek(cells);
  return (
    <Plot
      type="line"
      height={190}
      series={[
        { name: 'words shared', type: 'column', data: weeks.map((w) => w.words) },
        { name: 'minutes', type: 'line', data: weeks.map((w) => w.minutes) },
      ]}
      options={{
        colors: ['var(--pine)', 'var(--ochre)'],
        stroke: { width: [0, 2] },
        markers: { size: [0, 4] },
        plotOptions: { bar: { columnWidth: '55%' } },
        xaxis: { categories: weeks.map((w) => String(w.week)), title: { text: 'week' } },
        yaxis: [
          { decimalsInFloat: 0, title: { text: 'words' } },
          { opposite: true, decimalsInFloat: 0, title: { text: 'minutes' } },
        ],
      }}
    />
  );
}
