'use client';

import type { ProgressCell } from '@/contract/progress';
import { Scatter } from './plot';

/** Hours between each shared response, or last counted reply, and its deadline, week by week. */
export function HoursChart({ cells }: { cells: readonly ProgressCell[] }) {
  const points = (of: (c: ProgressCell) => number | null) =>
    cells.flatMap((c) => {
      const y = of(c);
      return y === null ? [] : [{ x: c.week, y }];
    });
  const weeks = cells.map((c) => c.week);
  return (
    <Scatter
      height={190}
      series={[
        { name: 'response', data: points((c) => c.responseHours) },
        { name: 'last reply', data: points((c) => c.replyHours) },
      ]}
      options={{
        colors: ['var(--pine)', 'var(--ochre)'],
        markers: { size: 5, shape: ['circle', 'square'] },
        xaxis: {
          type: 'numeric',
          min: Math.min(...weeks) - 0.5,
          max:
            Math.max(...weeks.filter((w) => points((c) => c.responseHours).some((p) => p.x === w)), 1) + 0.5,
          stepSize: 1,
          decimalsInFloat: 0,
          title: { text: 'week' },
        },
        yaxis: { decimalsInFloat: 0, forceNiceScale: true },
        annotations: { yaxis: [{ y: 0, borderColor: 'var(--brick)', strokeDashArray: 0 }] },
      }}
    />
  );
}
