'use client';

import { Plot } from '../progress/plot';

/** How many raised a hand for what, as bars; the table beside it says the same. */
export function HandsChart({ choices, counts }: { choices: readonly string[]; counts: readonly number[] }) {
  return (
    <Plot
      type="bar"
      height={70 + 34 * choices.length}
      series={[{ name: 'hands', data: [...counts] }]}
      options={{
        colors: ['var(--pine)'],
        legend: { show: false },
        plotOptions: { bar: { horizontal: true, barHeight: '58%', borderRadius: 3 } },
        xaxis: {
          categories: [...choices],
          decimalsInFloat: 0,
          min: 0,
          // Whole hands, also where there are few.
          tickAmount: Math.min(4, Math.max(1, ...counts)),
        },
        yaxis: { labels: { maxWidth: 220 } },
      }}
    />
  );
}
