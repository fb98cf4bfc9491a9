'use client';

import { EditorContent } from '@tiptap/react';
import { useEffect, useRef } from 'react';
import { documentFromText } from '@/core/document/compose';
import { plainText } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { MaterialTools } from '../material/material-tools';
import { useMaterialEditor } from '../material/use-material-editor';
import { putText } from '../writing/editor/put-text';
import { documentOf } from '../writing/editor/to-document';
import { keepLocal, readLocal } from '../writing/local-copy';

const EMPTY: Doc = { type: 'doc', content: [{ type: 'paragraph' }] };

/**
 * The text of an announcement in its form: a plain field, and once scripts run the full editor with pictures, files and clips. What is
 * written stays on this machine until it is announced.
 */
export function AnnouncementWriter(props: {
  course: string;
  author: string;
  /** The form is for nothing else, so that it is not sent without a text. */
  required?: boolean;
  /** Where this machine keeps the text. */
  keptAs: string;
  /** What it begins with, where it is made of something. */
  begin?: Doc | null;
}) {
  const { course, keptAs, begin = null } = props;
  const plain = useRef<HTMLTextAreaElement>(null);
  // What was typed into the plain field before the editor took its place.
  const early = useRef('');
  useEffect(() => {
    const field = plain.current;
    early.current ||= field && field.value !== field.defaultValue ? field.value : '';
  }, []);
  const rich = useRef<HTMLInputElement>(null);
  const sent = (doc: Doc) => {
    if (rich.current) rich.current.value = JSON.stringify(doc);
  };
  const changed = (doc: Doc) => {
    sent(doc);
    keepLocal(keptAs, { title: '', doc, base: 0, kept: false, submission: keptAs });
  };
  const writing = useMaterialEditor({
    course,
    doc: begin ?? EMPTY,
    label: 'The announcement’s text',
    placeholder: 'Type what they shall read…',
    onCreate: (e) => {
      const typed = early.current.trim() ? documentFromText(early.current) : null;
      if (typed) putText(e, typed);
      sent(documentOf(e));
      if (typed) return;
      void readLocal(keptAs).then((local) => {
        if (!local || e.isDestroyed || !(begin || e.isEmpty)) return;
        putText(e, local.doc);
        sent(documentOf(e));
      });
    },
    onUpdate: (e) => changed(documentOf(e)),
  });
  const { editor } = writing;
  const take = (doc: Doc) => {
    if (!editor) return;
    putText(editor, doc);
    changed(documentOf(editor));
  };
  if (!editor)
    return (
      <label className="grid gap-1 font-semibold">
        Text
        <textarea
          ref={plain}
          className="field min-h-28 font-normal"
          name="body"
          maxLength={10_000}
          required={props.required}
          defaultValue={begin ? plainText(begin) : undefined}
          onInput={(e) => (early.current = e.currentTarget.value)}
        />
      </label>
    );
  return (
    <div className="grid gap-1">
      <span className="font-semibold" aria-hidden>
        Text
      </span>
      <div
        className="rounded-control border border-ink-3 bg-page"
        // Enter in a field of the tools is theirs: it does not announce anything.
        onKeyDown={(e) => e.key === 'Enter' && e.target instanceof HTMLInputElement && e.preventDefault()}
      >
        <input type="hidden" name="doc" ref={rich} />
        <MaterialTools
          writing={{ ...writing, editor }}
          label="Tools for the announcement’s text"
          course={course}
          name="Announcement"
          author={props.author}
          text={() => ({ title: '', doc: documentOf(editor) })}
          bringIn={(brought, how) =>
            take(
              how === 'below'
                ? { type: 'doc', content: [...documentOf(editor).content, ...brought.content] }
                : brought,
            )
          }
        />
        <div className="min-h-28 px-3 py-2" data-writing="">
          <EditorContent editor={editor} />
        </div>
      </div>
    </div>
  );
}
