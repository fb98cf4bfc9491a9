import 'server-only';
import type { ReactNode } from 'react';
import { Keys } from '@/ui/frame/keys';
import { TopBar, type Place } from '@/ui/frame/top-bar';
import type { Visitor } from './session';

/** The frame of every page inside: the bar, the page, the keys. */
export function Frame(props: {
  visitor: Visitor;
  here: string;
  place: Place;
  zone?: string;
  children: ReactNode;
}) {
  const { actor, deps, email, theme, demo } = props.visitor;
  return (
    <>
      <TopBar
        here={props.here}
        place={props.place}
        person={{ name: actor.name, email, theme, zone: actor.timeZone }}
        demo={demo}
        now={deps.now}
        zone={props.zone}
      />
      {props.children}
      <Keys />
    </>
  );
}
