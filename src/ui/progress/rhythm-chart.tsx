'use client';

import { STRETCHES, type ClassRhythm } from '@/core/rhythm/class-rhythm';
import { STRETCH_MARKS } from '../words/rhythm';
import { Plot } from './plot';

/** How many percent of a class's responses came in each stretch before the deadline. */
export const RhythmChart = ({ rhythm }: { rhythm: ClassRhythm }) => (
  <Plot
    type="bar"
    height={170}
    series={[{ name: 'responses', data: STRETCHES.map((s) => rhythm.shares[s.id]) }]}
    options={{
      colors: ['var(--pine)'],
      legend: { show: false },
      plotOptions: { bar: { columnWidth: '62%' } },
      xaxis: {
        categories: STRETCHES.map((s) => STRETCH_MARKS[s.id]),
        title: { text: 'before the deadline' },
      },
      yaxis: { min: 0, decimalsInFloat: 0, title: { text: '%' } },
    }}
  />
);
