'use client';

import { notesAt } from '@/contract/addresses';
import { AUDIENCES, type Audience } from '@/core/notes/note';
import { useRouter } from 'next/navigation';
import { useState, type FormEvent, type ReactNode } from 'react';
import { AUDIENCE_NAMES, noteAnswerText } from '../words/notes';

/**
 * A small form that is sent in the background where scripts run, and as a page of its own where they do not. The server
 * answers both with the address to go to, and what became of it.
 */
export function QuietForm(props: {
  action: string;
  className?: string;
  children: ReactNode;
  done?: () => void;
  label?: string;
  /** What is said once it is done, where the page does not show it by itself. */
  told?: string;
}) {
  const router = useRouter();
  const [isDone, setDone] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const send = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const submitter = (e.nativeEvent as SubmitEvent).submitter;
    const fields = new FormData(form, submitter);
    setSending(true);
    const answer = await fetch(props.action, {
      method: 'POST',
      headers: { accept: 'application/json' },
      // Whoever presses and leaves in one moment has pressed.
      keepalive: true,
      body: new URLSearchParams([...fields].map(([k, v]) => [k, String(v)])),
    })
      .then((r) => r.json() as Promise<{ ok: boolean; code: string }>)
      .catch(() => null);
    setSending(false);
    if (!answer) {
      setTrouble('Pulpit does not answer. What you wrote is still here; try again in a moment.');
      return;
    }
    setTrouble(answer.ok ? null : noteAnswerText(answer.code, {}));
    setDone(answer.ok);
    if (!answer.ok) return;
    form.reset();
    props.done?.();
    router.refresh();
  };
  return (
    <form
      action={props.action}
      method="post"
      onSubmit={(e) => void send(e)}
      className={props.className}
      aria-label={props.label}
    >
      <fieldset disabled={sending} className="contents">
        {props.children}
      </fieldset>
      {trouble ? (
        <p role="alert" className="mt-1 rounded-control bg-brick-tint px-2.5 py-1.5 text-[13px] font-medium">
          {trouble}
        </p>
      ) : null}
      {isDone && props.told ? (
        <p role="status" className="mt-1 text-[13px] font-medium text-pine-ink">
          {props.told}
        </p>
      ) : null}
    </form>
  );
}

/** Where a note is written: on a passage that is selected, on words that are typed, or on the whole reading. */
export function NoteForm(props: {
  slug: string;
  passage: { start: number; end: number; text: string } | null;
  clear: () => void;
  canAnchor: boolean;
  quoteInto: ReactNode;
}) {
  const { passage } = props;
  const [audience, setAudience] = useState<Audience>('class');
  return (
    <QuietForm
      action={notesAt(props.slug)}
      className="grid gap-2 border-b border-rule bg-page-2 px-4 py-3 sm:px-5"
      done={props.clear}
      label="A new note"
    >
      {passage ? (
        <div>
          <p className="line-clamp-3 border-l-3 border-ochre pl-2.5 font-serif text-[14px]" data-passage="">
            “{passage.text}”
          </p>
          <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
            {props.quoteInto}
            <button type="button" className="link min-h-6 text-[12.5px]" onClick={props.clear}>
              Not this passage
            </button>
          </div>
          <input type="hidden" name="start" value={passage.start} />
          <input type="hidden" name="end" value={passage.end} />
        </div>
      ) : props.canAnchor ? (
        <details className="text-[13px]">
          <summary className="link min-h-6 w-fit">
            On a passage: select it in the text, or type its words here
          </summary>
          <label className="mt-1 grid gap-1 font-semibold">
            Words of the passage; left empty, the note is on the whole reading
            <input className="field font-serif font-normal" name="words" autoComplete="off" />
          </label>
        </details>
      ) : null}
      <label className="grid gap-1 text-[13.5px] font-semibold">
        {passage ? 'Your note on this passage' : 'Your note'}
        <textarea
          className="field font-serif text-[15px] font-normal"
          name="body"
          rows={3}
          required
          maxLength={5_000}
        />
      </label>
      <div className="flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-2 text-[13px]">
          <span className="sr-only">Who can read it</span>
          <select
            className="field !w-auto font-semibold"
            name="audience"
            value={audience}
            onChange={(e) => setAudience(e.target.value as Audience)}
          >
            {AUDIENCES.map((a) => (
              <option key={a} value={a}>
                {AUDIENCE_NAMES[a]}
              </option>
            ))}
          </select>
        </label>
        <button className="btn go ml-auto">
          {audience === 'class'
            ? 'Note it for the class'
            : audience === 'staff'
              ? 'Ask the staff'
              : 'Keep it for me'}
        </button>
      </div>
    </QuietForm>
  );
}
