import 'server-only';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { enterAsSteward, type Steward } from '@/server/stewards/enter';
import type { Answer } from '@/ui/frame/answer';
import { StewardsPage, type StewardRoom } from '@/ui/stewards/frame';
import { peopleDone, peopleTrouble } from '@/ui/words/people';
import { Frame } from './frame';
import { requireVisitor, type Visitor } from './session';

/** The steward behind this request. For everybody else the stewards' pages are not there. */
export async function requireSteward(here: string): Promise<{ who: Visitor; steward: Steward }> {
  const who = await requireVisitor(here);
  const door = await enterAsSteward(who.deps, who.actor);
  if (!door.ok) notFound();
  return { who, steward: door.value };
}

/** What became of the form before, as its code says it. */
export function answerOf(code: string | undefined, good?: string | null): Answer | null {
  if (good) return { good: true, text: good };
  if (!code) return null;
  const done = peopleDone(code);
  return { good: done !== null, text: done ?? peopleTrouble(code) };
}

/** A page of the stewards. */
export const StewardsFrame = (props: {
  who: Visitor;
  here: string;
  room: StewardRoom;
  title: string;
  above?: string;
  answer?: Answer | null;
  children: ReactNode;
}) => (
  <Frame visitor={props.who} here={props.here} place="stewards">
    <StewardsPage room={props.room} title={props.title} above={props.above} answer={props.answer ?? null}>
      {props.children}
    </StewardsPage>
  </Frame>
);
