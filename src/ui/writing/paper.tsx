'use client';

import { LIMITS } from '@/core/document/limits';
import { EditorContent, type Editor } from '@tiptap/react';
import { useState } from 'react';
import { NameList } from './editor/name-list';
import type { WritingState } from './use-writing';

/** What is written on: the title, where there is one, and the text. */
export function Paper(props: {
  writing: Omit<WritingState, 'form'>;
  editor: Editor;
  withTitle: boolean;
  titleHint?: string;
}) {
  const { writing, editor } = props;
  const [titleCut, setTitleCut] = useState(false);
  return (
    <div
      className="flex min-h-[200px] grow flex-col overflow-auto px-4 py-4 max-lg:py-2.5 sm:px-8"
      data-writing=""
      // The margins of the page are paper, too.
      onMouseDown={(e) => {
        if (
          e.target !== e.currentTarget ||
          e.clientX > e.currentTarget.clientWidth + e.currentTarget.getBoundingClientRect().left
        )
          return;
        e.preventDefault();
        editor.commands.focus(editor.isFocused ? null : 'end');
      }}
    >
      {props.withTitle ? (
        <textarea
          rows={1}
          aria-label="Title"
          data-title=""
          placeholder={props.titleHint ?? 'Title'}
          aria-describedby={titleCut ? 'title-cut' : undefined}
          value={writing.title}
          onChange={(e) => {
            const typed = e.target.value.replace(/\n/gu, ' ');
            setTitleCut(typed.length > LIMITS.titleLength);
            writing.rename(typed.slice(0, LIMITS.titleLength));
          }}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            e.preventDefault();
            editor.commands.focus('start');
          }}
          className="mb-3 block w-full resize-none [field-sizing:content] border-b border-dashed border-rule bg-transparent pb-2 font-serif text-[20px] font-semibold placeholder:text-ink-3 max-lg:mb-1.5 max-lg:pb-1 max-lg:text-[19px] max-lg:leading-snug"
        />
      ) : null}
      {titleCut ? (
        <p id="title-cut" role="status" className="mb-3 text-[12.5px] font-medium text-ochre-ink">
          A title has at most {LIMITS.titleLength} characters: what goes beyond is not taken.
        </p>
      ) : null}
      <EditorContent editor={editor} className="flex grow flex-col [&>.tiptap]:grow" />
      <NameList editor={editor} store={writing.names} />
    </div>
  );
}
