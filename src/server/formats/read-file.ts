import { isUtf8 } from 'node:buffer';
import { documentOf } from '@/core/formats/as-document';
import { documentFromCsv } from '@/core/formats/from-csv';
import { documentFromHtml } from '@/core/formats/from-html';
import { textOfPages, type Run } from '@/core/formats/pdf-lines';
import type { Doc } from '@/core/posts/document';
import { plainText } from '@/core/posts/flatten';
import { fail, ok, type Result } from '@/core/result';

/** Of a larger file nothing is read. */
export const MOST_FILE_BYTES = 12_000_000;
const MOST_PAGES = 120;

export type FileTrouble =
  | { code: 'file-too-large'; name: string }
  | { code: 'file-empty'; name: string }
  | { code: 'file-broken'; name: string; kind: 'word' | 'pdf' }
  | { code: 'file-locked'; name: string }
  | { code: 'file-scanned'; name: string }
  | { code: 'file-old-word'; name: string }
  | { code: 'file-unknown'; name: string };

const begins = (bytes: Buffer, ...signature: number[]) => signature.every((b, i) => bytes[i] === b);
const isZip = (bytes: Buffer) => begins(bytes, 0x50, 0x4b);
const isOldOffice = (bytes: Buffer) => begins(bytes, 0xd0, 0xcf, 0x11, 0xe0);
const isPdf = (bytes: Buffer) => bytes.subarray(0, 1_024).includes('%PDF-');

/** Bytes as text: by their mark, as UTF-8 where they are that, and else as the Western code page. Null for what is no text. */
export function decodeText(bytes: Buffer): string | null {
  if (begins(bytes, 0xff, 0xfe)) return new TextDecoder('utf-16le').decode(bytes);
  if (begins(bytes, 0xfe, 0xff)) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.includes(0)) return null;
  return new TextDecoder(isUtf8(bytes) ? 'utf-8' : 'windows-1252').decode(bytes);
}

async function readWord(bytes: Buffer): Promise<Doc | null> {
  const { default: mammoth } = await import('mammoth');
  try {
    const { value } = await mammoth.convertToHtml({ buffer: bytes }, { includeDefaultStyleMap: true });
    return documentFromHtml(value);
  } catch {
    // mammoth throws plain errors of its zip and XML readers: whatever it is, the file cannot be read.
    return null;
  }
}

type PdfItem = { str?: string; transform?: number[]; width?: number; height?: number };

async function readPdf(bytes: Buffer, name: string): Promise<Result<Doc, FileTrouble>> {
  const pdfjs = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = pdfjs.getDocument({
    data: new Uint8Array(bytes),
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    verbosity: 0,
  });
  try {
    const pdf = await task.promise;
    const pages: Run[][] = [];
    for (let n = 1; n <= Math.min(pdf.numPages, MOST_PAGES); n += 1) {
      const page = await pdf.getPage(n);
      const { items } = await page.getTextContent();
      pages.push(
        (items as PdfItem[]).flatMap((i) =>
          i.str === undefined || !i.transform
            ? []
            : [
                {
                  text: i.str,
                  x: i.transform[4] ?? 0,
                  y: i.transform[5] ?? 0,
                  width: i.width ?? 0,
                  size: Math.hypot(i.transform[2] ?? 0, i.transform[3] ?? 0) || 10,
                },
              ],
        ),
      );
    }
    const text = textOfPages(pages);
    return text.trim() ? ok(documentOf(text)) : fail({ code: 'file-scanned', name });
  } catch (error) {
    const locked = error instanceof Error && error.name === 'PasswordException';
    return fail(locked ? { code: 'file-locked', name } : { code: 'file-broken', name, kind: 'pdf' });
  } finally {
    await task.destroy();
  }
}

/**
 * A file as a document: .docx, .pdf, HTML, Markdown, a table (.csv) or plain text, told by what is in it and not by its name. What cannot be
 * read is named with why; nothing in a file ever runs.
 */
export async function readFile(file: {
  name: string;
  bytes: Buffer;
  cut: boolean;
}): Promise<Result<Doc, FileTrouble>> {
  const { bytes, cut } = file;
  const name = file.name.replace(/^.*[/\\]/u, '').slice(0, 120) || 'the file';
  if (cut) return fail({ code: 'file-too-large', name });
  if (bytes.length === 0) return fail({ code: 'file-empty', name });
  if (isPdf(bytes)) return readPdf(bytes, name);
  if (isZip(bytes) || /\.docx$/iu.test(name)) {
    const doc = isZip(bytes) ? await readWord(bytes) : null;
    if (!doc) return fail({ code: 'file-broken', name, kind: 'word' });
    return plainText(doc) ? ok(doc) : fail({ code: 'file-empty', name });
  }
  if (isOldOffice(bytes)) return fail({ code: 'file-old-word', name });
  if (/\.pdf$/iu.test(name)) return fail({ code: 'file-broken', name, kind: 'pdf' });
  const text = decodeText(bytes);
  if (text === null) return fail({ code: 'file-unknown', name });
  const doc = /\.html?$/iu.test(name)
    ? documentFromHtml(text)
    : ((/\.(?:csv|tsv)$/iu.test(name) ? documentFromCsv(text) : null) ?? documentOf(text));
  return plainText(doc) ? ok(doc) : fail({ code: 'file-empty', name });
}
