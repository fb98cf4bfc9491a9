import { takingOut } from '@/contract/files';
import { callForFile } from '../request/call';
import type { Doc } from '@/core/document/nodes';
import type { FileFormat } from '@/core/formats/left-behind';

export type Text = { title: string; doc: Doc };
export type Format = FileFormat;

export const FORMAT_NAMES: Record<Format, string> = {
  docx: 'Word document (.docx)',
  odt: 'OpenDocument text (.odt)',
  rtf: 'Rich text (.rtf)',
  epub: 'Book for a reader (.epub)',
  html: 'Web page (.html)',
  md: 'Markdown (.md)',
};

const fileName = (name: string, ending: string) =>
  `${
    name
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/gu, '')
      .slice(0, 60) || 'text'
  }.${ending}`;

/** Hands a file to the browser to save. */
function save(blob: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** Saves a text as a file. Says whether there is one; the text itself is never touched. */
export async function saveText(text: Text, format: Format, name: string): Promise<boolean> {
  const file = await callForFile(takingOut, { format }, text);
  if (!file) return false;
  save(file, fileName(name, format));
  return true;
}
