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

type Point = number | { x: number; y: number };

/** A picture of numbers, and a picture only: what it shows is said in words beside it. */
export function Plot({
  type,
  series,
  options,
  height,
}: {
  type: 'scatter' | 'line' | 'bar';
  series: { name: string; type?: 'scatter' | 'line' | 'column'; data: Point[] }[];
  options: ApexOptions;
  height: number;
}) {
  return (
    <div aria-hidden style={{ minHeight: height }}>
      <ApexChart
        type={type}
        height={height}
        width="100%"
        series={series as ApexAxisChartSeries}
        options={{ ...COMMON, ...options, chart: { ...COMMON.chart, ...options.chart } }}
      />
    </div>
  );
}
