import type { ReactNode } from 'react';
import {
  collegeAt,
  stewardsAt,
  stewardsCoursesAt,
  stewardsLogAt,
  stewardsPeopleAt,
} from '@/contract/addresses';
import { AnswerLine, type Answer } from '../frame/answer';
import { Rooms } from '../frame/rooms';

const ROOMS = [
  ['home', 'At a glance', stewardsAt],
  ['people', 'People', stewardsPeopleAt],
  ['courses', 'Courses', stewardsCoursesAt],
  ['log', 'Log', stewardsLogAt],
  ['college', 'College', collegeAt],
] as const;
export type StewardRoom = (typeof ROOMS)[number][0];

/** The frame of the stewards' pages. */
export function StewardsPage(props: {
  room: StewardRoom;
  title: string;
  above?: string;
  answer: Answer | null;
  children: ReactNode;
}) {
  return (
    <main id="main" className="mx-auto grid max-w-[1100px] gap-5 px-4 py-6 sm:px-7">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div className="min-w-0">
          <p className="text-[12px] font-semibold text-ink-2">{props.above ?? 'For stewards'}</p>
          <h1 className="text-[25px] leading-tight break-words">{props.title}</h1>
        </div>
        <Rooms
          label="The stewards’ pages"
          here={props.room}
          rooms={ROOMS.map(([id, name, at]) => ({ id, name, href: at() }))}
        />
      </div>
      <AnswerLine answer={props.answer} />
      {props.children}
    </main>
  );
}

/** A plate with a heading. */
export function Plate(props: { id: string; title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <section aria-labelledby={props.id} className="plate overflow-hidden">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule-soft px-5 py-3">
        <h2 id={props.id} className="grow text-[18px]">
          {props.title}
        </h2>
        {props.aside}
      </div>
      {props.children}
    </section>
  );
}

/** A small form of one button. */
export function ActButton(props: {
  action: string;
  act: string;
  label: string;
  name?: string;
  more?: Record<string, string>;
  danger?: boolean;
}) {
  return (
    <form action={props.action} method="post">
      {Object.entries(props.more ?? {}).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <button
        type="submit"
        name="act"
        value={props.act}
        className={`btn ${props.danger ? 'border-brick text-brick' : ''}`}
        aria-label={props.name}
      >
        {props.label}
      </button>
    </form>
  );
}
