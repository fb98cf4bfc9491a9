import { questionAt, roomAt } from '@/contract/addresses';
import type { MeetingEntry } from '@/contract/calendar';
import { entryStatus, type DiscussionEntry } from '@/core/calendar/entries';
import type { FeedEvent } from '@/core/calendar/feed';
import type { LateRule } from '@/core/deadlines/late';
import type { Instant } from '@/core/ids';
import { entryKind, entryStatusText, taskName } from './calendar';
import { lateText } from './deadlines';

type Version = { uid: string; sequence: number; changedAt: Instant };
export type FeedEntry = DiscussionEntry &
  Version & {
    slug: string;
    title: string;
    course: { code: string };
    week: number;
    zone: string;
    late: LateRule;
  };
export type FeedPiece = Version & {
  start: number;
  end: number;
  wall: string;
  zone: string;
  assignment: {
    slug: string;
    title: string;
    course: { code: string };
    kind: 'response' | 'reply';
    n: number;
  };
};

const DAY = 1_440;

/** A deadline as a calendar program shows it: what is due, what of it is still owed, and where to do it. */
export function deadlineEvent(entry: FeedEntry, origin: string): FeedEvent {
  const status = entryStatus(entry);
  const said = entryStatusText(entry);
  const done = status.code === 'done' ? 'Done: ' : '';
  const room = entry.kind === 'replies' ? 'conversation' : 'response';
  const url = origin + roomAt(entry.slug, room);
  return {
    uid: entry.uid,
    sequence: entry.sequence,
    changedAt: entry.changedAt,
    start: entry.wall,
    zone: entry.zone,
    minutes: 1,
    summary: `${done}${entry.course.code} ${entryKind(entry)}: ${entry.title}`,
    description: [
      `Week ${entry.week}: ${entry.title}`,
      said ? `${entry.kind === 'response' ? 'Your response: ' : 'Your replies: '}${said}.` : '',
      entry.extended ? 'This deadline is extended for you.' : '',
      `${lateText(entry.late)}.`,
      url,
    ]
      .filter(Boolean)
      .join('\n'),
    url,
    category: entry.course.code,
    // What is done need not ring.
    alarms: status.code === 'owed' ? [DAY, 120] : [],
    takesTime: false,
  };
}

/** A planned sitting as a calendar program shows it. */
export function sittingEvent(piece: FeedPiece, origin: string): FeedEvent {
  const { assignment } = piece;
  const url = origin + roomAt(assignment.slug, assignment.kind === 'response' ? 'response' : 'conversation');
  return {
    uid: piece.uid,
    sequence: piece.sequence,
    changedAt: piece.changedAt,
    start: piece.wall,
    zone: piece.zone,
    minutes: Math.round((piece.end - piece.start) / 60_000),
    summary: `Write: ${taskName(assignment)}`,
    description: `${assignment.title}\n${url}`,
    url,
    category: 'Plan',
    alarms: [],
    takesTime: true,
  };
}

/** An hour to meet, or one's slot in it, as a calendar program shows it. */
export function meetingEvent(meeting: MeetingEntry & Version, origin: string): FeedEvent {
  const url = origin + questionAt(meeting.course.slug, meeting.number);
  return {
    uid: meeting.uid,
    sequence: meeting.sequence,
    changedAt: meeting.changedAt,
    start: meeting.wall,
    zone: meeting.zone,
    minutes: Math.round((meeting.until - meeting.at) / 60_000),
    summary: `${meeting.course.code}: ${meeting.title}`,
    description: `Where: ${meeting.place}\n${url}`,
    url,
    category: meeting.course.code,
    alarms: [60],
    takesTime: true,
  };
}
