import type { ProgressCourse } from '@/contract/progress';
import { effortText, estimateText, hoursText } from '../words/progress';
import { rhythmText } from '../words/rhythm';
import { EffortChart } from './effort-chart';
import { EstimateChart } from './estimate-chart';
import { Figure } from './figure';
import { HoursChart } from './hours-chart';
import { RhythmChart } from './rhythm-chart';
import { SubstanceChart } from './substance-chart';

/** How early one is and how one judges oneself, in pictures. */
export function Charts({ courses }: { courses: readonly ProgressCourse[] }) {
  const cells = courses.flatMap((c) => c.cells);
  const hours = hoursText(cells);
  const estimate = estimateText(cells);
  return (
    <div className="grid gap-4">
      <Figure
        title="Hours before the deadline"
        said={hours || 'Once something counts, this shows how early it came.'}
      >
        {hours ? <HoursChart cells={cells} /> : null}
      </Figure>
      {estimate ? (
        <Figure title="Your estimate and the mark" said={estimate}>
          <EstimateChart cells={cells} />
        </Figure>
      ) : null}
    </div>
  );
}

/** What one writes, and when the class does. */
export function MoreCharts({ courses }: { courses: readonly ProgressCourse[] }) {
  const cells = courses.flatMap((c) => c.cells);
  const effort = effortText(cells);
  return (
    <div className="grid items-start gap-4 border-t border-rule pt-4 sm:grid-cols-2">
      {effort ? (
        <Figure title="Words and minutes" said={effort}>
          <EffortChart cells={cells} />
        </Figure>
      ) : null}
      <SubstanceChart />
      {courses.map(({ code, slug, rhythm }) =>
        rhythm ? (
          <Figure
            key={slug}
            title={`When ${code} shares its responses`}
            said={`${rhythmText(rhythm)} Without names: of discussions that are over, each of ten people or more, in steps of five percent.`}
          >
            <RhythmChart rhythm={rhythm} />
          </Figure>
        ) : null,
      )}
    </div>
  );
}
