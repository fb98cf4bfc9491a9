'use client';

import { naming } from '@/contract/writing';
import { call } from '../request/call';
import type { Part } from '@/core/brief/brief';
import type { CheckRules } from '@/core/checks/check-draft';
import { both } from '@/core/drafts/difference';
import type { Doc } from '@/core/document/nodes';
import { documentFromParts, textsOfParts } from '@/core/document/compose';

import type { Editor } from '@tiptap/core';
import { useEditor } from '@tiptap/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { OpenDraft } from '@/contract/discussion';
import type { Place, Text } from './draft-keeper';
import { cursorWhereOneGoesOn, putText } from './editor/put-text';
import { markEvidence } from './editor/evidence-marks';
import { versionOf, whereNow } from './editor/text-versions';
import { SendingFiles } from '../attachments/sending';
import type { FormulaAsked, NoteAsked } from './editor/fields';
import { editorOptions } from './editor/options';
import { NameStore, type Names } from './editor/suggest';
import { documentOf } from './editor/to-document';
import { evidenceOf, type Selected } from './selected';
import { useLiveChecks } from './use-checks';
import { useTakeOver } from './take-over';
import { leftBehind, useDraft } from './use-draft';
import { useWithoutNetwork } from './without-network';

/** What was typed into the plain form before the editor took over, or null where nothing was. */
function typedBefore(form: HTMLFormElement, draft: OpenDraft, parts: Part[]): Text | null {
  const data = new FormData(form);
  const texts = data.getAll('text').map(String);
  const title = String(data.get('title') ?? draft.title);
  const before = textsOfParts(parts, draft.doc);
  const same =
    title === draft.title && texts.every((t, i) => t.replace(/\r\n/gu, '\n') === (before[i] ?? ''));
  return same ? null : { title, doc: documentFromParts(parts, texts) };
}

/** Whom and which posts a text in this discussion may name. */
async function namesOf(slug: string): Promise<Names> {
  const names = await call(naming, { slug }, null);
  if (!names.ok) throw new Error('no names');
  return names.value;
}

