'use client';

import { useEffect } from 'react';

/** Brings the open post of a thread into view: a reply may stand far down the page. */
export function ShowPost({ id, first }: { id: number; first: boolean }) {
  useEffect(() => {
    if (!first) document.getElementById(`post-${id}`)?.scrollIntoView({ block: 'start' });
  }, [id, first]);
  return null;
}
