import Link from 'next/link';
import type { ReactNode } from 'react';
import { deskActAt, deskRulesAt, promptEditAt, responseAt, conversationAt } from '@/contract/addresses';
import type { DeskPage, Leave } from '@/contract/desk';
import { WhenField } from '../frame/when-field';
import { deskState } from '../words/desk';
import { plural } from '../words/plural';
import { wallText } from '../words/time';

const When = (props: { label: string; name: string; wall: string; hint?: string }) => (
  <label className="grid content-start gap-1 font-semibold">
    {props.label}
    <WhenField className="field font-normal" name={props.name} wall={props.wall} />
    {props.hint ? <span className="text-[12.5px] font-normal text-ink-2">{props.hint}</span> : null}
  </label>
);

function Part({ id, title, children }: { id: string; title: string; children: ReactNode }) {
  return (
    <section aria-labelledby={id} className="grid gap-3 border-t border-rule-soft px-5 py-4">
      <h3 id={id} className="text-[16px]">
        {title}
      </h3>
      {children}
    </section>
  );
}

const leaveText = (leave: Leave) =>
  leave.excused
    ? 'excused: owes nothing'
    : [
        ...(leave.responseDue ? [`response until ${wallText(leave.responseDue)}`] : []),
        ...(leave.repliesDue ? [`replies until ${wallText(leave.repliesDue)}`] : []),
      ].join(', ');

/** Single students' time: who has more, and to whom it is given. */
function Time({ page }: { page: DeskPage }) {
  const { course, discussion, students, leaves } = page;
  const action = deskActAt(course.slug, discussion.slug);
  return (
    <Part id="time" title="More time for one student">
      {leaves.length ? (
        <ul className="grid gap-2">
          {leaves.map((leave) => (
            <li key={leave.person} className="flex flex-wrap items-center gap-2">
              <span className="min-w-0 grow">
                <b>{leave.name}</b>
                <span className="block text-[12.5px] text-ink-2">
                  {leaveText(leave)}
                  {leave.reason ? ` · ${leave.reason}` : ''}
                </span>
              </span>
              <form action={action} method="post">
                <input type="hidden" name="person" value={leave.person} />
                <button
                  type="submit"
                  name="act"
                  value="usual"
                  className="btn"
                  aria-label={`Take it back: ${leave.name}`}
                >
                  Take it back
                </button>
              </form>
            </li>
          ))}
        </ul>
      ) : null}
      {students.length ? (
        <form action={action} method="post" className="grid gap-3">
          <label className="grid gap-1 font-semibold">
            Student
            <select name="person" className="field font-normal">
              {students.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </select>
          </label>
          <When label="Response until" name="responseDue" wall="" hint="Empty: as for everybody" />
          <When label="Replies until" name="repliesDue" wall="" hint="Empty: as for everybody" />
          <label className="grid gap-1 font-semibold">
            Why
            <input name="reason" maxLength={600} className="field font-normal" />
            <span className="text-[12.5px] font-normal text-ink-2">Only staff read this.</span>
          </label>
          <div className="flex flex-wrap gap-2">
            <button type="submit" name="act" value="extend" className="btn">
              Give more time
            </button>
            <button type="submit" name="act" value="excuse" className="btn">
              Excuse from it
            </button>
          </div>
        </form>
      ) : (
        <p className="text-ink-2">There is no student in this course yet.</p>
      )}
    </Part>
  );
}

/** One discussion on the right page of the desk. */
export function DeskDiscussionPage({ page }: { page: DeskPage }) {
  const { course, discussion, dates } = page;
  const action = deskActAt(course.slug, discussion.slug);
  const fresh = discussion.posts === 0;
  return (
    <div className="grid content-start">
      <div className="grid gap-3 px-5 py-4">
        <p className="text-[12px] font-semibold text-ink-2">Week {discussion.week}</p>
        <h2 className="text-[19px] leading-snug">{discussion.title}</h2>
        <p className={discussion.shown ? 'text-ink-2' : 'font-semibold text-ochre-ink'}>
          {deskState(discussion)}
          {discussion.posts ? ` · ${plural(discussion.posts, 'post')}` : ''}
        </p>
        <div className="flex flex-wrap gap-2">
          <Link className="btn" href={responseAt(discussion.slug)}>
            The prompt
          </Link>
          {discussion.shown ? (
            <Link className="btn" href={conversationAt(discussion.slug)}>
              Read
            </Link>
          ) : null}
          <Link className="btn" href={promptEditAt(discussion.slug)}>
            Change its text
          </Link>
          {fresh ? (
            <Link className="btn" href={deskRulesAt(course.slug, discussion.slug)}>
              What it asks for
            </Link>
          ) : null}
        </div>
        <form action={action} method="post" className="flex flex-wrap gap-2">
          {discussion.shown ? null : (
            <button type="submit" name="act" value="show" className="btn go">
              Show it to the class
            </button>
          )}
          {fresh && discussion.shown ? (
            <button type="submit" name="act" value="hide" className="btn">
              Hide it again
            </button>
          ) : null}
          {fresh && !discussion.shown ? (
            <button type="submit" name="act" value="remove" className="btn border-brick text-brick">
              Take it away
            </button>
          ) : null}
        </form>
        {fresh ? null : (
          <p className="text-[12.5px] text-ink-2">
            Somebody has shared something in it: what it asks for stays, and it stays in sight.
          </p>
        )}
      </div>
      <Part id="dates" title="Dates, by the course’s clock">
        <form action={action} method="post" className="grid gap-3">
          <When label="Opens" name="opens" wall={dates.opens} />
          <When label="Response due" name="responseDue" wall={dates.responseDue} />
          <When label="Replies due" name="repliesDue" wall={dates.repliesDue} />
          <button type="submit" name="act" value="dates" className="btn justify-self-start">
            Keep the dates
          </button>
        </form>
      </Part>
      <Time page={page} />
    </div>
  );
}
