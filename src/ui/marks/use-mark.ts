import { keepingMark } from '@/contract/marks';
import type { Mark } from '@/core/marks/mark';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { call, type AnswerOf } from '../request/call';
import { MarkKeeper } from './mark-keeper';

type Place = { course: string; slug: string; person: string };
type Opened = { mark: Mark; revision: number };
type Sends = (place: Place, mark: Mark, base: number) => Promise<AnswerOf<typeof keepingMark>>;

export const sendWhole: Sends = (place, mark, base) =>
  call(keepingMark, place, { mark, base }, { keepalive: true });
/** Sends one's second reading. */
export const sendSecond: Sends = (place, mark, base) =>
  call(keepingMark, place, { mark, base, second: true }, { keepalive: true });
/** Sends what a table of the class can change, and leaves the rest as it stands. */
export const sendPart: Sends = (place, { levels, points, verdict }, base) =>
  call(keepingMark, place, { part: { levels, points, verdict }, base }, { keepalive: true });

/** The keeper of one student's mark for as long as it is on the page; a page with something unkept asks before it is left. */
export function useMark(place: Place, opened: Opened, send: Sends) {
  const [keeper] = useState(() => new MarkKeeper(opened, (mark, base) => send(place, mark, base)));
  useEffect(() => {
    const ask = (e: BeforeUnloadEvent) => {
      if (keeper.isOpen()) e.preventDefault();
      void keeper.send();
    };
    addEventListener('beforeunload', ask);
    return () => {
      removeEventListener('beforeunload', ask);
      void keeper.send();
    };
  }, [keeper]);
  return { keeper, ...useSyncExternalStore(keeper.subscribe, keeper.read, keeper.read) };
}
