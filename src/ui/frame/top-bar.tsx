'use client';

import type { HelpFound } from '@/contract/account';
import {
  allQuestionsAt,
  calendarAt,
  discussionsAt,
  noticesAt,
  progressAt,
  weekAt,
} from '@/contract/addresses';
import { Bell } from 'lucide-react';
import Link from 'next/link';
import { FindButton } from '../find/find-button';
import { AccountMenu } from './account-menu';
import { BAR, useBarOpen } from './bar-open';
import { Brand } from './brand';
import { TimeNow } from './time-now';
import { useUnseen } from './use-unseen';

const PLACES = [
  ['week', 'This week', weekAt()],
  ['discussions', 'Discussions', discussionsAt()],
  ['questions', 'Questions', allQuestionsAt()],
  ['calendar', 'Calendar', calendarAt()],
  ['progress', 'Progress', progressAt()],
] as const;
export type Place = (typeof PLACES)[number][0] | 'find' | 'account' | 'stewards' | 'notices' | 'notebook';

/** The way to what concerns one, with how much of it is not seen. */
function NoticesLink(props: { n: number; here: boolean }) {
  const n = useUnseen(props.n);
  return (
    <Link
      href={noticesAt()}
      prefetch={false}
      aria-current={props.here ? 'page' : undefined}
      aria-label={n === 0 ? 'Notices' : `Notices, ${n} not seen`}
      className={`flex min-h-9 items-center gap-1.5 rounded-[6px] px-2 font-medium ${
        props.here ? 'bg-bar-on text-[#ffffff]' : 'hover:bg-bar-on'
      }`}
    >
      <Bell size={15} aria-hidden className="sm:hidden" />
      <span className="max-sm:hidden">Notices</span>
      {n > 0 ? (
        <b className="rounded-[9px] bg-[#e9c873] px-1.5 text-[12px] text-[#473103]">{n > 99 ? '99+' : n}</b>
      ) : null}
    </Link>
  );
}

export function TopBar(props: {
  here: string;
  place: Place;
  person: {
    name: string;
    email: string;
    theme: string;
    zone: string;
    steward: boolean;
    picture: string | null;
    help: HelpFound | null;
  };
  /** How many things that concern them they have not seen. */
  notices: number;
  demo: boolean;
  now: number;
  /** The zone that counts on this page, where it is not the person's own. */
  zone?: string;
  /** On a phone the page has one line of head of its own, and this unfolds under it. */
  slim?: boolean;
}) {
  const zone = props.zone ?? props.person.zone;
  const open = useBarOpen();
  const folds = !props.slim
    ? ''
    : open
      ? 'max-lg:fixed max-lg:inset-x-0 max-lg:top-11 max-lg:z-40 max-lg:border-t max-lg:border-bar-rule max-lg:pb-1 max-lg:shadow-[0_10px_20px_rgb(0_0_0/0.25)]'
      : 'max-lg:scripted:hidden';
  return (
    <header id={BAR} data-steps-aside="" className={`bg-bar text-bar-ink ${folds}`}>
      <div className="flex min-h-[52px] flex-wrap items-center gap-x-6 gap-y-1 px-4 py-1 sm:px-7">
        <Link href={weekAt()} className="text-[#f3efe2]" aria-label="Pulpit, to This week">
          {/* On a phone the mark alone: what is beside it has to stand in one line. */}
          <Brand className="max-[430px]:[&>span]:sr-only" />
        </Link>
        <nav aria-label="Main" className="order-3 -ml-2 flex w-full sm:order-none sm:ml-0 sm:w-auto sm:gap-1">
          {PLACES.map(([place, label, href]) => (
            <Link
              key={place}
              href={href}
              aria-current={props.place === place ? 'page' : undefined}
              className={`rounded-[6px] px-2 py-2 font-medium whitespace-nowrap max-sm:text-[13px] max-[410px]:px-[7px] max-[380px]:px-1.5 max-[380px]:text-[12px] sm:px-3 ${
                props.place === place ? 'bg-bar-on text-[#ffffff]' : 'hover:bg-bar-on'
              }`}
            >
              {label}
            </Link>
          ))}
        </nav>
        <div className="ml-auto flex items-center gap-3 text-[13px] sm:gap-4">
          <FindButton zone={props.person.zone} />
          <TimeNow now={props.now} zone={zone} named={zone !== props.person.zone} />
          <NoticesLink n={props.notices} here={props.place === 'notices'} />
          <AccountMenu
            name={props.person.name}
            email={props.person.email}
            theme={props.person.theme}
            demo={props.demo}
            steward={props.person.steward}
            picture={props.person.picture}
            help={props.person.help}
            here={props.here}
          />
        </div>
      </div>
    </header>
  );
}
