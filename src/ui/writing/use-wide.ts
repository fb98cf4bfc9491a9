'use client';

import { useEffect, useState } from 'react';

/** Whether only the writing is shown: the bar, the head and the facing page step aside. Ends when the page is left. */
export function useWide() {
  const [wide, setWide] = useState(false);
  useEffect(() => {
    const root = document.documentElement;
    if (wide) root.dataset.wide = '';
    return () => void delete root.dataset.wide;
  }, [wide]);
  return [wide, setWide] as const;
}
