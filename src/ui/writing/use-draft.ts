'use client';

import type { Doc } from '@/core/posts/document';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { DraftView } from '../discussion/types';
import { forgetLocal, keepLocal, readLocal } from './local-copy';

export type Place = { slug: string; person: string; kind: 'response' | 'reply'; parent: number | null };
export type Text = { title: string; doc: Doc };

/**
 * Where a draft stands. The writer's keys move it to `unsaved`; the timer to `keeping`; the server's answer to `kept`,
 * `elsewhere` (another window changed it), `refused` or, without an answer, to `local`, from where it is tried again.
 */
export type Keeping =
  | { state: 'untouched' }
  | { state: 'unsaved' }
  | { state: 'keeping' }
  | { state: 'kept'; at: number }
  | { state: 'local'; why: 'no-answer' | 'signed-out' }
  | { state: 'refused'; code: string }
  | { state: 'elsewhere'; other: Text & { keptAt: number; revision: number; submission: string } };

const QUIET_MS = 800;
const LONGEST_MS = 4_000;
const RETRY_MS = [1_500, 3_000, 6_000, 12_000];

type Answer =
  | { ok: true; revision: number; keptAt: number; submission: string }
  | {
      ok: false;
      code: string;
      title?: string;
      doc?: Doc;
      keptAt?: number;
      revision?: number;
      submission?: string;
    };

/** Keeps a draft on this machine at once and on the server about a second after typing stops. */
export function useDraft(place: Place, opened: DraftView) {
  const [keeping, setKeeping] = useState<Keeping>(
    opened.keptAt === null ? { state: 'untouched' } : { state: 'kept', at: opened.keptAt },
  );
  const [submission, setSubmission] = useState(opened.submission);
  const refs = useRef({
    text: { title: opened.title, doc: opened.doc } as Text,
    revision: opened.revision,
    submission: opened.submission,
    timer: undefined as ReturnType<typeof setTimeout> | undefined,
    firstUnsaved: 0,
    tries: 0,
    dirty: false,
    busy: false,
    over: false,
  });
  const key = `${place.person} ${place.slug} ${place.kind} ${place.parent ?? ''}`;
  const address = `/discussions/${place.slug}/draft`;

  const send = useCallback(
    async (conflict: 'tell' | 'replace' | 'aside' = 'tell', leaving = false): Promise<void> => {
      const r = refs.current;
      if (r.over || (r.busy && !leaving)) return;
      clearTimeout(r.timer);
      r.busy = true;
      r.dirty = false;
      setKeeping({ state: 'keeping' });
      let answer: Answer;
      try {
        const response = await fetch(address, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          keepalive: leaving,
          body: JSON.stringify({
            kind: place.kind,
            parent: place.parent,
            submission: r.submission,
            title: r.text.title,
            doc: r.text.doc,
            base: r.revision,
            conflict,
          }),
        });
        answer = (await response.json()) as Answer;
      } catch {
        answer = { ok: false, code: 'no-answer' };
      }
      r.busy = false;
      if (r.over) return;
      if (answer.ok) {
        r.revision = answer.revision;
        r.submission = answer.submission;
        r.tries = 0;
        setSubmission(answer.submission);
        if (r.dirty) {
          keepLocal(key, { ...r.text, base: r.revision });
          schedule();
          return;
        }
        forgetLocal(key);
        setKeeping({ state: 'kept', at: answer.keptAt });
      } else if (answer.code === 'other-window' && answer.doc) {
        const { title = '', doc, keptAt = 0, revision = 0, submission: id = r.submission } = answer;
        setKeeping({ state: 'elsewhere', other: { title, doc, keptAt, revision, submission: id } });
      } else if (
        answer.code === 'no-answer' ||
        answer.code === 'signed-out' ||
        answer.code === 'unexpected'
      ) {
        r.dirty = true;
        const pause = RETRY_MS[Math.min(r.tries, RETRY_MS.length - 1)] ?? 12_000;
        r.tries += 1;
        r.timer = setTimeout(() => void send(), pause);
        setKeeping({ state: 'local', why: answer.code === 'signed-out' ? 'signed-out' : 'no-answer' });
      } else {
        setKeeping({ state: 'refused', code: answer.code });
      }
      function schedule() {
        setKeeping({ state: 'unsaved' });
        r.firstUnsaved = performance.now();
        r.timer = setTimeout(() => void send(), QUIET_MS);
      }
    },
    [address, key, place.kind, place.parent],
  );

  /** A change by the writer. */
  const change = useCallback(
    (text: Text) => {
      const r = refs.current;
      if (r.over) return;
      r.text = text;
      keepLocal(key, { ...text, base: r.revision });
      if (!r.dirty) r.firstUnsaved = performance.now();
      r.dirty = true;
      clearTimeout(r.timer);
      const waited = performance.now() - r.firstUnsaved;
      r.timer = setTimeout(() => void send(), Math.max(0, Math.min(QUIET_MS, LONGEST_MS - waited)));
      setKeeping((k) => (k.state === 'elsewhere' || k.state === 'local' ? k : { state: 'unsaved' }));
    },
    [key, send],
  );

  useEffect(() => {
    const r = refs.current;
    const leave = () => {
      if (r.dirty) void send('tell', true);
    };
    const hidden = () => document.visibilityState === 'hidden' && leave();
    const online = () => {
      if (r.dirty) void send();
    };
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('online', online);
    return () => {
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('online', online);
      clearTimeout(r.timer);
      leave();
    };
  }, [send]);

  return {
    keeping,
    submission,
    change,
    /** What this machine still holds from a window that could not reach the server; null when the server has it all. */
    left: useCallback(() => {
      const local = readLocal(key);
      if (!local) return null;
      const same = JSON.stringify(local.doc) === JSON.stringify(opened.doc) && local.title === opened.title;
      return same ? null : local;
    }, [key, opened.doc, opened.title]),
    /** This window's text shall stand; the other is kept aside. */
    takeMine: useCallback(
      (revision: number) => {
        refs.current.revision = revision;
        return send('replace');
      },
      [send],
    ),
    /** The other window's text shall stand; this one is kept aside on the server. */
    takeOther: useCallback(
      async (other: Text & { revision: number; submission: string; keptAt: number }) => {
        await send('aside');
        const r = refs.current;
        Object.assign(r, {
          text: { title: other.title, doc: other.doc },
          revision: other.revision,
          submission: other.submission,
        });
        r.dirty = false;
        clearTimeout(r.timer);
        forgetLocal(key);
        setSubmission(other.submission);
        setKeeping({ state: 'kept', at: other.keptAt });
      },
      [key, send],
    ),
    /** The text was shared: nothing more is kept of the draft. */
    finish: useCallback(() => {
      const r = refs.current;
      r.over = true;
      r.dirty = false;
      clearTimeout(r.timer);
      forgetLocal(key);
    }, [key]),
  };
}
