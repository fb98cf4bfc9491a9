'use client';

import type { Part } from '@/core/brief/brief';
import type { Check } from '@/core/checks/types';
import { documentFromParts, textsOfParts } from '@/core/posts/compose';
import type { Doc } from '@/core/posts/document';
import { useEditor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { Placeholder } from '@tiptap/extensions';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { DraftView } from '../discussion/types';
import { EvidenceMarks, evidenceKey } from './evidence-marks';
import { PartHeading } from './part-heading';
import { toDocument } from './to-document';
import { useDraft, type Place, type Text } from './use-draft';

const CHECK_PAUSE_MS = 150;

/** What was typed into the plain form before the editor took over, or null where nothing was. */
function typedBefore(form: HTMLFormElement | null, draft: DraftView, parts: Part[]): Text | null {
  if (!form) return null;
  const data = new FormData(form);
  const texts = data.getAll('text').map(String);
  const title = String(data.get('title') ?? draft.title);
  const before = textsOfParts(parts, draft.doc);
  const same =
    title === draft.title && texts.every((t, i) => t.replace(/\r\n/gu, '\n') === (before[i] ?? ''));
  return same ? null : { title, doc: documentFromParts(parts, texts) };
}

/**
 * The writing of one text: editor, title, draft and live checks. `check` must be stable or depend only on what the
 * checks depend on.
 */
export function useWriting(options: {
  place: Place;
  draft: DraftView;
  parts: Part[];
  placeholder: string;
  label: string;
  check: (text: Text) => Check[];
}) {
  const { draft, parts, check } = options;
  const form = useRef<HTMLFormElement>(null);
  const kept = useDraft(options.place, draft);
  const [title, setTitle] = useState(draft.title);
  const [doc, setDoc] = useState<Doc>(draft.doc);
  const [checks, setChecks] = useState<Check[]>(() => check({ title: draft.title, doc: draft.doc }));
  const [selected, setSelected] = useState<Check['id'] | null>(null);
  const [restored, setRestored] = useState(false);
  const titleNow = useRef(title);
  const keptChange = kept.change;

  const editor = useEditor({
    immediatelyRender: false,
    content: draft.doc,
    extensions: [
      StarterKit.configure({
        heading: { levels: [2, 3, 4] },
        strike: false,
        code: false,
        codeBlock: false,
        underline: false,
        horizontalRule: false,
        link: { openOnClick: false, autolink: false, protocols: ['http', 'https', 'mailto'] },
      }),
      PartHeading,
      EvidenceMarks,
      Placeholder.configure({ placeholder: options.placeholder, showOnlyCurrent: false }),
    ],
    editorProps: {
      attributes: {
        class: 'text min-h-full',
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': options.label,
        spellcheck: 'true',
      },
    },
    onUpdate: ({ editor: e }) => {
      const next = toDocument(e.getJSON());
      setDoc(next);
      keptChange({ title: titleNow.current, doc: next });
    },
  });

  const put = useCallback(
    (text: Text, own: boolean) => {
      if (!editor) return;
      titleNow.current = text.title;
      setTitle(text.title);
      setDoc(text.doc);
      editor.commands.setContent(text.doc, { emitUpdate: false });
      if (own) keptChange(text);
    },
    [editor, keptChange],
  );

  // Once, when the editor is there: what was typed before it, or what this machine still holds, comes in.
  const opened = useRef(false);
  const { left } = kept;
  useEffect(() => {
    if (!editor || opened.current) return;
    opened.current = true;
    const typed = typedBefore(form.current, draft, parts);
    const local = left();
    if (typed) put(typed, true);
    else if (local) {
      put({ title: local.title, doc: local.doc }, true);
      setRestored(true);
    }
  }, [editor, draft, parts, left, put]);

  useEffect(() => {
    const timer = setTimeout(() => setChecks(check({ title, doc })), CHECK_PAUSE_MS);
    return () => clearTimeout(timer);
  }, [check, title, doc]);

  useEffect(() => {
    if (!editor) return;
    const found = checks.find((c) => c.id === selected);
    editor.view.dispatch(editor.state.tr.setMeta(evidenceKey, found?.evidence ?? []));
  }, [editor, checks, selected]);

  /** Shows a check's evidence, and brings the first of it into view; the same check again takes the marks away. */
  const select = (id: Check['id']) => {
    const next = selected === id ? null : id;
    setSelected(next);
    const first = checks.find((c) => c.id === next)?.evidence[0];
    if (!editor || !first) return;
    const { node } = editor.view.domAtPos(first.from);
    const element = node instanceof HTMLElement ? node : node.parentElement;
    element?.scrollIntoView({ block: 'nearest' });
  };

  return {
    form,
    editor,
    title,
    doc,
    checks,
    selected,
    restored,
    kept,
    select,
    put,
    rename: (next: string) => {
      titleNow.current = next;
      setTitle(next);
      if (editor) keptChange({ title: next, doc: toDocument(editor.getJSON()) });
    },
    /** The text as it stands this instant, for sharing. */
    text: (): Text => ({ title: titleNow.current, doc: editor ? toDocument(editor.getJSON()) : doc }),
  };
}
