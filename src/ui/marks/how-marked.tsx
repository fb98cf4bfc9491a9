import { deskMarkingActAt } from '@/contract/addresses';
import type { MarkingPage } from '@/contract/marks';
import { WAYS } from '@/core/marks/mark';
import { wallClockAt } from '@/core/deadlines/wallclock';
import { WhenField } from '../frame/when-field';
import { SHARED_BY } from '@/core/marks/shares';
import { SHARED_BY_NAMES, WAY_NAMES } from '../words/marks';
import { moment } from '../words/time';

/** The class shared out among those who teach it, with how far each is. */
function ShareOut({ page: { course, discussion, markers, shared } }: { page: MarkingPage }) {
  return (
    <form
      action={deskMarkingActAt(course.slug, discussion.slug)}
      method="post"
      className="grid content-start gap-2"
    >
      <fieldset className="grid gap-1">
        <legend className="font-semibold">Share the class out among</legend>
        {markers.map((m) => (
          <label key={m.id} className="flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              name="marker"
              value={m.id}
              defaultChecked={!shared || m.share > 0}
              className="size-5 accent-pine"
            />
            {m.name}
            {m.share ? (
              <span className="text-ink-2">
                {m.written} of {m.share} written
              </span>
            ) : null}
          </label>
        ))}
      </fieldset>
      <label className="flex flex-wrap items-center gap-2">
        <span className="font-semibold">How</span>
        <select name="by" className="field font-normal">
          {SHARED_BY.map((by) => (
            <option key={by} value={by}>
              {SHARED_BY_NAMES[by]}
            </option>
          ))}
        </select>
      </label>
      <div className="flex flex-wrap gap-2">
        <button type="submit" name="do" value="share-out" className="btn">
          {shared ? 'Share it out anew' : 'Share it out'}
        </button>
        {shared ? (
          <button type="submit" name="do" value="share-none" className="btn">
            Nobody’s in particular
          </button>
        ) : null}
      </div>
    </form>
  );
}

/** How a discussion is marked, and when what is written is seen. */
export function HowMarked({ page }: { page: MarkingPage }) {
  const { course, discussion, scheme, way, ways, releaseAt, markers } = page;
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
        {markers.length > 1 ? <ShareOut page={page} /> : null}
      </div>
    </details>
  );
}
