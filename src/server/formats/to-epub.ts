import type { Doc } from '@/core/document/nodes';
import { escapeHtml } from '@/core/document/written';
import { htmlOf } from '@/core/formats/to-html';
import { EPUB } from './epub';
import { formulaHtml } from './mathml';
import type { TravellingPicture } from './travelling';
import { zipped } from './zip';

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>';
const STYLE =
  'body{font-family:serif;line-height:1.5}h1,h2,h3,h4{line-height:1.25}blockquote{margin-left:0;padding-left:1em;border-left:2px solid}' +
  'img{max-width:100%;height:auto}table{border-collapse:collapse}td,th{border:1px solid;padding:.2em .5em}pre{white-space:pre-wrap}.from{font-style:italic}';

/** A chapter of a book: what it is called, what stands beneath that in a line, and its text. */
export type Chapter = { title: string; line?: string; doc: Doc };

export type Book = {
  /** The same for the same book, so that a reader's program knows it again. */
  id: string;
  title: string;
  author: string;
  changedAt: number;
  chapters: readonly Chapter[];
};

/** Our own HTML as XML: it is well-formed but for the elements that have nothing within. */
const asXml = (html: string) => html.replace(/<(br|hr|img)((?:\s[^<>]*)?)>/gu, '<$1$2/>');

const page = (title: string, body: string) =>
  `${HEAD}<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="en" xml:lang="en"><head><title>${escapeHtml(title)}</title><link rel="stylesheet" href="style.css"/></head><body>${body}</body></html>`;

/** Chapters as a book for reading programs (EPUB 3.3), with the pictures that travel with them; formulas are MathML. */
export function epubOf(book: Book, pictures: ReadonlyMap<string, TravellingPicture>): Uint8Array {
  const used = new Map<string, TravellingPicture>();
  const picture = (file: string) => {
    const found = pictures.get(file);
    if (!found) return null;
    used.set(found.name, found);
    return `pictures/${found.name}`;
  };
  const chapters = book.chapters.map(({ title, line, doc }, i) => {
    const html = htmlOf(doc, { picture, formula: formulaHtml, within: `c${i + 1}-` });
    const head = `${title ? `<h1>${escapeHtml(title)}</h1>` : ''}${line ? `<p class="from">${escapeHtml(line)}</p>` : ''}`;
    return {
      id: `chapter-${i + 1}`,
      title: title || book.title,
      text: page(title || book.title, `<section>${head}${asXml(html)}</section>`),
      hasMath: html.includes('<math'),
    };
  });
  const entries = chapters.map(({ id, title }) => `<li><a href="${id}.xhtml">${escapeHtml(title)}</a></li>`);
  const nav = page(
    book.title,
    `<nav epub:type="toc"><h1>${escapeHtml(book.title)}</h1><ol>${entries.join('')}</ol></nav>`,
  );
  const item = (id: string, href: string, type: string, properties = '') =>
    `<item id="${id}" href="${href}" media-type="${type}"${properties ? ` properties="${properties}"` : ''}/>`;
  const manifest = [
    item('nav', 'nav.xhtml', 'application/xhtml+xml', 'nav'),
    item('style', 'style.css', 'text/css'),
    ...chapters.map((c) => item(c.id, `${c.id}.xhtml`, 'application/xhtml+xml', c.hasMath ? 'mathml' : '')),
    ...[...used.values()].map((p, i) => item(`picture-${i + 1}`, `pictures/${p.name}`, p.mediaType)),
  ];
  const changed = new Date(book.changedAt).toISOString().replace(/\.\d+Z$/u, 'Z');
  const opf = `${HEAD}<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:identifier id="id">${escapeHtml(book.id)}</dc:identifier><dc:title>${escapeHtml(book.title)}</dc:title><dc:language>en</dc:language><dc:creator>${escapeHtml(book.author)}</dc:creator><meta property="dcterms:modified">${changed}</meta></metadata><manifest>${manifest.join('')}</manifest><spine>${chapters.map((c) => `<itemref idref="${c.id}"/>`).join('')}</spine></package>`;
  const container = `${HEAD}<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="book/content.opf" media-type="application/oebps-package+xml"/></rootfiles></container>`;
  const bytes = (text: string) => new TextEncoder().encode(text);
  return zipped(
    new Map<string, Uint8Array>([
      ['mimetype', bytes(EPUB)],
      ['META-INF/container.xml', bytes(container)],
      ['book/content.opf', bytes(opf)],
      ['book/nav.xhtml', bytes(nav)],
      ['book/style.css', bytes(STYLE)],
      ...chapters.map((c): [string, Uint8Array] => [`book/${c.id}.xhtml`, bytes(c.text)]),
      ...[...used.values()].map((p): [string, Uint8Array] => [`book/pictures/${p.name}`, p.content]),
    ]),
    true,
  );
}
