'use client';

import { noteToSelfAt } from '@/contract/addresses';
import { notingToSelf } from '@/contract/writing';
import { call } from '../request/call';
import { useEffect, useRef, useState } from 'react';

const QUIET_MS = 700;
const AGAIN_MS = 3_000;
const FROM_THE_OTHER = '— from another window —';

const SAID = {
  idle: '',
  waiting: 'Keeping…',
  kept: 'Kept.',
  failed: 'Not kept yet: Pulpit does not answer. Trying again.',
  merged: 'Another window had changed it: both texts are here now.',
} as const;

/** A page of one's own beside a discussion. Nobody else can read it, staff neither; it is kept as one types. */
export function NoteToSelf(props: { slug: string; note: { body: string; keptAt: number } | null }) {
  const [body, setBody] = useState(props.note?.body ?? '');
  const [state, setState] = useState<keyof typeof SAID>('idle');
  const base = useRef(props.note?.keptAt ?? 0);
  const text = useRef(body);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const dirty = useRef(false);
  const busy = useRef(false);
  const { slug } = props;

  const send = useRef<(leaving?: boolean) => Promise<void>>(async () => {});
  useEffect(() => {
    const later = (ms: number) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void send.current(), ms);
    };
    send.current = async (leaving = false) => {
      if (!dirty.current || (busy.current && !leaving)) return;
      busy.current = true;
      dirty.current = false;
      const answer = await call(
        notingToSelf,
        { slug },
        { body: text.current, base: base.current },
        { keepalive: leaving },
      );
      busy.current = false;
      if (answer.ok) {
        base.current = answer.value.keptAt;
        if (dirty.current) later(QUIET_MS);
        else setState((now) => (now === 'merged' ? now : 'kept'));
      } else if (answer.code === 'other-window') {
        base.current = answer.keptAt;
        const both = `${text.current}\n\n${FROM_THE_OTHER}\n${answer.body}`;
        text.current = both;
        setBody(both);
        setState('merged');
        dirty.current = true;
        later(0);
      } else {
        dirty.current = true;
        setState('failed');
        later(AGAIN_MS);
      }
    };
    const leave = () => void send.current(true);
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
      clearTimeout(timer.current);
    };
  }, [slug]);

  return (
    <details className="mt-4 border-t border-rule pt-3" open={props.note !== null && props.note.body !== ''}>
      <summary className="w-fit cursor-pointer font-serif text-[14px] font-semibold">Notes to self</summary>
      <form action={noteToSelfAt(slug)} method="post" className="mt-1.5">
        <label className="sr-only" htmlFor="note-to-self">
          Notes to self: nobody else can read them
        </label>
        <textarea
          id="note-to-self"
          name="body"
          rows={4}
          maxLength={20_000}
          value={body}
          onChange={(e) => {
            text.current = e.target.value;
            dirty.current = true;
            setBody(e.target.value);
            setState('waiting');
            clearTimeout(timer.current);
            timer.current = setTimeout(() => void send.current(), QUIET_MS);
          }}
          className="field w-full font-serif text-[14.5px]"
        />
        <p className="mt-1 flex flex-wrap gap-x-3 text-[12.5px] text-ink-2">
          <span>Only you can read this, not even staff.</span>
          <span role="status" className={state === 'failed' ? 'font-semibold text-brick' : ''}>
            {SAID[state]}
          </span>
        </p>
        <button className="btn mt-1 scripted:hidden">Keep it</button>
      </form>
    </details>
  );
}
