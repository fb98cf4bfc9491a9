import { quotationBlocks, type Quotation } from '@/core/posts/quote';
import type { Editor } from '@tiptap/react';
import { useEffect } from 'react';

/** Sends a passage of a reading, with its source, into the response on the facing page. */
export const QUOTATION_EVENT = 'pulpit-quotation';

const isQuotation = (value: unknown): value is Quotation =>
  typeof value === 'object' && value !== null && 'text' in value && 'source' in value;

/** Puts quotations that the facing page sends where the cursor stands, and a line to go on in below. */
export function useQuotations(editor: Editor | null) {
  useEffect(() => {
    if (!editor) return;
    const quote = (e: Event) => {
      const detail: unknown = e instanceof CustomEvent ? e.detail : null;
      if (!isQuotation(detail)) return;
      editor
        .chain()
        .focus()
        .insertContent([...quotationBlocks(detail), { type: 'paragraph' }])
        .run();
    };
    window.addEventListener(QUOTATION_EVENT, quote);
    return () => window.removeEventListener(QUOTATION_EVENT, quote);
  }, [editor]);
}
