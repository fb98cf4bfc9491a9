'use client';

import type { ApexOptions } from 'apexcharts';
import dynamic from 'next/dynamic';

const ApexChart = dynamic(() => import('react-apexcharts'), { ssr: false });

/** What every picture of numbers here has alike: the page's own colours, no tools, and nothing that moves. */
const COMMON: ApexOptions = {
  chart: {
    toolbar: { show: false },
    zoom: { enabled: false },
    animations: { enabled: false },
    background: 'transparent',
    fontFamily: 'inherit',
    foreColor: 'var(--ink-2)',
  },
  grid: { borderColor: 'var(--rule-soft)' },
  legend: { show: true, position: 'bottom', markers: { size: 5 } },
  tooltip: { enabled: false },
  dataLabels: { enabled: false },
};

/** A scatter of points. It is a picture only: what it shows is said in words beside it. */
export function Scatter({
  series,
  options,
  height,
}: {
  series: { name: string; type?: 'scatter' | 'line'; data: { x: number; y: number }[] }[];
  options: ApexOptions;
  height: number;
}) {
  return (
    <div aria-hidden style={{ minHeight: height }}>
      <ApexChart
        type={series.some((s) => s.type) ? 'line' : 'scatter'}
        height={height}
        width="100%"
        series={series}
        options={{ ...COMMON, ...options }}
      />
    </div>
  );
}
