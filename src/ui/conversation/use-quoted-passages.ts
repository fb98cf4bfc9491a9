'use client';

import type { Editor } from '@tiptap/core';
import { useEffect } from 'react';
import { isQuotedPassage, QUOTE_EVENT, quotedPassage } from './quote-event';

/** Puts the passages that are quoted from the open post to the end of a text, each as a quotation. */
export function useQuotedPassages(editor: Editor | null, named: boolean) {
  useEffect(() => {
    if (!editor) return;
    const quote = (e: Event) => {
      const passage: unknown = e instanceof CustomEvent ? e.detail : null;
      if (!isQuotedPassage(passage)) return;
      editor
        .chain()
        .focus('end')
        .insertContent([...quotedPassage(passage, named), { type: 'paragraph' }])
        .focus('end')
        .run();
    };
    window.addEventListener(QUOTE_EVENT, quote);
    return () => window.removeEventListener(QUOTE_EVENT, quote);
  }, [editor, named]);
}
