'use client';

import type { Doc } from '@/core/document/nodes';
import { htmlOf } from '@/core/formats/to-html';
import { markdownOf } from '@/core/formats/to-markdown';
import { Copy } from 'lucide-react';
import { useState } from 'react';
import { LeavesBehind } from './leaves-behind';
import type { Text } from '../formats/save-text';

type Said = { good: boolean; text: string; doc: Doc | null };

/** The finished text on its way out: on the clipboard with its form. */
export function CopyOut(props: { text: () => Text }) {
  const [said, setSaid] = useState<Said | null>(null);

  const copy = async () => {
    const { title, doc } = props.text();
    const html = htmlOf(doc, { title });
    const plain = markdownOf(doc, { title }).replace(/\\(?=\W)/gu, '');
    try {
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/html': new Blob([html], { type: 'text/html' }),
          'text/plain': new Blob([plain], { type: 'text/plain' }),
        }),
      ]);
      setSaid({ good: true, text: 'Copied, with its headings and links. Paste it there.', doc });
    } catch (error) {
      if (!(error instanceof DOMException || error instanceof TypeError || error instanceof ReferenceError))
        throw error;
      setSaid({
        good: false,
        text: 'The browser did not allow copying. Select the text and copy it, or save it as a file (“In and out”).',
        doc: null,
      });
    }
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      {said ? (
        <div
          role="status"
          className={`text-[12.5px] ${said.good ? 'text-pine-ink' : 'font-semibold text-brick'}`}
        >
          {said.text}
          {said.doc ? <LeavesBehind doc={said.doc} /> : null}
        </div>
      ) : null}
      <button type="button" className="btn" onClick={() => void copy()}>
        <Copy size={15} aria-hidden /> Copy
      </button>
    </div>
  );
}
