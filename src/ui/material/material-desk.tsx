'use client';

import { EditorContent } from '@tiptap/react';
import Link from 'next/link';
import type { MaterialKind } from '@/contract/readings';
import { LeftOutLine } from '../attachments/sending-list';
import { DifferenceView } from '../history/difference-view';
import { DocumentView } from '../document/document-view';
import { RECORDER_OPEN } from '../words/clips';
import { materialTrouble } from '../words/material';
import { MaterialTools } from './material-tools';
import { useMaterial, type MaterialView } from './use-material';

/** What else happens when a text is put in its place. */
const AFTERWARDS: Record<MaterialKind, string> = {
  prompt: 'What is counted stays as it is; where the text says otherwise, both they and you are told.',
  reading: 'Their margin notes look for their passages in it.',
  'first page': 'It stands on This week of whoever has shared nothing in this course yet.',
};

/** The text of a reading or a prompt on the desk of whoever keeps the course. */
export function MaterialDesk(props: {
  view: MaterialView;
  person: string;
  author: string;
  /** What it is, as it is called in a sentence. */
  what: MaterialKind;
  slug: string;
  back: string;
}) {
  const { view, what, back } = props;
  const label = `The ${what}’s text`;
  const writing = useMaterial({ ...props, of: what, label });
  const { editor, putting, recording } = writing;
  if (!editor)
    return (
      <div className="px-4 py-4 sm:px-8">
        <noscript>
          <p className="mb-3 font-medium">
            Changing the text here needs scripts, and this browser runs none.
            {what === 'reading' ? ' A newer text can be put in its place from a file on its page.' : ''}
          </p>
        </noscript>
        <DocumentView doc={view.doc} />
      </div>
    );
  const busy = putting.state === 'putting';
  return (
    <>
      <MaterialTools
        writing={{ ...writing, editor }}
        label={`Tools for the ${what}’s text`}
        course={view.course}
        name={view.title}
        author={props.author}
        text={writing.text}
        bringIn={writing.bringIn}
      />
      {writing.restored ? (
        <p
          role="status"
          className="m-3 flex flex-wrap items-center gap-3 rounded-control bg-ochre-tint px-3 py-2"
        >
          <span className="grow basis-60">
            This is what you left on this machine. Students still read the text as it was.
          </span>
          <button type="button" className="btn" onClick={() => writing.take(view.doc, view.stamp)}>
            The text as students read it
          </button>
        </p>
      ) : null}
      {putting.state === 'changed' ? (
        <div role="alert" className="m-3 rounded-control border border-brick bg-brick-tint p-3">
          <p className="font-semibold">
            Somebody else changed this text meanwhile, so yours was not put in its place. What differs:
          </p>
          <div
            className="mt-2 max-h-[32dvh] overflow-auto rounded-control bg-page px-3 py-2"
            tabIndex={0}
            role="group"
            aria-label="What differs"
          >
            <DifferenceView
              brief
              first={writing.text()}
              second={{ title: '', doc: putting.doc }}
              names={{ first: 'your text', second: 'theirs' }}
            />
          </div>
          <div className="mt-2 flex flex-wrap gap-2">
            <button type="button" className="btn go" onClick={() => void writing.putOver(putting.stamp)}>
              Put mine in its place
            </button>
            <button type="button" className="btn" onClick={() => writing.take(putting.doc, putting.stamp)}>
              Go on from theirs
            </button>
          </div>
        </div>
      ) : null}
      <div className="min-h-[240px] grow px-4 py-4 sm:px-8" data-writing="">
        <EditorContent editor={editor} />
      </div>
      <div className="sticky bottom-0 rounded-b-plate border-t border-rule bg-page-2 px-4 py-2.5 ">
        {putting.state === 'failed' ? (
          <p role="alert" className="mb-2 rounded-control bg-brick-tint px-3 py-2 font-medium">
            {materialTrouble(putting.code)}
          </p>
        ) : null}
        <div className="flex flex-wrap items-center gap-2">
          <p className="grow basis-[300px] text-[13px] text-ink-2">
            <LeftOutLine sending={writing.sending} />
            {recording ? `${RECORDER_OPEN} ` : ''}
            Put in its place, it is what students read at once. {AFTERWARDS[what]}
          </p>
          <span className="ml-auto flex gap-2">
            <Link className="btn" href={back}>
              Leave it as it is
            </Link>
            <button type="button" className="btn go" disabled={busy} onClick={() => void writing.put()}>
              {busy ? 'Putting it in…' : 'Put it in its place'}
            </button>
          </span>
        </div>
      </div>
    </>
  );
}
