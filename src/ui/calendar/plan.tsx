'use client';

import { roomAt, sittingsFileAt } from '@/contract/addresses';
import type { Give, Planned } from '@/core/planning/cannot';
import type { Habits } from '@/core/planning/habits';
import type { Pace } from '@/core/planning/pace';
import type { Work } from '@/core/planning/work';
import Link from 'next/link';
import { taskName } from '../words/calendar';
import { plural } from '../words/plural';
import { clockTime, day, moment } from '../words/time';
import { minutesText, paceSource, rangeText } from '../words/work';
import { HabitsForm } from './habits-form';
import { AnswerLine, type Answer } from '../frame/answer';
import { CalendarHead } from './head';
import type { PlannedAssignment } from '@/contract/calendar';

export type PlanViewProps = {
  now: number;
  zone: string;
  habits: Habits;
  pace: Pace;
  assignments: PlannedAssignment[];
  work: Work;
  planned: Planned;
  answer: Answer | null;
};

const roomOf = (a: PlannedAssignment) => roomAt(a.slug, a.kind === 'response' ? 'response' : 'conversation');

function giveText(give: Give, zone: string): string {
  switch (give.code) {
    case 'longer-sittings':
      return `Sittings of up to ${minutesText(give.minutes)}.`;
    case 'less-sleep':
      return `Going to bed ${minutesText(give.minutes)} later each night until then.`;
    case 'busy':
      return `“${give.title}” on ${moment(give.start, zone)} to ${clockTime(give.end, zone)}.`;
  }
}

function Cannot({ plan }: { plan: PlanViewProps }) {
  const { planned, assignments, zone } = plan;
  if (planned.left.length === 0) return null;
  const left = planned.left.flatMap((id) => assignments.find((a) => a.id === id) ?? []);
  return (
    <section
      role="note"
      aria-labelledby="cannot"
      className="rounded-plate border border-l-4 border-rule border-l-brick bg-brick-tint px-4 py-3"
    >
      <h2 id="cannot" className="text-[17px]">
        Not all of it fits before its deadline
      </h2>
      <p className="mt-1 text-[14px]">There is no room left for:</p>
      <ul className="text-[14px]">
        {left.map((a) => (
          <li key={a.id}>
            <Link href={roomOf(a)} className="font-semibold underline underline-offset-2">
              {taskName(a)}
            </Link>
            , about {minutesText(a.minutes)}, due {moment(a.deadline - 60_000, zone)}
          </li>
        ))}
      </ul>
      {planned.gives.length ? (
        <>
          <p className="mt-2 text-[14px] font-semibold">Any one of these would make room for all of it:</p>
          <ul className="list-disc pl-5 text-[14px]">
            {planned.gives.map((g, i) => (
              <li key={i}>{giveText(g, zone)}</li>
            ))}
          </ul>
        </>
      ) : (
        <p className="mt-2 text-[14px]">
          No single change would make room: something has to be left out, or an instructor asked for more
          time.
        </p>
      )}
    </section>
  );
}

function Sittings({ plan }: { plan: PlanViewProps }) {
  const { planned, assignments, zone } = plan;
  if (assignments.length === 0) {
    return <p className="plate px-5 py-4 text-ink-2">Nothing is owed, so there is nothing to plan.</p>;
  }
  return (
    <ol className="plate">
      {planned.sittings.map((s, i) => {
        const date = day(s.start, zone);
        const before = planned.sittings[i - 1];
        return (
          <li
            key={s.start}
            className="grid gap-x-4 gap-y-1 border-t border-rule-soft px-4 py-3 first:border-t-0 sm:grid-cols-[100px_120px_1fr]"
          >
            <b className={before && day(before.start, zone) === date ? 'max-sm:hidden sm:invisible' : ''}>
              {date}
            </b>
            <span className="font-semibold">
              {clockTime(s.start, zone)} to {clockTime(s.end, zone)}
            </span>
            <ul>
              {s.pieces.map((p) => {
                const a = assignments.find((x) => x.id === p.task);
                return a ? (
                  <li key={`${p.task} ${p.start}`}>
                    <Link href={roomOf(a)} className="title-link font-semibold">
                      {taskName(a)}
                    </Link>{' '}
                    <span className="text-[13px] text-ink-2">
                      {minutesText((p.end - p.start) / 60_000)} · due {moment(a.deadline - 60_000, zone)}
                    </span>
                    <span className="block text-[13px] text-ink-2">{a.title}</span>
                  </li>
                ) : null;
              })}
            </ul>
          </li>
        );
      })}
    </ol>
  );
}

/** How long the rest takes, and when to sit down for it. */
export function Plan({ plan }: { plan: PlanViewProps }) {
  const { work, assignments, pace } = plan;
  return (
    <main id="main" className="mx-auto grid max-w-[1100px] gap-4 px-4 py-6 sm:px-7">
      <CalendarHead room="plan" title="Plan" />
      <AnswerLine answer={plan.answer} />
      {assignments.length ? (
        <div>
          <p className="font-serif text-[19px]">
            About <b>{minutesText(work.likely)}</b> of work in{' '}
            {plural(plan.planned.sittings.length, 'sitting')}, most likely {rangeText(work)}.
          </p>
          <p className="mt-1 text-[13.5px] text-ink-2">
            {minutesText(work.reading)} reading, {minutesText(work.writing)} writing,{' '}
            {minutesText(work.proofreading)} reading over, at {paceSource(pace.writing.from)}:{' '}
            {Math.round(pace.writing.wordsPerMinute)} words a minute (mostly {Math.round(pace.writing.slow)}{' '}
            to {Math.round(pace.writing.fast)}), reading {Math.round(pace.reading.wordsPerMinute)}. The plan
            is made anew after every change.
          </p>
        </div>
      ) : null}
      <Cannot plan={plan} />
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_300px]">
        <div>
          <Sittings plan={plan} />
          {plan.planned.sittings.length ? (
            <p className="mt-2 text-[13px]">
              <a className="link" href={sittingsFileAt()} download="pulpit-sittings.ics">
                Save these sittings as an .ics file
              </a>
            </p>
          ) : null}
        </div>
        <HabitsForm habits={plan.habits} />
      </div>
    </main>
  );
}
