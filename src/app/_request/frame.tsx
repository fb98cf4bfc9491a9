import 'server-only';
import type { ReactNode } from 'react';
import { Keys } from '@/ui/frame/keys';
import { SkipLinks } from '@/ui/frame/skip-links';
import { TopBar, type Place } from '@/ui/frame/top-bar';
import type { Visitor } from './session';

/** The frame of every page inside: the bar, the page, the keys. */
export function Frame(props: {
  visitor: Visitor;
  here: string;
  place: Place;
  zone?: string;
  /** The page has one line of head of its own on a phone: the bar folds away there. */
  slim?: boolean;
  children: ReactNode;
}) {
  const { actor, deps, email, theme, demo, steward, picture, help, notices } = props.visitor;
  return (
    <>
      <SkipLinks />
      <TopBar
        here={props.here}
        place={props.place}
        person={{ name: actor.name, email, theme, zone: actor.timeZone, steward, picture, help }}
        notices={notices}
        demo={demo}
        now={deps.now}
        zone={props.zone}
        slim={props.slim}
      />
      {props.children}
      <footer
        className="hidden px-7 pb-2 text-right text-[12px] text-ink-2 lg:scripted:block"
        data-steps-aside=""
      >
        All of this works by keys: press <kbd>?</kbd> for the list
      </footer>
      <Keys />
    </>
  );
}
