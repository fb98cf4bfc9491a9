'use client';

import { useSyncExternalStore } from 'react';

/** Where the facing pages stand one behind the other, and one writes with a thumb: the same width as `max-lg` in the styles. */
const NARROW = '(max-width: 1023px)';

const subscribe = (tell: () => void) => {
  const query = matchMedia(NARROW);
  query.addEventListener('change', tell);
  return () => query.removeEventListener('change', tell);
};

/** Whether the page is narrow; on the server it is not. */
export const useNarrow = () =>
  useSyncExternalStore(
    subscribe,
    () => matchMedia(NARROW).matches,
    () => false,
  );
