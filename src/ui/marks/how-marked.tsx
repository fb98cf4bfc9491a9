import { deskMarkingActAt } from '@/contract/addresses';
import type { MarkingPage } from '@/contract/marks';
import { WAYS } from '@/core/marks/mark';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { WhenField } from '../frame/when-field';
import { WAY_NAMES } from '../words/marks';
import { moment } from '../words/time';

/** How a discussion is marked, and when what is written is seen. */
export function HowMarked({ page }: { page: MarkingPage }) {
  const { course, discussion, scheme, way, ways, releaseAt } = page;
  const action = deskMarkingActAt(course.slug, discussion.slug);
  return (
    <details className="plate px-5 py-3 text-[13.5px]">
      <summary className="link min-h-6 w-fit">
        Marked {WAY_NAMES[scheme.by]}
        {releaseAt === null ? '' : ` · released by itself ${moment(releaseAt, course.zone)}`}
      </summary>
      <div className="mt-2 grid gap-4 sm:grid-cols-2">
        <form action={action} method="post" className="grid content-start gap-2">
          <label className="grid gap-1 font-semibold">
            It is marked
            <select name="way" className="field font-normal" defaultValue={way ?? ''}>
              <option value="">by what there is: {WAY_NAMES[scheme.by]}</option>
              {WAYS.filter((w) => ways.includes(w)).map((w) => (
                <option key={w} value={w}>
                  {WAY_NAMES[w]}
                </option>
              ))}
            </select>
          </label>
          <button type="submit" name="do" value="way" className="btn justify-self-start">
            Mark it this way
          </button>
        </form>
        <form action={action} method="post" className="grid content-start gap-2">
          <label className="grid gap-1 font-semibold">
            Release what is written by itself, by the course’s clock
            <WhenField
              className="field font-normal"
              name="at"
              wall={releaseAt === null ? '' : wallClockAt(releaseAt, course.zone)}
            />
          </label>
          <div className="flex gap-2">
            <button type="submit" name="do" value="release-at" className="btn">
              Keep this time
            </button>
            {releaseAt === null ? null : (
              <button type="submit" name="do" value="release-never" className="btn">
                Only by hand
              </button>
            )}
          </div>
        </form>
      </div>
    </details>
  );
}
