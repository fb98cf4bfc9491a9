'use client';

import { ChevronDown, ChevronUp } from 'lucide-react';
import { flushSync } from 'react-dom';
import { createContext, useContext, useState, type ReactNode } from 'react';
import { bringToFront, useFront, type Side } from './front';

type Page = { name: string; page: ReactNode };
/** The other page, for what stands on one of them: its name, and whether it is pulled up over this one. */
type Facing = { other: string; pulled: boolean; pull: (on: boolean) => void };

const FacingContext = createContext<Facing | null>(null);
/** The page that faces the one in hand; null where there is none. */
export const useFacing = () => useContext(FacingContext);

/** What is written goes on under the page that is pulled down over it. */
const UNDER = 'max-lg:pt-[calc(44dvh-88px)]';
/** On a phone a page reaches the foot of the screen, under the head with its two lines. */
const FILLS = 'max-lg:min-h-[calc(100dvh-90px)]';

/** Two tabs of one page, where nothing else on a phone leads from the one to the other. */
function Tabs({ names, front }: { names: Record<Side, string>; front: Side }) {
  return (
    <div
      className="mb-2 hidden rounded-[8px] border border-rule bg-page-2 p-1 max-lg:scripted:flex"
      role="group"
      data-steps-aside=""
      aria-label="Pages"
    >
      {(['left', 'right'] as const).map((side) => (
        <button
          key={side}
          type="button"
          aria-pressed={front === side}
          {...(side === 'right' ? { 'data-key-write': '' } : {})}
          onClick={() => bringToFront(side)}
          className={`min-h-11 grow rounded-[6px] px-3 text-[13px] font-semibold ${
            front === side ? 'bg-page text-pine-ink shadow-[inset_0_-3px_var(--pine)]' : 'text-ink-2'
          }`}
        >
          {names[side]}
        </button>
      ))}
    </div>
  );
}

/** At the foot, under the thumb: pulls the other page up, or puts it down. */
function Handle({ facing }: { facing: Facing }) {
  const { other, pulled, pull } = facing;
  return (
    <>
      <div className="hidden h-14 max-lg:scripted:block" aria-hidden />
      <button
        type="button"
        data-steps-aside=""
        aria-expanded={pulled}
        onClick={() => pull(!pulled)}
        className="fixed inset-x-0 bottom-0 z-30 hidden min-h-12 items-center justify-center gap-2 border-t border-rule bg-page-2 font-semibold max-lg:scripted:flex"
      >
        {pulled ? <ChevronDown size={18} aria-hidden /> : <ChevronUp size={18} aria-hidden />}
        {pulled ? `Put ${other} down` : `Pull up: ${other}`}
      </button>
    </>
  );
}

/**
 * Two pages side by side: what is answered, and what is written. On a phone one of them is in front, and the other can be pulled
 * up without leaving the one in hand. Without scripts they stand one below the other.
 */
