import { courseWeekAt, questionsAt, roomAt, weekAt } from '@/contract/addresses';
import { summarise } from '@/core/counting/summary';
import { ChevronLeft } from 'lucide-react';
import Link from 'next/link';
import { BarButton } from '../frame/bar-button';
import { Rooms } from '../frame/rooms';
import { Tally } from '../tally/tally';
import { ownTimeShort } from '../words/deadlines';
import { standing } from '../words/status';
import { AskedWatch } from './asked-watch';
import { Countdown } from './countdown';
import { FoldingHead } from './folding-head';
import { Places } from './places';
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

/** The course and week a discussion belongs to. */
export const Whence = ({ head }: { head: DiscussionHead }) => (
  <>
    <Link
      href={courseWeekAt(head.course.slug, head.week)}
      className="inline-flex min-h-7 items-center hover:underline"
    >
      {head.course.code} {head.course.title.split(':')[0]} › Week {head.week}
    </Link>
    {head.course.outside ? <span className="font-normal"> · not hosted here</span> : null}
  </>
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
  const due = props.preview ? s.due.head : <Countdown head={head} />;
  return (
    <FoldingHead>
      <div
        data-steps-aside=""
        className="flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-3 max-lg:min-h-11 max-lg:flex-nowrap max-lg:gap-x-2 max-lg:bg-bar max-lg:px-1 max-lg:py-0 max-lg:text-bar-ink sm:px-7 max-lg:sm:px-4"
      >
        {props.preview ? null : (
          <Link
            href={weekAt()}
            aria-label="Back to This week"
            className="grid size-11 shrink-0 place-items-center rounded-[6px] lg:hidden"
          >
            <ChevronLeft size={20} aria-hidden />
          </Link>
        )}
        <div className="min-w-0 max-lg:grow max-lg:first:pl-3">
          <p className="text-[12px] font-semibold text-ink-2 max-lg:hidden">
            <Whence head={head} />
          </p>
          <h1 className="text-[21px] leading-tight max-lg:truncate max-lg:text-[16px]">{head.title}</h1>
        </div>
        <div className="flex shrink-0 items-center gap-4">
          {head.ledger ? (
            <Tally
              ledger={head.ledger}
              // On the bar's pine the strokes are light.
              className="max-lg:mr-1 max-lg:[--brick:#f0b9a6] max-lg:[--ink-3:#d5e2da] max-lg:[--ochre:#e9c873] max-lg:[--pine:#e9c873]"
            />
          ) : null}
          <p className="text-[12.5px] leading-snug max-lg:hidden">
            <b className={`block ${TONES[s.due.tone]}`}>{due}</b>
            <span className="text-ink-2">
              {s.due.line}
              {own ? ` · ${own} your time` : ''}
            </span>
          </p>
        </div>
        {props.preview ? null : (
          <div className="w-full max-lg:hidden lg:ml-auto lg:w-auto">
            <Rooms
              label="Rooms of this discussion"
              here={room}
              rooms={rooms.map(([id, name]) => ({ id, name, href: roomAt(head.slug, id) }))}
            />
          </div>
        )}
        {props.preview ? null : <BarButton />}
        <span className="sr-only">
          Times are in the course’s zone
          {ownZone !== head.schedule.zone ? ' and, where it differs, in yours' : ''}.
        </span>
      </div>
      {props.preview ? null : (
        <div data-steps-aside="">
          <Places
            slug={head.slug}
            owes={owes}
            theClass={head.sealed ? 'The class · sealed' : `The class ${head.responses}`}
            due={
              <>
                <b className={`block truncate ${TONES[s.due.tone]}`}>{due}</b>
                <span className="block truncate text-ink-2">
                  {s.due.line.split(' · ')[0]}
                  {own ? ` · ${own} yours` : ''}
                </span>
              </>
            }
          />
          <div className="px-4 sm:px-7">
            <AskedWatch key={head.stamp} slug={head.slug} stamp={head.stamp} />
          </div>
        </div>
      )}
    </FoldingHead>
  );
}
