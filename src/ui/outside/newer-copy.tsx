'use client';

import { conversationAt } from '@/contract/addresses';
import Link from 'next/link';
import { troubleText, type Trouble } from '../words/outside';
import { DropFields } from './drop-fields';

/** The page on which a newer copy of a discussion's page is dropped. */
export function NewerCopy(props: {
  slug: string;
  title: string;
  /** Its prompt is not here yet. */
  awaited: boolean;
  action: string;
  troubles: Trouble[];
}) {
  return (
    <main id="main" className="mx-auto grid max-w-[860px] gap-4 px-4 py-6 sm:px-7">
      <div>
        <h1 className="text-[25px]">
          {props.awaited ? `The prompt of “${props.title}”` : `A newer copy of “${props.title}”`}
        </h1>
        <p className="mt-1 max-w-[68ch] text-[14.5px] text-ink-2">
          {props.awaited
            ? 'Copy the prompt’s text from the course’s page and bring it here, or save the page with the posts of your classmates. Pulpit reads what it asks, and you put that right before it is kept. The deadlines you have stay unless the text says others.'
            : 'Save the discussion’s page again, or copy all of its text, and bring it here. What is new is put in as unread, what was changed gets its new text, what is here already stays as it is. You see all of it before.'}
        </p>
      </div>
      {props.troubles.map((t, i) => (
        <p key={i} role="alert" className="rounded-control bg-brick-tint px-3 py-2 font-medium">
          {troubleText(t)}
        </p>
      ))}
      <DropFields
        action={props.action}
        label={props.awaited ? 'The prompt’s text, or that of the whole page' : 'The page’s text'}
        rows={8}
      >
        <p className="flex flex-wrap gap-2">
          <button className="btn go">{props.awaited ? 'Read it' : 'Look what is new'}</button>
          <Link className="btn" href={conversationAt(props.slug)}>
            Back
          </Link>
        </p>
      </DropFields>
    </main>
  );
}