export function FacingPages(props: {
  left: Page;
  right: Page;
  first: Side;
  /** What the pages are about: when it is something else, nothing is pulled up any more. */
  about?: string;
  shape?: 'even' | 'narrow-left';
  /** What leads from page to page on a phone: two tabs, or what stands in the head and at the foot of each page. */
  ways?: 'tabs' | { foot: ReactNode };
}) {
  const { ways = 'tabs', left, right } = props;
  const front = useFront(props.first);
  const [pulledOver, setPulledOver] = useState<string | null>(null);
  const here = `${front} ${props.about ?? ''}`;
  const pulled = pulledOver === here;
  const facing: Facing = {
    other: front === 'left' ? right.name : left.name,
    pulled,
    pull: (on) => setPulledOver(on ? here : null),
  };
  const tabbed = ways === 'tabs';
  const place = (side: Side) =>
    side === front
      ? ''
      : pulled
        ? `max-lg:fixed max-lg:inset-x-0 max-lg:z-40 max-lg:overflow-auto max-lg:border-rule ${
            tabbed
              ? 'max-lg:bottom-[49px] max-lg:z-30! max-lg:h-[62dvh] max-lg:border-t-2 max-lg:rounded-t-plate'
              : 'max-lg:top-0 max-lg:h-[44dvh] max-lg:border-b-2 max-lg:rounded-b-plate max-lg:shadow-[0_12px_24px_rgb(0_0_0/0.25)]'
          }`
        : 'scripted:max-lg:hidden';
  const shape = props.shape === 'narrow-left' ? 'lg:grid-cols-[minmax(340px,432px)_1fr]' : 'lg:grid-cols-2';
  return (
    <FacingContext value={facing}>
      <div className="min-w-0">
        {tabbed ? <Tabs names={{ left: left.name, right: right.name }} front={front} /> : null}
        <div
          className={`plate grid grid-cols-[minmax(0,1fr)] lg:h-[calc(100dvh-var(--above,148px))] lg:min-h-[520px] lg:overflow-hidden wide:mx-auto wide:mt-4 wide:max-w-[900px] wide:lg:h-[calc(100dvh-32px)] wide:lg:grid-cols-1 ${shape} ${
            tabbed ? '' : 'max-lg:rounded-none max-lg:border-x-0 max-lg:border-t-0'
          }`}
        >
          <section
            aria-label={left.name}
            data-steps-aside=""
            className={`relative flex min-h-0 min-w-0 flex-col bg-page-2 lg:rounded-l-plate lg:border-r lg:border-rule lg:after:pointer-events-none lg:after:absolute lg:after:inset-y-0 lg:after:right-0 lg:after:w-3.5 lg:after:bg-[linear-gradient(to_right,transparent,var(--fold))] ${tabbed || pulled ? '' : FILLS} ${place('left')}`}
          >
            {left.page}
          </section>
          <section
            aria-label={right.name}
            className={`flex min-h-0 min-w-0 flex-col bg-page lg:rounded-r-plate ${tabbed ? 'max-lg:min-h-[60dvh]' : FILLS} ${!tabbed && pulled && front === 'right' ? UNDER : ''} ${place('right')}`}
          >
            {right.page}
          </section>
        </div>
        {tabbed ? <Handle facing={facing} /> : front === 'left' ? ways.foot : null}
        {!tabbed && pulled ? <PutDown facing={facing} /> : null}
      </div>
    </FacingContext>
  );
}

/** Under the page that was pulled down over the one in hand. */
const PutDown = ({ facing }: { facing: Facing }) => (
  <button
    type="button"
    onClick={() => facing.pull(false)}
    className="fixed top-[calc(44dvh-3px)] right-4 z-40 inline-flex min-h-11 items-center gap-1.5 rounded-b-[8px] border border-t-0 border-rule bg-page-2 px-4 text-[13px] font-semibold lg:hidden"
  >
    <ChevronUp size={16} aria-hidden /> Put this away
  </button>
);

/** On a phone: brings the other page over this one, as long as one looks at it. */
export function PullDown({ children, className }: { children: ReactNode; className?: string }) {
  const facing = useFacing();
  return facing ? (
    <button
      type="button"
      aria-expanded={facing.pulled}
      onClick={() => facing.pull(!facing.pulled)}
      className={className}
    >
      {children}
    </button>
  ) : null;
}

/** The foot of the page that is read, on a phone: to the page one writes on, and what stands beside that way. */
export function WriteFoot(props: { before?: ReactNode; write: string; after?: ReactNode }) {
  return (
    <>
      <div className="hidden h-18 max-lg:scripted:block" aria-hidden />
      <div
        data-steps-aside=""
        className="fixed inset-x-0 bottom-0 z-20 hidden gap-2 border-t border-rule bg-page-2 px-3 py-2.5 max-lg:scripted:flex"
      >
        {props.before}
        <button
          type="button"
          data-key-write=""
          className="btn go min-h-11 grow justify-center"
          onClick={() => {
            // At once, so that the press that asked for the page opens the keyboard, too.
            flushSync(() => bringToFront('right'));
            document
              .querySelector<HTMLElement>('[data-writing] .ProseMirror')
              ?.focus({ preventScroll: true });
          }}
        >
          {props.write}
        </button>
        {props.after}
      </div>
    </>
  );
}
