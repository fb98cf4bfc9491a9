'use client';

import type { ProgressCell } from '@/contract/progress';
import { Plot } from './plot';

/** What one thought against what one got, in percent of the full mark: on the line both are alike. */
export function EstimateChart({ cells }: { cells: readonly ProgressCell[] }) {
  const share = (n: number, of: number) => Math.round((n / of) * 100);
  const data = cells.flatMap((c) =>
    c.estimate === null || c.mark?.points == null || !c.mark.of
      ? []
      : [{ x: share(c.estimate, c.mark.of), y: share(c.mark.points, c.mark.of) }],
  );
  return (
    <Plot
      type="line"
      height={180}
      series={[
        { name: 'a mark', type: 'scatter', data },
        { name: 'alike', type: 'line', data: [0, 100].map((n) => ({ x: n, y: n })) },
      ]}
      options={{
        colors: ['var(--pine)', 'var(--ink-3)'],
        stroke: { width: [0, 1], dashArray: [0, 4] },
        legend: { show: false },
        markers: { size: [6, 0] },
        xaxis: { type: 'numeric', min: 0, max: 100, tickAmount: 4, title: { text: 'you thought, %' } },
        yaxis: { min: 0, max: 100, tickAmount: 4, title: { text: 'marked, %' } },
      }}
    />
  );
}
