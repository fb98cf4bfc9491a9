import Link from 'next/link';
import { instant } from '@/core/ids';
import { wallClockAt } from '@/core/deadlines/wallclock';
import {
  deskActAt,
  deskAsStudentAt,
  deskClassAt,
  deskMarkingAt,
  deskRubricAt,
  deskRulesAt,
  responseAt,
  conversationAt,
} from '@/contract/addresses';
import type { DeskPage, Leave } from '@/contract/desk';
import { WhenField } from '../frame/when-field';
import { deskState } from '../words/desk';
import { plural } from '../words/plural';
import { moment, wallText } from '../words/time';
import { HandedToYou } from './handed';
import { Part } from './part';
import { PartsPlayed } from './parts-played';

const When = (props: { label: string; name: string; wall: string; hint?: string }) => (
  <label className="grid content-start gap-1 font-semibold">
    {props.label}
    <WhenField className="field font-normal" name={props.name} wall={props.wall} />
    {props.hint ? <span className="text-[12.5px] font-normal text-ink-2">{props.hint}</span> : null}
  </label>
);

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

/** What students ask for: answered by giving time below, or with a no. */
function Requests({ page, zone }: { page: DeskPage; zone: string }) {
  const { course, discussion, requests } = page;
  if (requests.length === 0) return null;
  return (
    <Part
      id="requests"
      title={requests.length === 1 ? '1 asks for more time' : `${requests.length} ask for more time`}
    >
      <ul className="grid gap-3">
        {requests.map((r) => (
          <li key={r.person} className="rounded-control border border-rule bg-page px-3 py-2">
            <p>
              <b>{r.name}</b>: “{r.reason}”
            </p>
            <p className="text-[12.5px] text-ink-2">{moment(r.askedAt, zone)}</p>
            <form
              action={deskActAt(course.slug, discussion.slug)}
              method="post"
              className="mt-2 grid gap-2"
              aria-label={`Answer ${r.name}`}
            >
              <input type="hidden" name="person" value={r.person} />
              <When label="Response until" name="responseDue" wall="" />
              <When label="Replies until" name="repliesDue" wall="" />
              <div className="flex flex-wrap gap-2">
                <button type="submit" name="act" value="extend" className="btn go">
                  Give it
                </button>
                <button type="submit" name="act" value="refuse" className="btn" aria-label={`No, ${r.name}`}>
                  No
                </button>
              </div>
            </form>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Names are shown of so many; the rest is counted. */
const NAMES_SHOWN = 12;

/** Who has not spoken, and whom nobody has answered. */
function NeedAWord({ page }: { page: DeskPage }) {
  const { discussion, silent, unanswered } = page;
  if (silent.length + unanswered === 0) return null;
  return (
    <Part id="word" title="Who may need a word">
      {silent.length ? (
        <>
          <p className="flex flex-wrap items-center gap-2">
            <span className="grow">
              <b>{silent.length}</b> {silent.length === 1 ? 'has' : 'have'} shared no response
            </span>
            <Link className="link" href={deskClassAt(page.course.slug, { choose: discussion.slug })}>
              Write to {silent.length === 1 ? 'them' : 'these'}
            </Link>
          </p>
          <ul className="flex flex-wrap gap-1.5">
            {silent.slice(0, NAMES_SHOWN).map((s) => (
              <li key={s.id} className="rounded-[5px] border border-rule bg-page px-2 py-0.5 text-[12.5px]">
                {s.name}
              </li>
            ))}
            {silent.length > NAMES_SHOWN ? (
              <li className="px-1 py-0.5 text-[12.5px] text-ink-2">and {silent.length - NAMES_SHOWN} more</li>
            ) : null}
          </ul>
        </>
      ) : null}
      {unanswered ? (
        <p className="flex flex-wrap items-center gap-2">
          <span className="grow">
            <b>{unanswered}</b> {unanswered === 1 ? 'response' : 'responses'} without a reply
          </span>
          <Link className="link" href={conversationAt(discussion.slug, { show: 'no-replies' })}>
            Read {unanswered === 1 ? 'it' : 'them'}
          </Link>
        </p>
      ) : null}
    </Part>
  );
}

/** One discussion on the right page of the desk. */
export function DeskDiscussionPage({ page, zone }: { page: DeskPage; zone: string }) {
  const { course, discussion, dates } = page;
  const action = deskActAt(course.slug, discussion.slug);
  const fresh = discussion.posts === 0;
  const untouched = fresh && discussion.begun === 0;
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
          <Link className="btn" href={deskAsStudentAt(course.slug, discussion.slug)}>
            As a student sees it
          </Link>
          {discussion.shown ? (
            <Link className="btn" href={conversationAt(discussion.slug)}>
              Read
            </Link>
          ) : null}
          <Link className="btn" href={deskRulesAt(course.slug, discussion.slug)}>
            Change what it asks
          </Link>
          <Link className="btn" href={deskRubricAt(course.slug, discussion.slug)}>
            Rubric
          </Link>
          {discussion.posts ? (
            <Link className="btn" href={deskMarkingAt(course.slug, discussion.slug)}>
              Marks
            </Link>
          ) : null}
        </div>
        <form action={action} method="post" className="flex flex-wrap gap-2">
          {discussion.shown ? null : (
            <button type="submit" name="act" value="show" className="btn go">
              Show it to the class
            </button>
          )}
          {untouched && discussion.shown ? (
            <button type="submit" name="act" value="hide" className="btn">
              Hide it again
            </button>
          ) : null}
          {untouched && !discussion.shown ? (
            <button type="submit" name="act" value="remove" className="btn border-brick text-brick">
              Take it away
            </button>
          ) : null}
        </form>
        {discussion.shown ? null : (
          <form action={action} method="post" className="flex flex-wrap items-end gap-2">
            <When
              label="Or by itself, from"
              name="at"
              wall={discussion.showAt === null ? '' : wallClockAt(instant(discussion.showAt), course.zone)}
            />
            <button type="submit" name="act" value="show-at" className="btn">
              Keep the time
            </button>
          </form>
        )}
        {fresh && !untouched ? (
          <p className="text-[12.5px] text-ink-2">
            {discussion.begun === 1 ? 'Somebody has' : `${discussion.begun} have`} begun to write in it: it
            stays in sight.
          </p>
        ) : null}
        {fresh ? null : (
          <p className="text-[12.5px] text-ink-2">
            Somebody has shared something in it: it stays in sight, and a change of what counts is asked about
            first.
          </p>
        )}
      </div>
      <HandedToYou page={page} zone={zone} />
      <Requests page={page} zone={zone} />
      {discussion.shown && discussion.state !== 'upcoming' ? <NeedAWord page={page} /> : null}
      <PartsPlayed page={page} />
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
