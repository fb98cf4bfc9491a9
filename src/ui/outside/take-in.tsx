'use client';

import { foundAt, outsideAt, putAwayAt, termAt } from '@/contract/addresses';
import Link from 'next/link';
import { useState } from 'react';
import { foundText, troubleText, type Trouble } from '../words/outside';
import { moment } from '../words/time';
import { DropFields } from './drop-fields';
import type { Pasted } from './shared-here';
import { usePromptReader } from './use-prompt-reader';

export type Waiting = {
  id: string;
  source: string;
  takenAt: number;
  opening: string;
  hasPosts: boolean;
  hasTerm: boolean;
};

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
  /** What the field for files says. */
  files: string;
  /** A text that stands in the field already. */
  begun?: string;
  /** Texts to begin with, by name and place. */
  starters?: { name: string; href: string }[];
}) {
  const [{ text, html }, setPasted] = useState<Pasted>({ text: props.begun ?? '', html: '' });
  const facts = usePromptReader(props.startReader, text, html);

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
      <DropFields
        action={props.action}
        label="The prompt’s text, or that of the whole page"
        rows={11}
        placeholder="Paste it here, as it stands on the course’s page"
        begun={props.begun}
        onText={setPasted}
        above={
          <>
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
          </>
        }
        under={
          <p role="status" className="min-h-5 text-[13px] text-ink-2">
            {facts ? foundText(facts) : ''}
          </p>
        }
        files={props.files}
      >
        <p>
          <button className="btn go">Read the prompt</button>
        </p>
      </DropFields>
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
                  <Link
                    className="link title-link"
                    href={w.hasTerm ? termAt(w.id) : w.hasPosts ? foundAt(w.id) : outsideAt(w.id)}
                  >
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
