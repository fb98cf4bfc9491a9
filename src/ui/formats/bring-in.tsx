'use client';

import { bringingIn, type BroughtIn } from '@/contract/files';
import { call, type AnswerOf } from '../request/call';
import { isBlank } from '@/core/document/flatten';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { DifferenceView } from '../history/difference-view';
import { DocumentView } from '../document/document-view';
import { broughtText, bringInTrouble, leftBehindText } from '../words/formats';
import type { Text } from './save-text';

type Answer = AnswerOf<typeof bringingIn>;

/** Where a text may be brought in: a course, and the discussion whose questions are looked for in it. */
export type Into = { course: string; discussion: string | null };

function read(file: File, { course, discussion }: Into): Promise<Answer> {
  const form = new FormData();
  form.append('file', file);
  if (discussion) form.append('discussion', discussion);
  return call(bringingIn, { course }, null, { body: form });
}

/** What a file brings into a draft, before it does: how it will look, what of the draft changes, and what stays behind. */
export function BringIn(props: {
  file: File;
  into: Into;
  now: () => Text;
  take: (brought: BroughtIn, how: 'instead' | 'below') => void;
  close: () => void;
}) {
  const { file, close } = props;
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [into] = useState(props.into);
  const [now] = useState(props.now);
  const [compared, setCompared] = useState(false);
  useEffect(() => {
    let gone = false;
    void read(file, into).then((found) => {
      if (!gone) setAnswer(found);
    });
    return () => {
      gone = true;
    };
  }, [file, into]);
  const empty = isBlank(now.doc) && now.title.trim() === '';
  const brought = answer?.ok ? answer.value : null;
  const take = (how: 'instead' | 'below') => {
    if (brought) props.take(brought, how);
    close();
  };
  return (
    <Dialog.Root open onOpenChange={(open) => (open ? undefined : close())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.35)]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-3 top-[5dvh] z-50 mx-auto flex max-h-[90dvh] max-w-[760px] flex-col overflow-hidden rounded-plate border border-rule bg-page"
        >
          <div className="flex flex-wrap items-center gap-3 border-b border-rule px-4 py-3">
            <Dialog.Title className="min-w-0 grow truncate text-[16px]">Bring in {file.name}</Dialog.Title>
            <Dialog.Close className="btn">Leave the draft as it is</Dialog.Close>
          </div>
          <div role="status" className="border-b border-rule-soft bg-page-2 px-4 py-2.5 text-[13.5px]">
            {answer === null ? (
              'Reading the file…'
            ) : answer.ok ? (
              <>
                <p>{broughtText(answer.value)}</p>
                <p className="text-ink-2">{leftBehindText(answer.value.left)}</p>
              </>
            ) : (
              <p className="font-medium text-brick">{bringInTrouble(answer)}</p>
            )}
          </div>
          {brought ? (
            <>
              {empty ? null : (
                <label className="flex min-h-9 items-center gap-2 px-4 pt-2 text-[13px]">
                  <input
                    type="checkbox"
                    checked={compared}
                    onChange={(e) => setCompared(e.target.checked)}
                    className="size-4 accent-(--pine)"
                  />
                  Show what changes in the draft, word by word
                </label>
              )}
              <article className="min-h-0 grow overflow-auto px-4 py-3 sm:px-5" tabIndex={0}>
                {compared ? (
                  <DifferenceView
                    first={now}
                    second={{ ...brought, title: brought.title || now.title }}
                    names={{ first: 'the draft', second: 'the file' }}
                  />
                ) : (
                  <>
                    {brought.title ? <h3 className="mb-2 text-[18px]">{brought.title}</h3> : null}
                    <DocumentView doc={brought.doc} className="!text-[15px]" />
                  </>
                )}
              </article>
              <div className="flex flex-wrap items-center justify-end gap-2 border-t border-rule px-4 py-2.5">
                <p className="grow text-[12.5px] text-ink-2">
                  {empty ? '' : 'The draft of now stays among its earlier versions.'}
                </p>
                {empty ? null : (
                  <button type="button" className="btn" onClick={() => take('below')}>
                    Put it below the draft
                  </button>
                )}
                <button type="button" className="btn go" onClick={() => take('instead')}>
                  {empty ? 'Put it in' : 'Put it in the draft’s place'}
                </button>
              </div>
            </>
          ) : null}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
