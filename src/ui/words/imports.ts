import type { ImportProblem } from '@/core/calendar/import';

/** What was wrong with a line of an imported calendar, and what was done about it. */
export function importProblemText(p: ImportProblem): string {
  const at = `Line ${p.line.toLocaleString('en-GB')}`;
  switch (p.code) {
    case 'not-a-calendar':
      return 'This is not an iCalendar file: it holds no calendar at all. Nothing was changed.';
    case 'broken-line':
      return `${at} belongs to nothing (a folded line that lost its blank?). It was left out; the event around it was kept.`;
    case 'unclosed':
      return `${at} begins an event that never ends. It was left out.`;
    case 'no-start':
      return `${at}: “${p.title}” has no start. It was left out.`;
    case 'bad-time':
      return `${at}: “${p.value}” is not a time. The event was left out.`;
    case 'unknown-zone':
      return `${at}: nobody knows the time zone “${p.zone}”, and the file does not describe it. The event was left out.`;
    case 'ends-before-start':
      return `${at}: “${p.title}” ends before it begins. It was left out.`;
    case 'bad-rule':
      return `${at}: the rule by which “${p.title}” repeats cannot be read. Only its first time was kept.`;
    case 'too-often':
      return `${at}: “${p.title}” repeats more often than can be meant. What could be counted out was kept.`;
    case 'endless':
      return `${at}: “${p.title}” repeats without end. Its times of the next half year were kept.`;
    case 'too-many':
      return `${at}: the file holds more than can be taken in. What comes from here on was left out.`;
    case 'cut':
      return `The file is larger than 5 MB. It was read up to line ${p.line.toLocaleString('en-GB')}; what comes after was left out.`;
  }
}

/** Why a calendar that is followed could not be read, and what to do. @example calendarTroubleText('no-calendar') */
export function calendarTroubleText(code: string): string {
  switch (code) {
    case 'no-address':
      return 'That is no address. It begins with https:// and often ends in .ics.';
    case 'too-many':
      return 'You follow ten calendars, and no more are asked for. Leave one first.';
    case 'private':
      return 'That address leads into a private network, where Pulpit asks for nothing.';
    case 'not-found':
      return 'There is no calendar at that address any more, or it wants a password. Copy the address anew from the other place.';
    case 'no-calendar':
      return 'What is at that address is not an iCalendar file.';
    case 'too-large':
      return 'That calendar is larger than 3 MB and is not read.';
    case 'not-read':
      return 'That calendar takes too long to read.';
    default:
      return 'Nobody answers at that address.';
  }
}
