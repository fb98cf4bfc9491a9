import { conversationAt, discussionAt, responseAt } from '@/contract/addresses';
import { entryStatus } from '@/core/calendar/entries';
import Link from 'next/link';
import { entryKind, entryStatusText } from '../words/calendar';
import { clockTime, moment, zoneName } from '../words/time';
import type { CalendarEntry } from '@/contract/calendar';

const EDGE = {
  owed: 'border-l-ochre',
  missed: 'border-l-brick',
  short: 'border-l-brick',
  done: 'border-l-pine',
  'nothing-owed': 'border-l-rule',
};

const TONE_LOST = new Set<string>(['missed', 'short']);

export const roomOf = ({ slug, kind }: CalendarEntry) =>
  kind === 'replies' ? conversationAt(slug) : kind === 'response' ? responseAt(slug) : discussionAt(slug);

/** One entry in a day of the month: the time in the reader's zone, the course, and how it stands. */
export function EntryInDay({ entry, zone }: { entry: CalendarEntry; zone: string }) {
  const said = entryStatusText(entry);
  const { code } = entryStatus(entry);
  return (
    <Link
      href={roomOf(entry)}
      className={`block min-h-6 content-center border-l-[3px] bg-page py-0.5 pl-1.5 text-[11.5px] leading-tight hover:underline ${EDGE[code]} ${
        code === 'done' ? 'text-ink-2' : 'text-ink'
      }`}
    >
      <b>{clockTime(entry.at, zone)}</b> {entry.course.code} {entryKind(entry)}{' '}
      {said ? (
        <span
          className={
            TONE_LOST.has(code)
              ? 'block font-semibold text-brick'
              : code === 'owed'
                ? 'block font-semibold text-ochre-ink'
                : 'block'
          }
        >
          {said}
        </span>
      ) : null}
      <span className="sr-only">, {entry.title}</span>
    </Link>
  );
}

/** One entry of the agenda, with its title and the course's own time where that differs. */
export function EntryLine({ entry, zone }: { entry: CalendarEntry; zone: string }) {
  const said = entryStatusText(entry);
  const { code } = entryStatus(entry);
  const there = moment(entry.at, entry.zone);
  return (
    <li className={`border-t border-l-[3px] border-rule-soft px-3.5 py-2.5 first:border-t-0 ${EDGE[code]}`}>
      <Link href={roomOf(entry)} className="group grid gap-x-3 sm:grid-cols-[52px_1fr_auto]">
        <b className="text-[14px]">{clockTime(entry.at, zone)}</b>
        <span className="min-w-0">
          <span className="block font-semibold group-hover:underline">
            {entry.course.code}: {entryKind(entry)}
            {entry.extended ? ' (extended for you)' : ''}
          </span>
          <span className="block text-[13px] text-ink-2">{entry.title}</span>
          {there === moment(entry.at, zone) ? null : (
            <span className="block text-[12.5px] text-ink-2">
              {there} in {zoneName(entry.zone)}
            </span>
          )}
        </span>
        <span
          className={`text-[13px] ${TONE_LOST.has(code) ? 'font-semibold text-brick' : code === 'owed' ? 'font-semibold text-ochre-ink' : 'text-ink-2'}`}
        >
          {said}
        </span>
      </Link>
    </li>
  );
}
