'use client';

import { importNotesAt, savedNotesAt } from '@/contract/addresses';
import { groupBy } from '@/core/group';
import { useState, type ReactNode } from 'react';
import { plural } from '../words/plural';
import { NoteCard } from './note-card';
import type { NoteLine } from '@/core/notes/note';

/** In which order notes stand: on the whole reading, then by their passage, then those whose passage is gone. */
const order = (n: NoteLine) => (n.quote === null ? -1 : n.place ? n.place.start : Infinity);

/** A margin may hold thousands; so many first notes are drawn, and as many more each time they are asked for. */
const AT_A_TIME = 100;

/** The right page beside a reading: its margin notes, and what can be done with all of them. */
export function NotesPage(props: {
  slug: string;
  zone: string;
  notes: NoteLine[];
  chosen: readonly string[] | null;
  all: () => void;
  show: (id: string) => void;
  quote: ((note: NoteLine) => void) | null;
  /** The form to write a note with; none for who only reads. */
  form: ReactNode | null;
  said: string | null;
}) {
  const { notes, chosen } = props;
  const first = notes
    .filter((n) => n.parent === null)
    .sort((a, b) => order(a) - order(b) || a.madeAt - b.madeAt);
  const answers = groupBy(notes, (n) => n.parent);
  const [most, draw] = useState(AT_A_TIME);
  const shown = chosen ? first.filter((n) => chosen.includes(n.id)) : first;
  const drawn = shown.slice(0, most);
  const isOrphan = (n: NoteLine) => n.quote !== null && !n.place;
  const orphans = drawn.filter(isOrphan);
  const left = shown.length - drawn.length;
  const card = (n: NoteLine) => (
    <NoteCard
      key={n.id}
      note={n}
      answers={answers.get(n.id) ?? []}
      slug={props.slug}
      zone={props.zone}
      chosen={chosen?.includes(n.id) ?? false}
      show={() => props.show(n.id)}
      quote={props.quote}
      writes={props.form !== null}
    />
  );
  return (
    <div className="grow overflow-auto" tabIndex={0}>
      <h2 className="sr-only">Margin notes</h2>
      {props.form}
      {props.said ? (
        <p
          role="status"
          className="border-b border-rule-soft bg-pine-tint px-4 py-2 text-[13.5px] font-medium sm:px-5"
        >
          {props.said}
        </p>
      ) : null}
      {chosen ? (
        <p className="flex flex-wrap items-center justify-between gap-2 px-4 py-2 text-[13px] sm:px-5">
          {plural(shown.length, 'note')} on this passage
          <button type="button" className="link min-h-6" onClick={props.all}>
            Show all {first.length}
          </button>
        </p>
      ) : null}
      <ul aria-label="Margin notes">{drawn.filter((n) => !isOrphan(n)).map(card)}</ul>
      {orphans.length ? (
        <section aria-labelledby="orphans" className="border-t border-rule">
          <h3 id="orphans" className="px-4 pt-3 text-[15px] sm:px-5">
            Their passage is gone
          </h3>
          <p className="px-4 text-[13px] text-ink-2 sm:px-5">
            The text was changed since. The notes are kept with the words they stood at.
          </p>
          <ul aria-label="Notes whose passage is gone">{orphans.map(card)}</ul>
        </section>
      ) : null}
      {left > 0 ? (
        <p className="px-4 py-3 text-[13px] sm:px-5">
          <button
            type="button"
            className="btn hidden scripted:inline-flex"
            onClick={() => draw(most + AT_A_TIME)}
          >
            Show {Math.min(left, AT_A_TIME)} more
          </button>
          <span className="ml-2 text-ink-2">{plural(left, 'note')} not shown; the file below holds all.</span>
        </p>
      ) : null}
      {first.length === 0 ? (
        <p className="px-4 py-4 text-ink-2 sm:px-5">
          Nothing stands in the margin yet.
          {props.form ? ' Select a passage to ask or remark, or write about the whole reading.' : ''}
        </p>
      ) : null}
      <details className="border-t border-rule px-4 py-3 text-[13px] sm:px-5">
        <summary className="link min-h-6 w-fit">
          {props.form ? 'Take notes out or in' : 'Take notes out'}
        </summary>
        <p className="mt-1">
          <a className="link" href={savedNotesAt(props.slug)} download>
            Save the notes I can read
          </a>{' '}
          as Web Annotations (JSON-LD), the W3C’s open form.
        </p>
        {props.form ? (
          <form
            action={importNotesAt(props.slug)}
            method="post"
            encType="multipart/form-data"
            className="mt-2 flex flex-wrap items-end gap-2"
          >
            <label className="grid gap-1 font-semibold">
              A file of Web Annotations
              <input
                className="field font-normal"
                type="file"
                name="file"
                required
                accept=".jsonld,.json,application/ld+json,application/json"
              />
            </label>
            <button className="btn">Take them in for myself</button>
          </form>
        ) : null}
      </details>
    </div>
  );
}
