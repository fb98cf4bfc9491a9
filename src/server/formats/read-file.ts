import { isUtf8 } from 'node:buffer';
import type { FileTrouble } from '@/contract/files';
import { documentOf, htmlOfText } from '@/core/formats/as-document';
import { documentFromCsv } from '@/core/formats/from-csv';
import { htmlFromMarkdown } from '@/core/formats/from-markdown';
import { pageFromHtml, type PictureFinder } from '@/core/formats/from-html';
import { textOfPages } from '@/core/formats/pdf-lines';
import type { Run } from '@/core/formats/pdf-page';
import { LIMITS } from '@/core/document/limits';
import type { Doc } from '@/core/document/nodes';
import { plainText } from '@/core/document/flatten';
import { fail, ok, type Result } from '@/core/result';
import { EPUB } from './epub';
import { fromDocx } from './from-docx';
import { fromEpub } from './from-epub';
import { fromOdt } from './from-odt';
import { fromRtf } from './rtf/from-rtf';
import { latexOfMathml } from './mathml';
import type { Written } from './written';

/** Of a larger file nothing is read. */
export const MOST_FILE_BYTES = 12_000_000;
const MOST_PAGES = 120;
/** In characters of HTML: more no document can hold, whatever of it is markup, and more is not read. */
export const MOST_TEXT = 4 * LIMITS.bytes;

/** A file as it came: of one that was larger than is read, the beginning. */
export type BroughtFile = { name: string; bytes: Buffer; cut: boolean };
/** What the address of a picture in a text became. */
export type Pictured = ReadonlyMap<string, NonNullable<ReturnType<PictureFinder>>>;

const begins = (bytes: Buffer, ...signature: number[]) => signature.every((b, i) => bytes[i] === b);
const isZip = (bytes: Buffer) => begins(bytes, 0x50, 0x4b);
const isOldOffice = (bytes: Buffer) => begins(bytes, 0xd0, 0xcf, 0x11, 0xe0);
const isRtf = (bytes: Buffer) => bytes.subarray(0, 5).toString('latin1') === '{\\rtf';
const isPdf = (bytes: Buffer) => bytes.subarray(0, 1_024).includes('%PDF-');

/** Bytes as text: by their mark, as UTF-8 where they are that, and else as the Western code page. Null for what is no text. */
export function decodeText(bytes: Buffer): string | null {
  if (begins(bytes, 0xff, 0xfe)) return new TextDecoder('utf-16le').decode(bytes);
  if (begins(bytes, 0xfe, 0xff)) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.includes(0)) return null;
  return new TextDecoder(isUtf8(bytes) ? 'utf-8' : 'windows-1252').decode(bytes);
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

/** A file that was opened: a page with its pictures beside it, or a document without any; and what stays behind. */
export type OpenedFile = {
  text: { html: string } | { doc: Doc };
  /** How long it is before it is read, in characters of its HTML. */
  length: number;
  pictures: Written['pictures'];
  left: Written['left'];
};

const opened = ({ html, pictures, left }: Written): OpenedFile => ({
  text: { html: html.slice(0, MOST_TEXT) },
  length: html.length,
  pictures,
  left,
});
const whole = (doc: Doc): OpenedFile => ({ text: { doc }, length: 0, pictures: new Map(), left: {} });

/** Pictures that a page carries in itself, taken out of it, so that nothing ever copies or reads them as text. */
function withoutData(html: string): Written {
  const pictures = new Map<string, Uint8Array>();
  const bare = html.replace(
    /(["'])data:image\/(?:png|jpeg|gif|webp|avif);base64,([A-Za-z0-9+/=\s]*)\1/giu,
    (_, quote: string, data: string) => {
      const src = `picture:${pictures.size + 1}`;
      pictures.set(src, new Uint8Array(Buffer.from(data, 'base64')));
      return `${quote}${src}${quote}`;
    },
  );
  return { html: bare, pictures, left: {} };
}

/** What an archive is: a book for reading programs, OpenDocument's, or Word's. */
async function fromArchive(bytes: Buffer): Promise<Written | null> {
  const begins = bytes.subarray(0, 200);
  if (begins.includes(EPUB)) return fromEpub(bytes);
  return begins.includes('application/vnd.oasis.opendocument.text') ? fromOdt(bytes) : await fromDocx(bytes);
}

/**
 * Opens a file that holds a text: .docx, .odt, .rtf, .epub, .pdf, HTML, Markdown, a table (.csv) or plain text, told by what is
 * in it and not by its name. What cannot be read is named with why; nothing in a file ever runs, and nothing it points to
 * is asked for.
 */
export async function openFile(file: BroughtFile): Promise<Result<OpenedFile, FileTrouble>> {
  const { bytes, cut } = file;
  const name = file.name.replace(/^.*[/\\]/u, '').slice(0, 120) || 'the file';
  if (cut) return fail({ code: 'file-too-large', name });
  if (bytes.length === 0) return fail({ code: 'file-empty', name });
  if (isPdf(bytes)) {
    const pdf = await readPdf(bytes, name);
    return pdf.ok ? ok(whole(pdf.value)) : pdf;
  }
  if (isZip(bytes) || isRtf(bytes) || /\.(?:docx|odt|rtf|epub)$/iu.test(name)) {
    const written = isRtf(bytes) ? fromRtf(bytes) : isZip(bytes) ? await fromArchive(bytes) : null;
    return written
      ? ok(opened(written))
      : fail({
          code: 'file-broken',
          name,
          kind: isZip(bytes) && bytes.subarray(0, 200).includes(EPUB) ? 'book' : 'word',
        });
  }
  if (isOldOffice(bytes)) return fail({ code: 'file-old-word', name });
  if (/\.pdf$/iu.test(name)) return fail({ code: 'file-broken', name, kind: 'pdf' });
  const text = decodeText(bytes);
  if (text === null) return fail({ code: 'file-unknown', name });
  const table = /\.(?:csv|tsv)$/iu.test(name) ? documentFromCsv(text) : null;
  if (table) return ok(whole(table));
  const html = /\.html?$/iu.test(name)
    ? text
    : /\.(?:md|markdown|mdown)$/iu.test(name)
      ? htmlFromMarkdown(text)
      : htmlOfText(text);
  return ok(opened(withoutData(html)));
}

/** A text whose title is a heading over it. */
export const withTitle = ({ title, doc }: { title: string; doc: Doc }): Doc =>
  title
    ? {
        type: 'doc',
        content: [
          { type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: title }] },
          ...doc.content,
        ],
      }
    : doc;

/** The words of a file as a document; of its pictures their descriptions. */
export async function readFile(file: BroughtFile): Promise<Result<Doc, FileTrouble>> {
  const found = await openFile(file);
  if (!found.ok) return found;
  const { text } = found.value;
  const words = 'doc' in text ? text.doc : withTitle(pageFromHtml(text.html, undefined, latexOfMathml));
  return plainText(words) ? ok(words) : fail({ code: 'file-empty', name: file.name });
}
