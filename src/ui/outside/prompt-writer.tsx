'use client';

import { EditorContent } from '@tiptap/react';
import { useEffect, useRef } from 'react';
import type { Doc } from '@/core/document/nodes';
import type { Field } from '@/core/outside/fields';
import type { Evidence } from '@/core/outside/suggest';
import { canonicalJson } from '@/core/posts/canonical';
import { DocumentView } from '../document/document-view';
import { MaterialTools } from '../material/material-tools';
import { useMaterialEditor } from '../material/use-material-editor';
import { FIELD_NAMES } from '../words/outside';
import { markEvidence } from '../writing/editor/evidence-marks';
import { putText } from '../writing/editor/put-text';
import { versionOf } from '../writing/editor/text-versions';
import { documentOf } from '../writing/editor/to-document';
import { keepLocal, readLocal } from '../writing/local-copy';

/** The left page of a prompt that is written here: the full editor, its text kept on this machine at every key. */
export function PromptWriter(props: {
  doc: Doc;
  course: string;
  author: string;
  title: string;
  /** Where this machine keeps the text. */
  keptAs: string;
  evidence: Partial<Record<Field, Evidence[]>>;
  /** In which of the editor's texts the evidence was found. */
  version: number;
  pointed: Field | null;
  changed: (doc: Doc, version: number) => void;
}) {
  const { doc, keptAs, changed, evidence, version, pointed } = props;
  const told = useRef(changed);
  useEffect(() => {
    told.current = changed;
  }, [changed]);
  const writing = useMaterialEditor({
    course: props.course,
    doc,
    label: 'The prompt’s text',
    onCreate: (e) =>
      void readLocal(keptAs).then((local) => {
        if (!local || e.isDestroyed || canonicalJson(local.doc) === canonicalJson(doc)) return;
        putText(e, local.doc);
        told.current(documentOf(e), versionOf(e.state));
      }),
    onUpdate: (e) => {
      const now = documentOf(e);
      keepLocal(keptAs, { title: '', doc: now, base: 0, kept: false, submission: keptAs });
      told.current(now, versionOf(e.state));
    },
  });
  const { editor } = writing;
  useEffect(() => {
    if (!editor) return;
    const shown = Object.entries(evidence).filter(([field]) => pointed === null || field === pointed);
    markEvidence(
      editor,
      shown.flatMap(([field, found]) =>
        (found ?? []).flatMap((e) => e.places.map((p) => ({ ...p, note: FIELD_NAMES[field as Field] }))),
      ),
      version,
    );
  }, [editor, evidence, pointed, version]);
  if (!editor)
    return (
      <div className="px-4 py-4 sm:px-6">
        <DocumentView doc={doc} />
      </div>
    );
  return (
    <>
      <MaterialTools
        writing={{ ...writing, editor }}
        label="Tools for the prompt’s text"
        course={props.course}
        name={props.title}
        author={props.author}
        text={() => ({ title: '', doc: documentOf(editor) })}
        bringIn={(brought, how) =>
          putText(
            editor,
            how === 'below'
              ? { type: 'doc', content: [...documentOf(editor).content, ...brought.content] }
              : brought,
          )
        }
      />
      <div className="min-h-[240px] grow px-4 py-4 sm:px-6" data-writing="">
        <EditorContent editor={editor} />
      </div>
      <p aria-hidden className="px-4 pb-3 text-[12.5px] text-ink-2 sm:px-6">
        Marked: what something on the right page was read from.
      </p>
    </>
  );
}
