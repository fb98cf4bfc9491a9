'use client';

import { useEffect } from 'react';

/** How much is owed, on the sign of an installed Pulpit (Badging API); a browser that has none is no error. */
export function AppBadge({ n }: { n: number }) {
  useEffect(() => {
    if (!('setAppBadge' in navigator)) return;
    void navigator.setAppBadge(n).catch(() => undefined);
  }, [n]);
  return null;
}
