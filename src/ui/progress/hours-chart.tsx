'use client';

import type { ProgressCell } from '@/contract/progress';
import { Plot } from './plot';

/** Hours between each shared response, or last counted reply, and its deadline, week by week. */
export function HoursChart({ cells }: { cells: readonly ProgressCell[] }) {
  const points = (of: (c: ProgressCell) => number | null) =>
    cells.flatMap((c) => {
      const y = of(c);
      return y === null ? [] : [{ x: c.week, y }];
    });
  const response = points((c) => c.responseHours);
  const reply = points((c) => c.replyHours);
  const end = Math.max(0, ...[...response, ...reply].map((p) => p.x)) + 1;
  return (
    <Plot
      type="scatter"
      height={190}
      series={[
        { name: 'response', data: response },
        { name: 'last reply', data: reply },
      ]}
      options={{
        colors: ['var(--pine)', 'var(--ochre)'],
        markers: { size: 5, shape: ['circle', 'square'] },
        xaxis: {
          type: 'numeric',
          min: 0,
          max: end,
          tickAmount: end,
          decimalsInFloat: 0,
          title: { text: 'week' },
        },
        yaxis: { decimalsInFloat: 0, forceNiceScale: true },
        annotations: { yaxis: [{ y: 0, borderColor: 'var(--brick)', strokeDashArray: 0 }] },
      }}
    />
  );
}
