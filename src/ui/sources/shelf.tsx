'use client';

import { shelfFileAt } from '@/contract/addresses';
import {
  addingSource,
  SHELF_FORMS,
  shelving,
  takingSource,
  type newSourceSchema,
  type Shelf,
  type ShelfForm,
} from '@/contract/sources';
import { call } from '../request/call';
import type { z } from 'zod';
import { STYLES, type Cited, type CitationStyle } from '@/core/sources/item';
import { withReference } from '@/core/sources/references';
import type { Editor } from '@tiptap/core';
import { LibraryBig } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useState, type FormEvent } from 'react';
import { DocumentView } from '../document/document-view';
import { documentOf } from '../writing/editor/to-document';

const STYLE_NAMES: Record<CitationStyle, string> = { apa: 'APA', mla: 'MLA', chicago: 'Chicago' };
const FORM_NAMES: Record<ShelfForm, string> = { bib: 'BibTeX', json: 'CSL-JSON', ris: 'RIS' };
const LIST_NAMES: Record<CitationStyle, string> = {
  apa: 'References',
  mla: 'Works cited',
  chicago: 'References',
};
const TROUBLES: Record<string, string> = {
  'no-title':
    'Nothing can be looked up from here: give its title too, and its author and year if you know them.',
  'not-read':
    'Reading what you pasted took too long, so nothing was put on the shelf. It is still here: paste fewer sources at once.',
  'no-answer': 'Pulpit does not answer. What you typed is still here; try again in a moment.',
  malformed: 'That is too long for a source. What you pasted is still here.',
  'no-source':
    'That is no DOI, link, BibTeX, RIS or CSL-JSON that could be read. What you pasted is still here.',
  'shelf-full': 'The shelf is full: take some sources off it first.',
};

