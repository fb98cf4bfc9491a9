import { courseWeekAt, questionsAt, roomAt } from '@/contract/addresses';
import { summarise } from '@/core/counting/summary';
import Link from 'next/link';
import { Rooms } from '../frame/rooms';
import { Tally } from '../tally/tally';
import { ownTimeShort } from '../words/deadlines';
import { standing } from '../words/status';
import { AskedWatch } from './asked-watch';
import { Countdown } from './countdown';
import type { DiscussionHead, Room } from '@/contract/discussion';

const TONES = { calm: '', warm: 'text-ochre-ink', hot: 'text-brick', done: 'text-pine-ink' };

/** Over what belongs to a question: the way back to the questions of the course. */
const AskedHead = ({ head }: { head: DiscussionHead }) => (
  <div data-steps-aside="" className="px-4 py-3 sm:px-7">
    <p className="text-[12px] font-semibold text-ink-2">
      {head.course.code} {head.course.title.split(':')[0]}
    </p>
    <h1 className="text-[21px] leading-tight">
      <Link href={questionsAt(head.course.slug)} className="hover:underline">
        Questions
      </Link>
    </h1>
  </div>
);

/** Title, tally, the next deadline, and the three rooms. */
export function Head(props: {
  head: DiscussionHead;
  room: Room;
  ownZone: string;
  /** It is shown to staff as a student sees it: the rooms are not those of a student. */
  preview?: boolean;
}) {
  const { head, room, ownZone } = props;
  if (head.asks) return <AskedHead head={head} />;
  const s = standing({ ...head, draftChecks: null, replyDrafts: 0, unreadReplies: 0 }, head.now);
  const next = head.ledger && summarise(head.ledger, head.now).next;
  const own = next && ownTimeShort(next.deadline, head.schedule.zone, ownZone);
  const owes = !head.staff && !head.onlooker;
  const rooms: [Room, string][] = [
    ['response', owes ? 'Your response' : 'Prompt'],
    ['conversation', head.sealed ? 'Conversation · sealed' : `Conversation ${head.responses}`],
    ...(owes ? [['part', 'Your part'] as [Room, string]] : []),
  ];
  return (
    <div data-steps-aside="" className="flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-3 sm:px-7">
      <div className="min-w-0">
        <p className="text-[12px] font-semibold text-ink-2">
          <Link
            href={courseWeekAt(head.course.slug, head.week)}
            className="inline-flex min-h-7 items-center hover:underline"
          >
            {head.course.code} {head.course.title.split(':')[0]} › Week {head.week}
          </Link>
          {head.course.outside ? <span className="font-normal"> · not hosted here</span> : null}
        </p>
        <h1 className="text-[21px] leading-tight">{head.title}</h1>
      </div>
      <div className="flex items-center gap-4">
        {head.ledger ? <Tally ledger={head.ledger} /> : null}
        <p className="text-[12.5px] leading-snug">
          <b className={`block ${TONES[s.due.tone]}`}>
            {props.preview ? s.due.head : <Countdown head={head} />}
          </b>
          <span className="text-ink-2">
            {s.due.line}
            {own ? ` · ${own} your time` : ''}
          </span>
        </p>
      </div>
      {props.preview ? null : (
        <Rooms
          label="Rooms of this discussion"
          here={room}
          rooms={rooms.map(([id, name]) => ({ id, name, href: roomAt(head.slug, id) }))}
        />
      )}
      {props.preview ? null : <AskedWatch key={head.stamp} slug={head.slug} stamp={head.stamp} />}
      <span className="sr-only">
        Times are in the course’s zone
        {ownZone !== head.schedule.zone ? ' and, where it differs, in yours' : ''}.
      </span>
    </div>
  );
}
