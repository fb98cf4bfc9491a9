import { keepingMark } from '@/contract/marks';
import type { Mark } from '@/core/marks/mark';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { call } from '../request/call';
import { MarkKeeper } from './mark-keeper';

/** The keeper of one student's mark for as long as it is on the page; a page with something unkept asks before it is left. */
export function useMark(
  { course, slug, person }: { course: string; slug: string; person: string },
  opened: { mark: Mark; revision: number },
) {
  const [keeper] = useState(
    () =>
      new MarkKeeper(opened, (mark, base) =>
        call(keepingMark, { course, slug, person }, { mark, base }, { keepalive: true }),
      ),
  );
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
