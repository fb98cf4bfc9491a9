'use client';

import {
  puttingBeginning,
  puttingPrompt,
  puttingReading,
  type MaterialKind,
  type materialSchema,
} from '@/contract/readings';
import type { z } from 'zod';
import { call, type AnswerOf } from '../request/call';
import type { Doc } from '@/core/document/nodes';
import { canonicalJson } from '@/core/posts/canonical';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { putText } from '../writing/editor/put-text';
import { documentOf } from '../writing/editor/to-document';
import { useMaterialEditor } from './use-material-editor';
import { forgetLocal, isFirstWindow, keepLocal, readLocal } from '../writing/local-copy';

export type MaterialView = { course: string; zone: string; title: string; doc: Doc; stamp: string };

export type Putting =
  | { state: 'idle' }
  | { state: 'putting' }
  | { state: 'failed'; code: string }
  /** Somebody else changed it meanwhile. */
  | { state: 'changed'; doc: Doc; stamp: string };

type Sent = z.input<typeof materialSchema>;
const PUTTING: Record<MaterialKind, (name: string, sent: Sent) => Promise<AnswerOf<typeof puttingPrompt>>> = {
  prompt: (slug, sent) => call(puttingPrompt, { slug }, sent),
  reading: (slug, sent) => call(puttingReading, { slug }, sent),
  'first page': (course, sent) => call(puttingBeginning, { course }, sent),
};

/**
 * The writing of a text that a course's students read. It changes for them when it is put in its place; until then this
 * machine keeps what is written, at every key.
 */
export function useMaterial(options: {
  person: string;
  view: MaterialView;
  /** Which text it is, by its name in addresses, and the page one comes back to. */
  of: MaterialKind;
  slug: string;
  back: string;
  label: string;
}) {
  const { view, of, slug, back } = options;
  const router = useRouter();
  const key = `${options.person} ${of} ${slug}`;
  const stamp = useRef(view.stamp);
  const [putting, setPutting] = useState<Putting>({ state: 'idle' });
  const [restored, setRestored] = useState(false);
  const writing = useMaterialEditor({
    course: view.course,
    doc: view.doc,
    label: options.label,
    onCreate: (e) => {
      void isFirstWindow(key).then(async (first) => {
        const local = first ? await readLocal(key) : null;
        if (!local || e.isDestroyed || canonicalJson(local.doc) === canonicalJson(view.doc)) return;
        putText(e, local.doc);
        stamp.current = local.submission;
        setRestored(true);
      });
    },
    onUpdate: (e) =>
      keepLocal(key, {
        title: '',
        doc: documentOf(e),
        base: 0,
        kept: false,
        submission: stamp.current,
      }),
  });

  const { editor } = writing;
  const text = () => ({ title: '', doc: editor ? documentOf(editor) : view.doc });

  const put = async () => {
    setPutting({ state: 'putting' });
    const answer = await PUTTING[of](slug, { doc: text().doc, stamp: stamp.current });
    if (!answer.ok) {
      setPutting(
        answer.code === 'changed-meanwhile'
          ? { state: 'changed', doc: answer.doc, stamp: answer.stamp }
          : { state: 'failed', code: answer.code },
      );
      return;
    }
    forgetLocal(key);
    router.push(back);
    router.refresh();
  };

  return {
    ...writing,
    restored,
    putting,
    text,
    put,
    /** This text shall stand over the one that was put there meanwhile. */
    putOver: async (their: string) => {
      stamp.current = their;
      await put();
    },
    /** The text as it stands for students takes the place of what is on the desk. */
    take: (doc: Doc, its: string) => {
      if (!editor) return;
      stamp.current = its;
      putText(editor, doc);
      forgetLocal(key);
      setRestored(false);
      setPutting({ state: 'idle' });
    },
    bringIn: (doc: Doc, how: 'instead' | 'below') => {
      if (!editor) return;
      const next: Doc =
        how === 'below' ? { type: 'doc', content: [...documentOf(editor).content, ...doc.content] } : doc;
      putText(editor, next);
      keepLocal(key, { title: '', doc: next, base: 0, kept: false, submission: stamp.current });
    },
  };
}
