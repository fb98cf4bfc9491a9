import { questionAt } from '@/contract/addresses';
import type { MeetingEntry } from '@/contract/calendar';
import Link from 'next/link';
import { clockTime, moment, zoneName } from '../words/time';

const addressOf = ({ course, number }: MeetingEntry) => questionAt(course.slug, number);
const EDGE = 'border-l-[3px] border-l-sky';

/** An hour to meet in a day of the month. */
export const MeetingInDay = ({ meeting, zone }: { meeting: MeetingEntry; zone: string }) => (
  <Link
    href={addressOf(meeting)}
    className={`block min-h-6 content-center bg-page py-0.5 pl-1.5 text-[11.5px] leading-tight hover:underline ${EDGE}`}
  >
    <b>{clockTime(meeting.at, zone)}</b> {meeting.course.code} to meet
    <span className="sr-only">, {meeting.title}</span>
  </Link>
);

/** The same in the agenda, with where it is, and the course's own time where that differs. */
export function MeetingLine({ meeting, zone }: { meeting: MeetingEntry; zone: string }) {
  const there = moment(meeting.at, meeting.zone);
  return (
    <li className={`border-t border-rule-soft px-3.5 py-2.5 first:border-t-0 ${EDGE}`}>
      <Link href={addressOf(meeting)} className="group grid gap-x-3 sm:grid-cols-[52px_1fr]">
        <b className="text-[14px]">{clockTime(meeting.at, zone)}</b>
        <span className="min-w-0">
          <span className="block font-semibold group-hover:underline">
            {meeting.course.code}: to meet until {clockTime(meeting.until, zone)}
          </span>
          <span className="block text-[13px] text-ink-2">
            {meeting.title} · {meeting.place}
          </span>
          {there === moment(meeting.at, zone) ? null : (
            <span className="block text-[12.5px] text-ink-2">
              {there} in {zoneName(meeting.zone)}
            </span>
          )}
        </span>
      </Link>
    </li>
  );
}
