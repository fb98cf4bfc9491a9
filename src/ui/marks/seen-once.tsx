'use client';

import { markSeen } from '@/contract/marks';
import { useEffect } from 'react';
import { call } from '../request/call';

/** Notes once that a mark was seen by whom it is for; without scripts it stays new. */
export function SeenOnce({ slug }: { slug: string }) {
  useEffect(() => {
    void call(markSeen, { slug }, null, { keepalive: true });
  }, [slug]);
  return null;
}
