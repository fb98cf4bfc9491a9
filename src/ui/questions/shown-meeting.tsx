import { calendarAt, questionActAt } from '@/contract/addresses';
import type { QuestionsPage } from '@/contract/questions';
import type { MeetingSeen } from '@/core/questions/meeting';
import { wallClockAt } from '@/core/deadlines/wallclock';
import Link from 'next/link';
import { WhenField } from '../frame/when-field';
import { QuietForm } from '../notes/note-form';
import { clockTime, moment } from '../words/time';
import { ActButton } from './act-button';

/** Where one meets: as a link, where it is the address of a page. */
function Place({ place }: { place: string }) {
  return /^https?:\/\/\S+$/u.test(place) ? (
    <a className="link break-all" href={place} rel="noreferrer noopener" target="_blank">
      {place}
    </a>
  ) : (
    <b>{place}</b>
  );
}

type Slot = MeetingSeen['slots'][number];

/** One slot: whose it is, as far as one may know, or the way to have it. */
function SlotLine(props: { page: QuestionsPage; number: number; slot: Slot; zone: string }) {
  const { page, number, slot, zone } = props;
  const time = `${clockTime(slot.from, zone)} to ${clockTime(slot.until, zone)}`;
  const begun = page.now >= slot.from;
  return (
    <li className="flex min-h-8 flex-wrap items-center gap-x-3 border-t border-rule-soft py-0.5 first:border-t-0">
      <span className="w-[112px] tabular-nums">{time}</span>
      {slot.mine ? (
        <>
          <b className="text-pine-ink">yours</b>
          {begun ? null : (
            <ActButton course={page.course.slug} number={number} act="give-slot" name={time}>
              Give it back
            </ActButton>
          )}
        </>
      ) : slot.taken ? (
        <span className="text-ink-2">{slot.who ?? 'taken'}</span>
      ) : begun ? (
        <span className="text-ink-2">over</span>
      ) : page.staff || page.onlooker ? (
        <span className="text-ink-2">free</span>
      ) : (
        <QuietForm action={questionActAt(page.course.slug, number)} className="contents">
          <input type="hidden" name="slot" value={slot.n} />
          <button className="link min-h-6" name="act" value="take-slot">
            Take it<span className="sr-only">, {time}</span>
          </button>
        </QuietForm>
      )}
    </li>
  );
}

/** An hour to meet: when and where, its slots, and for staff how to move it. */
export function ShownMeeting(props: { page: QuestionsPage; number: number; meeting: MeetingSeen }) {
  const { page, number, meeting } = props;
  const { zone } = page.course;
  const off = meeting.calledOffAt !== null;
  return (
    <section
      aria-label="Hour to meet"
      className="mt-3 grid gap-2 rounded-control border border-rule bg-page-2 px-3.5 py-3 text-[13.5px]"
    >
      <p className={off ? 'text-ink-2 line-through' : ''}>
        <b>
          {moment(meeting.starts, zone)} to {clockTime(meeting.ends, zone)}
        </b>
        , <Place place={meeting.place} />
      </p>
      {off ? (
        <p className="font-semibold">Called off. Whoever had a slot was told.</p>
      ) : meeting.slots.length ? (
        <ul aria-label="Slots">
          {meeting.slots.map((slot) => (
            <SlotLine key={slot.n} page={page} number={number} slot={slot} zone={zone} />
          ))}
        </ul>
      ) : (
        <p className="text-ink-2">There are no slots: whoever wants comes.</p>
      )}
      {off || page.staff ? null : (
        <p className="text-[12.5px] text-ink-2">
          {meeting.slots.length
            ? 'Classmates see that a slot is taken, and not by whom. Yours stands in your '
            : 'It stands in your '}
          <Link className="link" href={calendarAt()} prefetch={false}>
            calendar
          </Link>{' '}
          and its feed.
        </p>
      )}
      {page.staff && !off && !meeting.over ? (
        <details>
          <summary className="link min-h-6 w-fit">Move it, or call it off</summary>
          <QuietForm
            action={questionActAt(page.course.slug, number)}
            className="mt-1 flex flex-wrap items-end gap-2"
            label="Move it"
          >
            <label className="grid gap-1 font-semibold">
              Begins
              <WhenField
                className="field !min-h-8 w-44 font-normal"
                name="starts"
                wall={wallClockAt(meeting.starts, zone).slice(0, 16)}
              />
            </label>
            <label className="grid min-w-40 grow gap-1 font-semibold">
              Where
              <input
                className="field !min-h-8 font-normal"
                name="place"
                maxLength={400}
                defaultValue={meeting.place}
              />
            </label>
            <button className="btn !min-h-8" name="act" value="move-meeting">
              Move it
            </button>
            <button className="btn !min-h-8" name="act" value="call-off">
              Call it off
            </button>
          </QuietForm>
        </details>
      ) : null}
    </section>
  );
}
