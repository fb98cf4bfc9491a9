import Link from 'next/link';
import { beginningAt, deskCartridgeAt, deskSettingsChangeAt, deskSyllabusAt } from '@/contract/addresses';
import type { SettingsPage } from '@/contract/desk';
import type { Habit } from '@/core/desk/habits';
import { TextField } from '../people/fields';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

function When(props: { label: string; day: string; time: string; habit: Habit | null }) {
  const { habit } = props;
  return (
    <fieldset className="grid grid-cols-[1fr_110px] items-end gap-3">
      <legend className="mb-1 font-semibold">{props.label}</legend>
      <select
        name={props.day}
        defaultValue={habit?.day ?? ''}
        className="field font-normal"
        aria-label={`${props.label}, weekday`}
      >
        <option value="">no weekday of its own</option>
        {DAYS.map((name, i) => (
          <option key={name} value={i + 1}>
            {name}
          </option>
        ))}
      </select>
      <input
        name={props.time}
        defaultValue={habit?.time ?? '23:59'}
        className="field font-normal"
        inputMode="numeric"
        placeholder="23:59"
        pattern="([01]?\d|2[0-3]):[0-5]\d"
        title="Hours and minutes, as 23:59"
        aria-label={`${props.label}, time`}
      />
    </fieldset>
  );
}

/** What a course is called, and what every new discussion of it begins with. */
export function DeskSettings({ page }: { page: SettingsPage }) {
  const { course, habits, questions } = page;
  const { late } = habits;
  return (
    <form
      action={deskSettingsChangeAt(course.slug)}
      method="post"
      className="plate grid overflow-hidden lg:grid-cols-2"
    >
      <section aria-labelledby="called" className="grid content-start gap-3 px-5 py-4">
        <h2 id="called" className="text-[18px]">
          What it is called
        </h2>
        <p className="text-ink-2">
          <b className="text-ink">{course.code}</b> · deadlines by the clocks of{' '}
          {course.zone.replace(/_/gu, ' ')}
          <span className="block text-[12.5px]">
            Code and time zone are the stewards’ to change: deadlines and addresses hang on them.
          </span>
        </p>
        <TextField label="Title" name="title" defaultValue={course.title} required maxLength={200} />
        <TextField
          label="Term"
          name="term"
          defaultValue={course.term}
          maxLength={60}
          placeholder="Autumn 2026"
          hint="So that next term’s course can have the same code."
        />
        <label className="grid gap-1 font-semibold">
          Holidays
          <textarea name="holidays" rows={4} defaultValue={page.holidays} className="field font-normal" />
          <span className="text-[12.5px] font-normal text-ink-2">
            One on each line: 2026-10-26 to 2026-10-30 Reading week. The sheet says what falls into one.
          </span>
        </label>
        <p>
          <Link className="link" href={beginningAt(course.slug)}>
            {course.begins ? 'Begin here: what students read first' : 'Write a page for whoever begins'}
          </Link>
        </p>
        <p>
          <Link className="link" href={deskSyllabusAt(course.slug)}>
            Write the syllabus, its scale of marks and weights
          </Link>
        </p>
        <p>
          <Link className="link" href={deskCartridgeAt(course.slug)}>
            Take the course out, or one in: Common Cartridge, and the deadlines as .ics
          </Link>
        </p>
      </section>
      <section
        aria-labelledby="habits"
        className="grid content-start gap-3 border-rule-soft bg-page-2 px-5 py-4 max-lg:border-t lg:border-l"
      >
        <h2 id="habits" className="text-[18px]">
          What every new discussion begins with
        </h2>
        <p className="text-[13.5px] text-ink-2">
          Filled in where a prompt’s text does not say it. What is there already stays as it is.
        </p>
        <When label="Response due" day="responseDay" time="responseTime" habit={habits.response} />
        <When label="Replies due" day="repliesDay" time="repliesTime" habit={habits.replies} />
        <div className="grid gap-3 sm:grid-cols-[1fr_90px_90px]">
          <label className="grid content-start gap-1 font-semibold">
            Late work
            <select name="late" defaultValue={late?.rule ?? ''} className="field font-normal">
              <option value="">is not spoken of</option>
              <option value="refused">is refused</option>
              <option value="penalty">loses something each day</option>
              <option value="accepted">is accepted</option>
            </select>
          </label>
          <TextField
            label="% a day"
            name="latePercent"
            type="number"
            min={0}
            max={100}
            defaultValue={late?.rule === 'penalty' ? late.percentPerDay : ''}
          />
          <TextField
            label="Days"
            name="lateDays"
            type="number"
            min={1}
            max={60}
            defaultValue={late && late.rule !== 'refused' ? late.days : ''}
          />
        </div>
        <TextField
          label="Points"
          name="points"
          type="number"
          min={1}
          max={10_000}
          defaultValue={habits.points ?? ''}
        />
      </section>
      <section
        id="questions"
        aria-labelledby="taken"
        className="grid scroll-mt-20 gap-3 border-t border-rule px-5 py-4 lg:col-span-2 lg:grid-cols-2"
      >
        <h2 id="taken" className="text-[18px] lg:col-span-2">
          How questions are taken
        </h2>
        <TextField
          label="When staff are there"
          name="hours"
          defaultValue={questions.hours}
          maxLength={400}
          placeholder="Office hours Tuesday 15:00 to 16:00, room 4.12"
          hint="Stands above each student’s line to the staff, beside how soon answers usually come."
        />
        <TextField
          label="A corner for anything"
          name="corner"
          defaultValue={questions.corner}
          maxLength={40}
          placeholder="The bench by the river"
          hint="What it is called. Left empty, the course keeps none; what stands there stays."
        />
        <label className="flex items-start gap-2.5 lg:col-span-2">
          <input
            type="checkbox"
            name="coverFromStaff"
            value="yes"
            defaultChecked={questions.coverFromStaff}
            className="mt-1 size-4 accent-pine"
          />
          <span>
            <b>Names may be covered from staff, too.</b>
            <span className="block text-[12.5px] text-ink-2">
              Nobody here can then look up who asked, not for a report either. From the class a name may
              always be covered.
            </span>
          </span>
        </label>
      </section>
      <p className="border-t border-rule px-5 py-3 lg:col-span-2">
        <button type="submit" className="btn go">
          Keep
        </button>
      </p>
    </form>
  );
}
