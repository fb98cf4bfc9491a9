'use client';

import { htmlOf } from '@/core/formats/to-html';
import { markdownOf } from '@/core/formats/to-markdown';
import type { Doc } from '@/core/posts/document';
import { Copy, Download } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';

type Text = { title: string; doc: Doc };
type Said = { good: boolean; text: string };

const titled = ({ title, doc }: Text): Doc =>
  title.trim()
    ? {
        type: 'doc',
        content: [
          { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: title.trim() }] },
          ...doc.content,
        ],
      }
    : doc;

/** Empty parts and paragraphs do not travel. */
const fileName = (name: string, ending: string) =>
  `${
    name
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/gu, '')
      .slice(0, 60) || 'text'
  }.${ending}`;

function save(blob: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** The finished text on its way out: on the clipboard with its form, as Markdown, or as a Word document. */
export function CopyOut(props: { text: () => Text; name: string }) {
  const [said, setSaid] = useState<Said | null>(null);

  const copy = async () => {
    const doc = titled(props.text());
    const html = htmlOf(doc);
    const plain = markdownOf(doc).replace(/\\(?=\W)/gu, '');
    try {
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/html': new Blob([html], { type: 'text/html' }),
          'text/plain': new Blob([plain], { type: 'text/plain' }),
        }),
      ]);
      setSaid({ good: true, text: 'Copied, with its headings and links. Paste it there.' });
    } catch (error) {
      if (!(error instanceof DOMException || error instanceof TypeError || error instanceof ReferenceError))
        throw error;
      setSaid({
        good: false,
        text: 'The browser did not allow copying. Select the text and copy it, or save it as a file.',
      });
    }
  };
  const asMarkdown = () => {
    save(new Blob([markdownOf(titled(props.text()))], { type: 'text/markdown' }), fileName(props.name, 'md'));
    setSaid({ good: true, text: 'Saved as Markdown.' });
  };
  const asWord = async () => {
    setSaid({ good: true, text: 'Making the Word document…' });
    const answer = await fetch('/formats/docx', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(props.text()),
    }).catch(() => null);
    if (!answer?.ok) {
      setSaid({
        good: false,
        text: 'Pulpit did not answer, so there is no file. Your text is kept; try again.',
      });
      return;
    }
    save(await answer.blob(), fileName(props.name, 'docx'));
    setSaid({ good: true, text: 'Saved as a Word document.' });
  };
  return (
    <span className="flex flex-wrap items-center gap-2">
      {said ? (
        <span
          role="status"
          className={`text-[12.5px] ${said.good ? 'text-pine-ink' : 'font-semibold text-brick'}`}
        >
          {said.text}
        </span>
      ) : null}
      <button type="button" className="btn" onClick={() => void copy()}>
        <Copy size={15} aria-hidden /> Copy
      </button>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger asChild>
          <button type="button" className="btn">
            <Download size={15} aria-hidden /> Save as…
          </button>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            sideOffset={4}
            className="z-50 min-w-44 rounded-control border border-rule bg-page p-1 text-[13.5px]"
          >
            <DropdownMenu.Item className="menu-item" onSelect={() => void asWord()}>
              Word document (.docx)
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={asMarkdown}>
              Markdown (.md)
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </span>
  );
}
