'use client';

import { notebookAt, noteToSelfAt } from '@/contract/addresses';
import { notingToSelf } from '@/contract/writing';
import { call } from '../request/call';
import Link from 'next/link';
import { useEffect, useId, useRef, useState } from 'react';

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

type Note = { body: string; keptAt: number } | null;

/** A page of one's own beside a discussion. Nobody else can read it, staff neither. */
export function NoteToSelf(props: { slug: string; note: Note }) {
  return (
    <details className="mt-4 border-t border-rule pt-3" open={props.note !== null && props.note.body !== ''}>
      <summary className="w-fit cursor-pointer font-serif text-[14px] font-semibold">Notes to self</summary>
      <NoteField {...props} label="Notes to self: nobody else can read them" />
      <p className="text-[12.5px]">
        <Link className="link inline-flex min-h-6 items-center" href={notebookAt()} prefetch={false}>
          All your notes
        </Link>
      </p>
    </details>
  );
}

/** Where one notes something to oneself: it is kept as one types, and by a button without scripts. */
export function NoteField(props: {
  slug: string;
  note: Note;
  label: string;
  /** Where it stands, where that is not beside its discussion. */
  from?: 'notebook';
  /** It can go into the draft of one's response. */
  intoDraft?: boolean;
}) {
  const id = useId();
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
    <form action={noteToSelfAt(slug)} method="post" className="mt-1.5">
      {props.from ? <input type="hidden" name="from" value={props.from} /> : null}
      <label className="sr-only" htmlFor={id}>
        {props.label}
      </label>
      <textarea
        id={id}
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
        {/* The notebook says so once for all its pages. */}
        {props.from ? null : <span>Only you can read this, not even staff.</span>}
        <span role="status" className={state === 'failed' ? 'font-semibold text-brick' : ''}>
          {SAID[state]}
        </span>
      </p>
      <p className="mt-1 flex flex-wrap gap-2">
        <button className="btn scripted:hidden">Keep it</button>
        {props.intoDraft && body.trim() ? (
          <button className="link min-h-6 text-[12.5px]" name="do" value="draft">
            Put it into my draft
          </button>
        ) : null}
      </p>
    </form>
  );
}
