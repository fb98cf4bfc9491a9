'use client';

import Link from 'next/link';
import { useActionState } from 'react';
import { announcementsAt, deskClassAt, syllabusAt } from '@/contract/addresses';
import type { DeskSyllabusPage } from '@/contract/desk';
import type { SyllabusField, SyllabusFields, SyllabusProblem } from '@/core/syllabus/form';
import { plural } from '../words/plural';

export type SyllabusState = { fields: SyllabusFields; toSign: boolean; problems: SyllabusProblem[] };
export type SyllabusAction = (before: SyllabusState, form: FormData) => Promise<SyllabusState>;

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

const problemText = (p: SyllabusProblem): string => {
  switch (p.code) {
    case 'missing':
      return 'This is still needed.';
    case 'no-time':
      return 'This is no time. Write it like 23:59.';
    case 'no-line':
      return p.line ? `This line cannot be read: “${p.line}”.` : 'This cannot be used.';
  }
};

/** The syllabus as it is written: nothing of it is lost where something cannot be read. */
export function DeskSyllabus({ page, action }: { page: DeskSyllabusPage; action: SyllabusAction }) {
  const { course } = page;
  const [state, act, sending] = useActionState(action, {
    fields: page.fields,
    toSign: page.toSign,
    problems: [],
  });
  const { fields, problems } = state;
  const about = (field: SyllabusField) =>
    problems
      .filter((p) => p.field === field)
      .map((p, i) => (
        <span key={i} id={`problem-${field}`} className="text-[13px] font-semibold text-brick">
          {problemText(p)}
        </span>
      ));
  const given = (field: SyllabusField) => ({
    name: field,
    defaultValue: fields[field] ?? '',
    'aria-invalid': problems.some((p) => p.field === field) || undefined,
    'aria-describedby': problems.some((p) => p.field === field) ? `problem-${field}` : undefined,
  });
  const line = (field: SyllabusField, label: string, placeholder?: string) => (
    <label className="grid content-start gap-1 font-semibold">
      {label}
      <input className="field font-normal" placeholder={placeholder} {...given(field)} />
      {about(field)}
    </label>
  );
  const area = (field: SyllabusField, label: string, hint: string, rows: number) => (
    <label className="grid content-start gap-1 font-semibold">
      {label}
      <textarea className="field font-normal" rows={rows} {...given(field)} />
      <span className="text-[12.5px] font-normal text-ink-2">{hint}</span>
      {about(field)}
    </label>
  );
  const when = (day: SyllabusField, time: SyllabusField, label: string) => (
    <fieldset className="grid grid-cols-[1fr_110px] items-end gap-3">
      <legend className="mb-1 font-semibold">{label}</legend>
      <select className="field font-normal" aria-label={`${label}, weekday`} {...given(day)}>
        {DAYS.map((name, i) => (
          <option key={name} value={i + 1}>
            {name}
          </option>
        ))}
      </select>
      <input className="field font-normal" aria-label={`${label}, time`} {...given(time)} />
      <span className="col-span-2 empty:hidden">{about(time)}</span>
    </fieldset>
  );
  return (
    <form action={act} noValidate className="plate grid overflow-hidden lg:grid-cols-2">
      <section aria-labelledby="syllabus" className="grid content-start gap-3 px-5 py-4">
        <h2 id="syllabus" className="text-[18px]">
          The syllabus
        </h2>
        {problems.length ? (
          <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
            {plural(problems.length, 'thing is', 'things are')} not right yet; nothing you wrote is lost.
          </p>
        ) : null}
        {area('notes', 'In your own words', 'An empty line makes a new paragraph.', 9)}
        {line('contactName', 'Whom to write to')}
        {line('contactEmail', 'Mail address')}
        {line('answers', 'Answers', 'within two working days')}
        {area('officeHours', 'Office hours', 'One on each line: Tuesday 14:00 to 15:30, Room 2.11', 3)}
      </section>
      <section
        aria-labelledby="rules"
        className="grid content-start gap-3 border-rule-soft bg-page-2 px-5 py-4 max-lg:border-t lg:border-l"
      >
        <h2 id="rules" className="text-[18px]">
          Its rules
        </h2>
        <p className="text-[13.5px] text-ink-2">
          Each discussion is compared with them, and who reads it is told where it says otherwise.
        </p>
        {when('responseDay', 'responseTime', 'Responses due')}
        {when('repliesDay', 'repliesTime', 'Replies due')}
        <div className="grid gap-3 sm:grid-cols-[1fr_90px_90px]">
          <label className="grid content-start gap-1 font-semibold">
            Late work
            <select className="field font-normal" {...given('late')}>
              <option value="refused">is refused</option>
              <option value="penalty">loses something each day</option>
              <option value="accepted">is accepted</option>
            </select>
          </label>
          {line('latePercent', '% a day')}
          {line('lateDays', 'Days')}
        </div>
        {area('weights', 'What counts how much', 'One on each line: Discussions 40 %', 4)}
        {area('scale', 'Scale of marks', 'One on each line, the best first: Merit from 65 %', 4)}
        <label className="flex items-start gap-2 font-semibold">
          <input
            type="checkbox"
            name="toSign"
            defaultChecked={state.toSign}
            className="mt-0.5 size-5 shrink-0 accent-pine"
          />
          <span>
            Students sign it
            <span className="block text-[12.5px] font-normal text-ink-2">
              Once it says something else, each of them is asked again.
            </span>
          </span>
        </label>
        {page.toSign ? (
          <div className="text-[13.5px]">
            <p className="font-semibold">
              {page.unsigned.length
                ? `${plural(page.unsigned.length, 'student has', 'students have')} not signed it yet, ${page.signed} have`
                : `All ${page.signed} have signed it`}
            </p>
            {page.unsigned.length ? (
              <>
                <p className="text-ink-2">{page.unsigned.map((s) => s.name).join(', ')}</p>
                <p>
                  <Link className="link" href={deskClassAt(course.slug, { choose: 'unsigned' })}>
                    Write to them
                  </Link>
                </p>
              </>
            ) : null}
          </div>
        ) : null}
      </section>
      <p className="flex flex-wrap gap-2 border-t border-rule px-5 py-3 lg:col-span-2">
        <button type="submit" className="btn go" disabled={sending}>
          {sending ? 'Keeping…' : 'Keep the syllabus'}
        </button>
        <Link className="btn" href={syllabusAt(course.slug)}>
          As students read it
        </Link>
        <Link className="btn" href={announcementsAt(course.slug)}>
          Announce that it changed
        </Link>
      </p>
    </form>
  );
}
