import Link from 'next/link';
import {
  deskAwayAt,
  deskMoveAt,
  deskPromptAt,
  deskTakeOneAt,
  deskTakeOverAt,
  deskWeekAt,
} from '@/contract/addresses';
import type { DeskWeek, Term } from '@/contract/desk';
import { TextField } from '../people/fields';
import { moment } from '../words/time';

function Fields({ week }: { week: { number: number; title: string; startsOn: string; overview: string } }) {
  return (
    <>
      <TextField
        label="Title"
        name="title"
        defaultValue={week.title}
        required
        maxLength={200}
        placeholder="Room for the river"
      />
      <TextField label="First day" name="startsOn" type="date" defaultValue={week.startsOn} required />
      <label className="grid gap-1 font-semibold">
        Overview
        <textarea
          name="overview"
          rows={4}
          maxLength={5_000}
          defaultValue={week.overview}
          className="field font-serif text-[15px] font-normal"
        />
      </label>
    </>
  );
}

/** A week as it is changed. */
export function WeekForm({ course, week }: { course: string; week: DeskWeek }) {
  const empty = week.discussions.length === 0 && week.readings.length === 0;
  return (
    <section aria-labelledby="week" className="grid gap-3 px-5 py-4">
      <h2 id="week" className="text-[18px]">
        Week {week.number}
      </h2>
      <form action={deskWeekAt(course)} method="post" className="grid gap-3">
        <input type="hidden" name="number" value={week.number} />
        <Fields week={week} />
        <div className="flex flex-wrap gap-2">
          <button type="submit" name="do" value="change" className="btn go">
            Keep
          </button>
          {empty ? (
            <button type="submit" name="do" value="drop" className="btn" formNoValidate>
              Take the week away
            </button>
          ) : null}
        </div>
      </form>
      <form action={deskMoveAt(course)} method="post" className="grid gap-2 border-t border-rule-soft pt-3">
        <input type="hidden" name="from" value={week.number} />
        <p className="text-[13.5px] text-ink-2">
          Everything from here on moves together: weekdays and times of the clock stay. Students are told.
        </p>
        <label className="flex items-center gap-2 text-[13.5px]">
          <input type="checkbox" name="extensions" value="stay" className="size-5 accent-pine" />
          Extensions of single students stay where they are
        </label>
        <div className="flex flex-wrap gap-2">
          <button type="submit" name="weeks" value="1" className="btn">
            One week later
          </button>
          <button type="submit" name="weeks" value="-1" className="btn">
            One week earlier
          </button>
        </div>
      </form>
    </section>
  );
}

/** One prompt, or its week, out of any course one teaches. */
function TakeOne({ term }: { term: Term }) {
  const { course, weeks, sources } = term;
  return (
    <details className="border-b border-rule-soft px-5 py-4">
      <summary className="min-h-7 cursor-pointer font-serif text-[18px] font-semibold">
        Take one you have written
      </summary>
      <form action={deskTakeOneAt(course.slug)} method="post" className="mt-2 grid gap-3">
        <label className="grid gap-1 font-semibold">
          Prompt
          <select name="discussion" className="field font-normal">
            {sources.map((s) => (
              <option key={s.slug} value={s.slug}>
                {s.name}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1 font-semibold">
          What of it
          <select name="what" className="field font-normal">
            <option value="prompt">the prompt, with what it asks and its rubric</option>
            <option value="week">its whole week, with readings and files</option>
          </select>
        </label>
        <label className="grid gap-1 font-semibold">
          Into
          <select name="into" className="field font-normal">
            <option value="">a new week at the end</option>
            {weeks.map((w) => (
              <option key={w.number} value={w.number}>
                week {w.number}: {w.title}
              </option>
            ))}
          </select>
          <span className="text-[12.5px] font-normal text-ink-2">
            A whole week always becomes a new one. The class sees nothing before you show it.
          </span>
        </label>
        <button type="submit" className="btn justify-self-start">
          Take it
        </button>
      </form>
    </details>
  );
}

/** The right page where nothing is opened: what waits to be made a discussion, and a week to add. */
export function DeskAside({ term, zone }: { term: Term; zone: string }) {
  const { course, weeks, waiting } = term;
  const next = (weeks.at(-1)?.number ?? 0) + 1;
  return (
    <div className="grid content-start">
      {waiting.length ? (
        <section aria-labelledby="waiting" className="border-b border-rule-soft px-5 py-4">
          <h2 id="waiting" className="text-[18px]">
            Taken in, no discussion yet
          </h2>
          <ul className="mt-2 grid gap-3">
            {waiting.map((w) => (
              <li key={w.id} className="flex flex-wrap items-center gap-2">
                <span className="min-w-0 grow">
                  <Link className="link" href={deskPromptAt(course.slug, w.id)}>
                    {w.opening || w.source}
                  </Link>
                  <span className="block text-[12.5px] text-ink-2">{moment(w.takenAt, zone)}</span>
                </span>
                <form action={deskAwayAt(course.slug, w.id)} method="post">
                  <button type="submit" className="btn" aria-label={`Put away: ${w.opening}`}>
                    Put away
                  </button>
                </form>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {weeks.length === 0 && term.others.length ? (
        <section aria-labelledby="over" className="grid gap-3 border-b border-rule-soft px-5 py-4">
          <h2 id="over" className="text-[18px]">
            Take a course over
          </h2>
          <form action={deskTakeOverAt(course.slug)} method="post" className="grid gap-3">
            <p className="text-[13.5px] text-ink-2">
              Weeks, readings, prompts with what they ask for, files and the syllabus; nothing of anybody in
              the class. Every date falls on its weekday again.
            </p>
            <label className="grid gap-1 font-semibold">
              From
              <select name="from" className="field font-normal">
                {term.others.map((c) => (
                  <option key={c.slug} value={c.slug}>
                    {c.name}
                  </option>
                ))}
              </select>
            </label>
            <TextField
              label="The first day here"
              name="firstDay"
              type="date"
              defaultValue={term.nextStart}
              required
            />
            <button type="submit" className="btn justify-self-start">
              Take it over
            </button>
          </form>
        </section>
      ) : null}
      {term.sources.length ? <TakeOne term={term} /> : null}
      {next <= 60 ? (
        <section aria-labelledby="add" className="grid gap-3 px-5 py-4">
          <h2 id="add" className="text-[18px]">
            Add week {next}
          </h2>
          <form action={deskWeekAt(course.slug)} method="post" className="grid gap-3">
            <input type="hidden" name="number" value={next} />
            <Fields week={{ number: next, title: `Week ${next}`, startsOn: term.nextStart, overview: '' }} />
            <button type="submit" name="do" value="add" className="btn go justify-self-start">
              Add it
            </button>
          </form>
          <details open={weeks.length === 0}>
            <summary className="link min-h-7 w-fit cursor-pointer">Several weeks at once</summary>
            <form action={deskWeekAt(course.slug)} method="post" className="mt-2 grid gap-3">
              <input type="hidden" name="number" value={next} />
              <label className="grid gap-1 font-semibold">
                A week on each line
                <textarea name="titles" rows={5} required className="field font-normal" />
                <span className="text-[12.5px] font-normal text-ink-2">
                  What each is about; holidays are passed over.
                </span>
              </label>
              <TextField
                label="First day of the first"
                name="startsOn"
                type="date"
                defaultValue={term.nextStart}
                required
              />
              <button type="submit" name="do" value="add-many" className="btn justify-self-start">
                Add them
              </button>
            </form>
          </details>
        </section>
      ) : null}
    </div>
  );
}
