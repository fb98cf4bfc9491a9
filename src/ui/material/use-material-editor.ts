'use client';

import type { Editor } from '@tiptap/core';
import { useEditor } from '@tiptap/react';
import { useState } from 'react';
import type { Doc } from '@/core/document/nodes';
import { SendingFiles } from '../attachments/sending';
import type { FormulaAsked, NoteAsked } from '../writing/editor/fields';
import { editorOptions } from '../writing/editor/options';
import { NameStore } from '../writing/editor/suggest';

/** The full editor for a text that a course's students read, with what its tools have open. */
export function useMaterialEditor(options: {
  /** The course whose files it may carry, by its name in addresses. */
  course: string;
  doc: Doc;
  label: string;
  placeholder?: string;
  onCreate: (editor: Editor) => void;
  onUpdate: (editor: Editor) => void;
}) {
  const [formula, setFormula] = useState<FormulaAsked | null>(null);
  const [note, setNote] = useState<NoteAsked | null>(null);
  const [recording, setRecording] = useState(false);
  const [sending] = useState(() => new SendingFiles(options.course));
  // Material names nobody: nothing is offered.
  const [names] = useState(() => new NameStore(() => Promise.resolve({ people: [], posts: [] })));
  const editor = useEditor({
    ...editorOptions({
      doc: options.doc,
      label: options.label,
      placeholder: options.placeholder ?? 'Type the text as students shall read it…',
      openFormula: setFormula,
      openNote: setNote,
      names,
      sending,
    }),
    onCreate: ({ editor: e }) => {
      sending.into(e);
      options.onCreate(e);
    },
    onUpdate: ({ editor: e }) => options.onUpdate(e),
  });
  return { editor, sending, names, formula, setFormula, note, setNote, recording, setRecording };
}

export type MaterialEditor = ReturnType<typeof useMaterialEditor>;