/** The sources of a course, ready to be cited: the citation goes where the cursor stands, the entry into the list. */
export function SourceShelf({ slug, editor }: { slug: string; editor: Editor }) {
  const [open, setOpen] = useState(false);
  const [shelf, setShelf] = useState<Shelf | null>(null);
  const [style, setStyle] = useState<CitationStyle>('apa');
  const [said, setSaid] = useState<string | null>(null);
  const [turn, setTurn] = useState(0);

  useEffect(() => {
    if (!open) return;
    let gone = false;
    void call(shelving, { slug }, null).then((found) => {
      if (gone) return;
      if (found.ok) setShelf(found.value);
      else setSaid('The shelf could not be fetched. Your text is kept; try again when you are connected.');
    });
    return () => {
      gone = true;
    };
  }, [open, slug, turn]);

  const add = async (source: z.input<typeof newSourceSchema>, done?: () => void) => {
    setSaid(null);
    const answer = await call(addingSource, { slug }, source);
    if (!answer.ok) setSaid(TROUBLES[answer.code] ?? 'That could not be put on the shelf.');
    else {
      const { added, unreadable } = answer.value;
      if (unreadable) setSaid(`${added} put on the shelf; ${unreadable} had no title and were left out.`);
      done?.();
      setTurn((n) => n + 1);
    }
  };
  const citeReading = (reading: { slug: string; title: string }) =>
    add({ reading: reading.slug }, () => {
      void call(shelving, { slug }, null).then((found) => {
        const source = found.ok && found.value.sources.find((s) => s.title === reading.title);
        if (source) cite(source.cited[style]);
      });
    });
  const submit = (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = e.currentTarget;
    const data = new FormData(form);
    const field = (name: string) => String(data.get(name) ?? '');
    const source = {
      pasted: field('pasted'),
      title: field('title'),
      author: field('author'),
      year: field('year'),
    };
    void add(source, () => form.reset());
  };
  const cite = ({ inText, reference }: Cited) => {
    const before = editor.state.selection.$from;
    const gap =
      before.parentOffset > 0 && !/\s$/u.test(before.parent.textBetween(0, before.parentOffset)) ? ' ' : '';
    editor
      .chain()
      .focus()
      .insertContent({ type: 'text', text: `${gap}${inText} ` })
      .run();
    const { from } = editor.state.selection;
    const doc = withReference(documentOf(editor), reference, LIST_NAMES[style]);
    editor.chain().setContent(doc, { emitUpdate: true }).setTextSelection(from).focus().run();
    setOpen(false);
  };
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="btn">
        <LibraryBig size={15} aria-hidden /> Cite
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.35)]" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            editor.commands.focus();
          }}
          className="fixed inset-x-3 top-[5dvh] z-50 mx-auto flex max-h-[90dvh] max-w-[720px] flex-col overflow-hidden rounded-plate border border-rule bg-page"
        >
          <div className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-3">
            <Dialog.Title className="grow text-[18px]">Your sources in this course</Dialog.Title>
            <label className="flex items-center gap-1.5 text-[13px]">
              Style
              <select
                className="field !w-auto"
                value={style}
                onChange={(e) => setStyle(e.target.value as CitationStyle)}
              >
                {STYLES.map((s) => (
                  <option key={s} value={s}>
                    {STYLE_NAMES[s]}
                  </option>
                ))}
              </select>
            </label>
            <Dialog.Close className="btn">Close</Dialog.Close>
          </div>
          <div className="min-h-0 overflow-auto px-4 py-3" tabIndex={0}>
            {said ? (
              <p role="alert" className="mb-2 rounded-control bg-ochre-tint px-3 py-2 font-medium">
                {said}
              </p>
            ) : null}
            {shelf?.sources.length === 0 ? (
              <p className="text-ink-2">The shelf is empty. Cite a reading, or paste a source below.</p>
            ) : null}
            <ul>
              {shelf?.sources.map((s) => {
                const cited = s.cited[style];
                return (
                  <li key={s.id} className="border-b border-rule-soft py-2">
                    <DocumentView
                      doc={{ type: 'doc', content: [{ type: 'paragraph', content: cited.reference }] }}
                      className="!text-[14px]"
                    />
                    <span className="mt-1 flex flex-wrap items-center gap-3">
                      <button type="button" className="btn" onClick={() => cite(cited)}>
                        Cite {cited.inText}
                        <span className="sr-only">: {s.title}</span>
                      </button>
                      <button
                        type="button"
                        className="link min-h-8 text-[12.5px]"
                        onClick={() =>
                          void call(takingSource, { slug }, { id: s.id }).then(() => setTurn((n) => n + 1))
                        }
                      >
                        Take it off the shelf<span className="sr-only">: {s.title}</span>
                      </button>
                    </span>
                  </li>
                );
              })}
            </ul>
            {shelf?.sources.length ? (
              <p className="mt-2 flex flex-wrap items-center gap-x-4 text-[13px] text-ink-2">
                Take all of them along:
                {SHELF_FORMS.map((form) => (
                  <a
                    key={form}
                    className="link inline-flex min-h-8 items-center"
                    href={shelfFileAt(slug, form)}
                  >
                    {FORM_NAMES[form]}
                  </a>
                ))}
              </p>
            ) : null}
            {shelf?.readings.length ? (
              <details className="mt-3 text-[13.5px]" open={shelf.sources.length === 0}>
                <summary className="link w-fit">Readings of this course</summary>
                <ul className="mt-1 space-y-1">
                  {shelf.readings.map((r) => (
                    <li key={r.slug} className="flex flex-wrap items-center gap-2">
                      <span className="grow">
                        {r.author}, “{r.title}”
                      </span>
                      <button type="button" className="btn" onClick={() => void citeReading(r)}>
                        Cite<span className="sr-only">: {r.title}</span>
                      </button>
                      <button
                        type="button"
                        className="link min-h-8 text-[12.5px]"
                        onClick={() => void add({ reading: r.slug })}
                      >
                        Put it on the shelf<span className="sr-only">: {r.title}</span>
                      </button>
                    </li>
                  ))}
                </ul>
              </details>
            ) : null}
            <form onSubmit={submit} className="mt-4 grid gap-2 border-t border-rule pt-3 text-[13.5px]">
              <label className="grid gap-1 font-semibold">
                A new source: its DOI, its link, or BibTeX, RIS or CSL-JSON
                <textarea
                  name="pasted"
                  rows={3}
                  className="field font-mono text-[12.5px] font-normal"
                  spellCheck={false}
                />
              </label>
              <div className="grid gap-2 sm:grid-cols-[2fr_1.4fr_70px]">
                <label className="grid gap-1">
                  Title, with a DOI or link
                  <input name="title" className="field" autoComplete="off" />
                </label>
                <label className="grid gap-1">
                  Author; a second one
                  <input
                    name="author"
                    className="field"
                    autoComplete="off"
                    placeholder="Holt, Maren; Lind, T."
                  />
                </label>
                <label className="grid gap-1">
                  Year
                  <input name="year" className="field" autoComplete="off" inputMode="numeric" />
                </label>
              </div>
              <button className="btn justify-self-start">Put it on the shelf</button>
            </form>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
