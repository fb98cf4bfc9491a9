'use client';

import { moment, zoneName } from '../words/time';
import { useServerNow } from './server-clock';

/** The time that counts, in the zone that counts here. */
export function TimeNow({ now, zone, named }: { now: number; zone: string; named: boolean }) {
  const at = useServerNow(now);
  return (
    <time
      dateTime={new Date(at).toISOString()}
      title={`The server’s time in ${zoneName(zone)}`}
      suppressHydrationWarning
    >
      {moment(at, zone)}
      {named ? ` in ${zoneName(zone)}` : ''}
    </time>
  );
}
