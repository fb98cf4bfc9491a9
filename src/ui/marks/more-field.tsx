'use client';

import { EditorContent } from '@tiptap/react';
import { isBlank } from '@/core/document/flatten';
import type { Doc } from '@/core/document/nodes';
import { MaterialTools } from '../material/material-tools';
import { useMaterialEditor } from '../material/use-material-editor';
import { putText } from '../writing/editor/put-text';
import { documentOf } from '../writing/editor/to-document';

const EMPTY: Doc = { type: 'doc', content: [{ type: 'paragraph' }] };

/** What is said with a mark beside its remark, in the full editor: spoken, shown, or with a file. */
export function MoreField({
  course,
  name,
  more,
  change,
}: {
  course: string;
  /** Whose mark it is. */
  name: string;
  more: Doc | null;
  change: (more: Doc | null) => void;
}) {
  const said = (doc: Doc) => change(isBlank(doc) ? null : doc);
  const writing = useMaterialEditor({
    course,
    doc: more ?? EMPTY,
    label: `More for ${name}`,
    placeholder: 'Record a clip, add a file, or write at length…',
    onCreate: () => undefined,
    onUpdate: (e) => said(documentOf(e)),
  });
  const { editor } = writing;
  if (!editor) return null;
  return (
    <div
      className="rounded-control border border-ink-3 bg-page"
      onKeyDown={(e) => e.key === 'Enter' && e.target instanceof HTMLInputElement && e.preventDefault()}
    >
      <MaterialTools
        writing={{ ...writing, editor }}
        label={`Tools for more for ${name}`}
        course={course}
        name="Feedback"
        author=""
        text={() => ({ title: '', doc: documentOf(editor) })}
        bringIn={(brought, how) => {
          putText(
            editor,
            how === 'below'
              ? { type: 'doc', content: [...documentOf(editor).content, ...brought.content] }
              : brought,
          );
          said(documentOf(editor));
        }}
      />
      <div className="min-h-20 px-3 py-2" data-writing="">
        <EditorContent editor={editor} />
      </div>
    </div>
  );
}
