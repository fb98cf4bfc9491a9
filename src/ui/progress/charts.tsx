import type { ProgressCourse } from '@/contract/progress';
import { estimateText, hoursText } from '../words/progress';
import { EstimateChart } from './estimate-chart';
import { HoursChart } from './hours-chart';

/** One's own rhythm in pictures, each said in words beneath it. */
export function Charts({ courses }: { courses: readonly ProgressCourse[] }) {
  const cells = courses.flatMap((c) => c.cells);
  const hours = hoursText(cells);
  const estimate = estimateText(cells);
  return (
    <div className="grid gap-4">
      <figure className="rounded-control border border-rule bg-page px-3.5 py-3">
        <figcaption>
          <h2 className="text-[15px]">Hours before the deadline</h2>
        </figcaption>
        {hours ? <HoursChart cells={cells} /> : null}
        <p className="text-[13px] text-ink-2">
          {hours || 'Once something counts, this shows how early it came.'}
        </p>
      </figure>
      {estimate ? (
        <figure className="rounded-control border border-rule bg-page px-3.5 py-3">
          <figcaption>
            <h2 className="text-[15px]">Your estimate and the mark</h2>
          </figcaption>
          <EstimateChart cells={cells} />
          <p className="text-[13px] text-ink-2">{estimate}</p>
        </figure>
      ) : null}
    </div>
  );
}
