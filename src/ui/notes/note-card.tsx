'use client';

import { noteAt, notesAt } from '@/contract/addresses';
import { Lock, Users } from 'lucide-react';
import { useState } from 'react';
import { moment } from '../words/time';
import { audienceSign } from '../words/notes';
import { QuietForm } from './note-form';
import type { NoteLine } from '@/core/notes/note';

const small = 'link min-h-6 text-[12.5px]';

function Body(props: { note: NoteLine; slug: string; zone: string }) {
  const { note, slug } = props;
  const [editing, setEditing] = useState(false);
  return (
    <>
      <p className="text-[12.5px] leading-snug text-ink-2">
        <b className="text-[13px] text-ink">{note.mine ? 'You' : note.author}</b>
        {note.staff ? (
          <span className="ml-1.5 rounded-[5px] bg-sky-tint px-1.5 font-semibold text-sky">staff</span>
        ) : null}{' '}
        {moment(note.madeAt, props.zone)}
        {note.changed ? ' · changed' : ''}
        {note.parent === null ? (
          <span className="ml-1.5 inline-flex items-center gap-1 whitespace-nowrap">
            {note.audience === 'class' ? <Users size={12} aria-hidden /> : <Lock size={12} aria-hidden />}
            <span className="sr-only">seen by </span>
            {audienceSign(note.audience, note.mine)}
          </span>
        ) : null}
      </p>
      {note.removed ? (
        <p className="text-ink-2 italic">Its author took this note back. The answers stay.</p>
      ) : editing ? (
        <QuietForm
          action={noteAt(slug, note.id)}
          className="mt-1 grid gap-1.5"
          done={() => setEditing(false)}
        >
          <textarea
            className="field font-serif text-[15px]"
            name="body"
            aria-label="Your note, changed"
            rows={4}
            required
            maxLength={5_000}
            defaultValue={note.body}
          />
          <span className="flex gap-2">
            <button className="btn go" name="do" value="change">
              Keep the change
            </button>
            <button type="button" className="btn" onClick={() => setEditing(false)}>
              Leave it
            </button>
          </span>
        </QuietForm>
      ) : (
        <p className="font-serif text-[15px] leading-relaxed whitespace-pre-line">{note.body}</p>
      )}
      {note.mine && !note.removed && !editing ? (
        <div className="mt-0.5 flex flex-wrap items-center gap-x-3">
          <button type="button" className={small} onClick={() => setEditing(true)}>
            Change
          </button>
          <QuietForm action={noteAt(slug, note.id)}>
            <button className={small} name="do" value="remove">
              Remove
            </button>
          </QuietForm>
        </div>
      ) : null}
    </>
  );
}

/** A note with its passage and the answers under it. */
export function NoteCard(props: {
  note: NoteLine;
  answers: NoteLine[];
  slug: string;
  zone: string;
  chosen: boolean;
  show: () => void;
  quote: ((note: NoteLine) => void) | null;
  /** Whether the reader may answer. */
  writes: boolean;
}) {
  const { note, answers, slug } = props;
  const [answering, setAnswering] = useState(false);
  return (
    <li
      id={`note-${note.id}`}
      className={`border-t border-rule-soft px-4 py-3 first:border-t-0 sm:px-5 ${props.chosen ? 'bg-page-2 shadow-[inset_4px_0_var(--sky)]' : ''}`}
    >
      {note.quote ? (
        note.place ? (
          <button
            type="button"
            onClick={props.show}
            className="mb-1 line-clamp-2 w-full border-l-3 border-ochre pl-2.5 text-left font-serif text-[13.5px] text-ink-2 hover:underline"
          >
            “{note.quote}”
            {note.place.how === 'quote' ? (
              ''
            ) : (
              <b className="font-sans text-ochre-ink"> (the text has changed here)</b>
            )}
          </button>
        ) : (
          <p className="mb-1 border-l-3 border-dashed border-brick pl-2.5 font-serif text-[13.5px] text-ink-2">
            “{note.quote}” <b className="font-sans text-brick">no longer in the text</b>
          </p>
        )
      ) : null}
      <Body note={note} slug={slug} zone={props.zone} />
      {answers.length ? (
        <ul className="mt-2 grid gap-2 border-l-2 border-rule pl-3">
          {answers.map((a) => (
            <li key={a.id} id={`note-${a.id}`}>
              <Body note={a} slug={slug} zone={props.zone} />
            </li>
          ))}
        </ul>
      ) : null}
      <div className="mt-1 flex flex-wrap items-center gap-x-3">
        {props.writes ? (
          <button
            type="button"
            className={small}
            aria-expanded={answering}
            onClick={() => setAnswering(!answering)}
          >
            Answer
            <span className="sr-only"> the note by {note.mine ? 'you' : note.author}</span>
          </button>
        ) : null}
        {props.quote && !note.removed ? (
          <button type="button" className={small} onClick={() => props.quote?.(note)}>
            Into my draft
            <span className="sr-only">: the note by {note.mine ? 'you' : note.author}</span>
          </button>
        ) : null}
      </div>
      {answering ? (
        <QuietForm action={notesAt(slug)} className="mt-1 grid gap-1.5" done={() => setAnswering(false)}>
          <input type="hidden" name="parent" value={note.id} />
          <textarea
            className="field font-serif text-[15px]"
            name="body"
            aria-label={`Your answer to ${note.author}`}
            rows={3}
            required
            maxLength={5_000}
            autoFocus
          />
          <span>
            <button className="btn go">Answer, seen by {audienceSign(note.audience, note.mine)}</button>
          </span>
        </QuietForm>
      ) : null}
    </li>
  );
}
