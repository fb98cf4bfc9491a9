'use client';

import { outsideAt, putAwayAt } from '@/contract/addresses';
import Link from 'next/link';
import { useRef, useState, type ClipboardEvent, type DragEvent } from 'react';
import { foundText, troubleText, type Trouble } from '../words/outside';
import { moment } from '../words/time';
import { usePromptReader } from './use-prompt-reader';

export type Waiting = { id: string; source: string; takenAt: number; opening: string };

/** The way in for a prompt, of a course elsewhere or of one that one teaches here: write it, paste it, or drop it as a file. */
export function TakeIn(props: {
  /** Where it is sent to. */
  action: string;
  /** The week it is written for, where it is for one. */
  week?: number | null;
  title: string;
  lead: string;
  troubles: Trouble[];
  waiting: Waiting[];
  zone: string;
  startReader: () => Worker;
  /** A text that stands in the field already. */
  begun?: string;
  /** Texts to begin with, by name and place. */
  starters?: { name: string; href: string }[];
}) {
  const [text, setText] = useState(props.begun ?? '');
  const [html, setHtml] = useState('');
  const [over, setOver] = useState(false);
  const files = useRef<HTMLInputElement>(null);
  const facts = usePromptReader(props.startReader, text, html);

  const paste = (e: ClipboardEvent<HTMLTextAreaElement>) => {
    // Only a whole paste has a form of its own; what is pasted into other text is a part of that.
    const rich = e.clipboardData.getData('text/html');
    const whole = e.currentTarget.selectionEnd - e.currentTarget.selectionStart === text.length;
    if (rich && whole) {
      e.preventDefault();
      setHtml(rich);
      setText(e.clipboardData.getData('text/plain'));
    }
  };
  const drop = (e: DragEvent) => {
    e.preventDefault();
    setOver(false);
    if (files.current && e.dataTransfer.files.length) files.current.files = e.dataTransfer.files;
    else if (e.dataTransfer.getData('text/plain')) {
      setText(e.dataTransfer.getData('text/plain'));
      setHtml(e.dataTransfer.getData('text/html'));
    }
  };
  return (
    <main id="main" className="mx-auto grid max-w-[860px] gap-4 px-4 py-6 sm:px-7">
      <div>
        <h1 className="text-[25px]">{props.title}</h1>
        <p className="mt-1 max-w-[68ch] text-[14.5px] text-ink-2">{props.lead}</p>
      </div>
      {props.troubles.map((t, i) => (
        <p key={i} role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
          {troubleText(t)}
        </p>
      ))}
      <form
        action={props.action}
        method="post"
        encType="multipart/form-data"
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        className={`plate grid gap-4 px-5 py-5 ${over ? 'outline-3 outline-sky' : ''}`}
      >
        {props.starters?.length ? (
          <p className="flex flex-wrap gap-x-4 gap-y-1 text-[13.5px]">
            <span className="text-ink-2">Begin from</span>
            {props.starters.map((s) => (
              <Link key={s.href} className="link inline-flex min-h-6 items-center" href={s.href}>
                {s.name}
              </Link>
            ))}
          </p>
        ) : null}
        {props.week ? <input type="hidden" name="week" value={props.week} /> : null}
        <label className="grid gap-1 font-semibold">
          The prompt’s text
          <textarea
            name="text"
            rows={11}
            value={text}
            onPaste={paste}
            onChange={(e) => {
              setText(e.target.value);
              setHtml('');
            }}
            placeholder="Paste it here, as it stands on the course’s page"
            className="field font-serif text-[15.5px] leading-relaxed font-normal"
          />
        </label>
        <input type="hidden" name="html" value={html} />
        <p role="status" className="min-h-5 text-[13px] text-ink-2">
          {facts ? foundText(facts) : ''}
        </p>
        <label className="grid gap-1 font-semibold">
          Or a file: text, Markdown, .html, .docx or a PDF; and an .ics file with its dates
          <input
            ref={files}
            className="field font-normal"
            type="file"
            name="file"
            multiple
            accept=".txt,.md,.markdown,.html,.htm,.docx,.pdf,.ics,text/plain,text/html,text/calendar,application/pdf"
          />
          <span className="text-[12.5px] font-normal text-ink-2">
            Files can be dropped anywhere on this page’s form. Nothing in them is run.
          </span>
        </label>
        <p>
          <button className="btn go">Read the prompt</button>
        </p>
      </form>
      {props.waiting.length ? (
        <section aria-labelledby="waiting" className="plate px-5 py-4">
          <h2 id="waiting" className="text-[18px]">
            Brought in, not confirmed yet
          </h2>
          <ul className="mt-2">
            {props.waiting.map((w) => (
              <li
                key={w.id}
                className="flex flex-wrap items-center justify-between gap-3 border-t border-rule-soft py-2.5"
              >
                <p className="min-w-0">
                  <Link className="link title-link" href={outsideAt(w.id)}>
                    {w.opening || w.source}
                  </Link>
                  <span className="block text-[13px] text-ink-2">
                    {w.source} · {moment(w.takenAt, props.zone)}
                  </span>
                </p>
                <form action={putAwayAt(w.id)} method="post">
                  <button className="btn">
                    Put away <span className="sr-only">{w.opening}</span>
                  </button>
                </form>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </main>
  );
}