/** The writing of one text: editor, title, draft and live checks, and the ways in which another text takes its place. */
export function useWriting(options: {
  place: Place;
  draft: OpenDraft;
  parts: Part[];
  placeholder: string;
  label: string;
  rules: CheckRules;
}) {
  const { place, draft, parts } = options;
  const form = useRef<HTMLFormElement>(null);
  const keeper = useDraft(place, draft);
  const [title, setTitle] = useState(draft.title);
  useWithoutNetwork();
  const live = useLiveChecks(options.rules, draft.checked);
  const recheck = live.changed;
  const [selected, setSelected] = useState<Selected | null>(null);
  const [restored, setRestored] = useState(false);
  const titleNow = useRef(draft.title);
  const [formula, setFormula] = useState<FormulaAsked | null>(null);
  const [note, setNote] = useState<NoteAsked | null>(null);
  const [sending] = useState(() => new SendingFiles(place.course));
  const [names] = useState(() => new NameStore(() => namesOf(place.slug)));

  const put = useCallback(
    (target: Editor, text: Text) => {
      titleNow.current = text.title;
      setTitle(text.title);
      putText(target, text.doc);
      recheck(text, versionOf(target.state));
    },
    [recheck],
  );

  // Somebody was in the plain form when that went: their words are in the editor, and their cursor is where they left it.
  const before = useRef({ typed: false, inForm: false });

  const created = useEditor({
    ...editorOptions({
      doc: draft.doc,
      label: options.label,
      placeholder: options.placeholder,
      openFormula: setFormula,
      openNote: setNote,
      names,
      sending,
    }),
    // What was typed before the editor was there, or what this machine still holds, comes in.
    onCreate: ({ editor: e }) => {
      sending.into(e);
      if (before.current.typed) return;
      if (!before.current.inForm) cursorWhereOneGoesOn(e);
      // The server counted; where the evidence stands is found here.
      recheck({ title: draft.title, doc: draft.doc }, versionOf(e.state));
      void leftBehind(place, draft).then((local) => {
        // Not over words that were typed meanwhile: those are newer.
        if (!local || e.isDestroyed || !keeper.isUntouched()) return;
        if (local.same) {
          keeper.follow(local.base);
          return;
        }
        put(e, local);
        setRestored(true);
        keeper.resume(local);
      });
    },
    onUpdate: ({ editor: e }) => {
      const next = { title: titleNow.current, doc: documentOf(e) };
      keeper.change(next);
      recheck(next, versionOf(e.state));
    },
  });

  const editor = useTakeOver(created, form, (plain) => {
    const typed = typedBefore(plain, draft, parts);
    before.current = { typed: typed !== null, inForm: plain.contains(document.activeElement) };
    if (!typed || !created) return;
    put(created, typed);
    keeper.change(typed);
  });

  useEffect(() => {
    if (!editor || selected === null) return;
    const follow = () => markEvidence(editor, evidenceOf(live.latest(), selected), live.latestVersion());
    follow();
    const stop = live.onResult(follow);
    return () => {
      stop();
      markEvidence(editor, [], 0);
    };
  }, [editor, live, selected]);

  /** Shows a check's evidence, and brings the first of it into view; the same check again takes the marks away. */
  const select = (id: Selected) => {
    const next = selected === id ? null : id;
    setSelected(next);
    if (!editor || !next) return;
    const [first] = whereNow(editor.state, evidenceOf(live.latest(), next), live.latestVersion());
    if (!first) return;
    const { node } = editor.view.domAtPos(first.from);
    const element = node instanceof HTMLElement ? node : node.parentElement;
    element?.scrollIntoView({ block: 'nearest' });
  };

  /** The text as it stands this instant, for sharing. */
  const text = (): Text => ({
    title: titleNow.current,
    doc: editor ? documentOf(editor) : draft.doc,
  });

  return {
    form,
    editor,
    title,
    live,
    selected,
    restored,
    formula,
    setFormula,
    note,
    setNote,
    names,
    sending,
    keeper,
    select,
    rename: (next: string) => {
      titleNow.current = next;
      setTitle(next);
      if (!editor) return;
      const now = { title: next, doc: documentOf(editor) };
      keeper.change(now);
      recheck(now, versionOf(editor.state));
    },
    takeOther: async () => {
      const text = await keeper.takeOther();
      if (text && editor) put(editor, text);
    },
    takeBoth: async () => {
      const other = keeper.other();
      if (!other || !editor) return;
      const mine = text();
      const next = { title: mine.title, doc: both(mine.doc, other.doc) };
      put(editor, next);
      keeper.change(next);
      await keeper.takeMine();
    },
    restore: async (version: Text) => {
      if (!editor) return;
      await keeper.restore(version);
      put(editor, version);
    },
    /** A text from elsewhere takes the draft's place, or goes below it; the draft of now stays as a version. */
    bringIn: async (brought: Text, how: 'instead' | 'below') => {
      if (!editor) return;
      const now = text();
      // A reply has no title, and a draft that has one keeps it: then the other is a heading over its text.
      const entitles = place.kind === 'response' && (how === 'instead' || now.title.trim() === '');
      const heading: Doc['content'] =
        brought.title && !entitles
          ? [{ type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: brought.title }] }]
          : [];
      const added = [...heading, ...brought.doc.content];
      const next: Text = {
        title: entitles && brought.title ? brought.title : now.title,
        doc: { type: 'doc', content: how === 'below' ? [...now.doc.content, ...added] : added },
      };
      await keeper.restore(next);
      put(editor, next);
    },
    text,
    /** The checks of this instant: those on the screen may be a moment old when somebody shares quickly. */
    checkNow: () => live.now(text(), editor ? versionOf(editor.state) : 0),
  };
}

export type WritingState = ReturnType<typeof useWriting>;
