import { createHash } from 'node:crypto';
import { attachmentAt } from '@/contract/addresses';
import { htmlOf } from '@/core/formats/to-html';
import { markdownOf } from '@/core/formats/to-markdown';
import type { Doc } from '@/core/document/nodes';
import type { Actor } from '../deps';
import type { FileDeps } from '../files/receive';
import { formulaHtml } from './mathml';
import { docxOf } from './to-docx';
import { EPUB } from './epub';
import { epubOf } from './to-epub';
import { rtfOf } from './rtf/to-rtf';
import { odtOf } from './to-odt';
import { travellingPictures } from './travelling';
import { escapeHtml } from '@/core/document/written';

export const FORMATS = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  odt: 'application/vnd.oasis.opendocument.text',
  rtf: 'application/rtf',
  epub: EPUB,
  html: 'text/html; charset=utf-8',
  md: 'text/markdown; charset=utf-8',
} as const;
export type Format = keyof typeof FORMATS;
export const isFormat = (name: string): name is Format => Object.hasOwn(FORMATS, name);

/**
 * A text as a file of the writer's choice, with the pictures that the writer may see. A Markdown file cannot hold
 * pictures: it links them where they are, at `origin`.
 */
export async function takeOut(
  deps: FileDeps,
  actor: Actor,
  format: Format,
  text: { title: string; doc: Doc },
  origin: string,
): Promise<Uint8Array> {
  const { title, doc } = text;
  if (format === 'md') {
    const picture = (file: string) => origin + attachmentAt(file);
    return Buffer.from(markdownOf(doc, { title, picture }));
  }
  const pictures = await travellingPictures(deps, actor, doc);
  if (format === 'docx') return docxOf(title, doc, pictures);
  if (format === 'odt') return odtOf(title, doc, pictures);
  if (format === 'epub') {
    const id = `urn:sha256:${createHash('sha256').update(JSON.stringify(text)).digest('hex')}`;
    const chapters = [{ title, doc }];
    const book = { id, title: title || 'Text', author: actor.name, changedAt: deps.now, chapters };
    return epubOf(book, pictures);
  }
  if (format === 'rtf') return rtfOf(title, doc, pictures);
  const body = htmlOf(doc, {
    title,
    formula: formulaHtml,
    picture: (file) => {
      const found = pictures.get(file);
      return found ? `data:${found.mediaType};base64,${Buffer.from(found.content).toString('base64')}` : null;
    },
  });
  return Buffer.from(
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escapeHtml(title || 'Text')}</title></head><body>${body}</body></html>\n`,
  );
}
