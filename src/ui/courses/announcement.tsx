'use client';

import { readingAnnouncement } from '@/contract/announcements';
import { call } from '../request/call';
import { useCallback, useEffect, useState, type ReactNode } from 'react';

/** One that is open when the page is shown has been read after this long. */
const LOOK_MS = 1_500;

/** An announcement that opens in place; opening it is reading it. What was not read yet says so in words. */
export function Announcement(props: {
  id: string;
  title: string;
  line: ReactNode;
  /** Its text. */
  children: ReactNode;
  read: boolean;
  open?: boolean;
}) {
  const [read, setRead] = useState(props.read);
  const { id } = props;
  const mark = useCallback(() => {
    setRead(true);
    // If this is lost, the announcement is new again on the next page: nothing to tell anybody about.
    void call(readingAnnouncement, { id }, null, { keepalive: true }).then(({ ok }) => setRead(ok));
  }, [id]);
  const waits = props.open === true && !props.read;
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(mark, LOOK_MS);
    return () => clearTimeout(timer);
  }, [waits, mark]);
  return (
    <details
      onToggle={(e) => (e.currentTarget.open && !read && !waits ? mark() : undefined)}
      open={props.open}
      id={`announcement-${id}`}
    >
      <summary className="list-none py-1">
        <b>{props.title}</b>
        {read ? null : (
          <span className="ml-1.5 rounded-[5px] bg-ochre-tint px-1.5 text-[11.5px] font-semibold text-ochre-ink">
            not read
          </span>
        )}
        <span className="block text-ink-3">{props.line}</span>
      </summary>
      {props.children}
    </details>
  );
}
