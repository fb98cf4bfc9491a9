import { dirname, join } from 'node:path/posix';
import { DOMParser, type Element } from '@xmldom/xmldom';
import type { Written } from './written';
import { unzipped } from './zip';

/** More chapters than this are not read. */
const MOST_CHAPTERS = 200;

const parsed = (bytes: Uint8Array | undefined): Element | null =>
  bytes
    ? new DOMParser({ onError: () => {} }).parseFromString(
        new TextDecoder().decode(bytes).replace(/<!DOCTYPE[^>[]*(?:\[[\s\S]*?\])?[^>]*>/iu, ''),
        'text/xml',
      ).documentElement
    : null;
const all = (root: Element | null, name: string) =>
  root ? Array.from(root.getElementsByTagName('*')).filter((el) => el.localName === name) : [];
const attr = (el: Element | undefined, name: string) => el?.getAttribute(name) ?? '';

/** A place within the book, seen from one of its files; empty for what lies without. */
function placeOf(href: string, base: string): string {
  if (/^[a-z][a-z+.-]*:|^\//iu.test(href)) return '';
  try {
    return join(dirname(base), decodeURIComponent(href.replace(/[#?].*$/u, '')));
  } catch {
    return '';
  }
}

/**
 * A book for reading programs (EPUB 2 and 3) as HTML, its chapters in their order, with its pictures beside; null where it cannot be read.
 * Its table of contents and whatever runs in it stay behind.
 */
export function fromEpub(bytes: Uint8Array): Written | null {
  const entries = unzipped(bytes);
  if (!entries) return null;
  try {
    const container = parsed(entries.get('META-INF/container.xml'));
    const main = attr(all(container, 'rootfile')[0], 'full-path');
    const book = parsed(entries.get(main));
    if (!book) return null;
    const items = new Map(all(book, 'item').map((el) => [attr(el, 'id'), el]));
    const chapters = all(book, 'itemref')
      .flatMap((ref) => items.get(attr(ref, 'idref')) ?? [])
      .filter((el) => /xhtml|html/u.test(attr(el, 'media-type')) && !/\bnav\b/u.test(attr(el, 'properties')))
      .slice(0, MOST_CHAPTERS);
    const pictures = new Map<string, Uint8Array>();
    let unread = 0;
    const html = chapters.map((chapter) => {
      const place = placeOf(attr(chapter, 'href'), main);
      const text = new TextDecoder().decode(entries.get(place) ?? new Uint8Array());
      const body = /<body[^>]*>([\s\S]*)<\/body>/iu.exec(text)?.[1] ?? '';
      // An element that ends itself is one in XML alone.
      const closed = body.replace(/<((?!br|hr|img)[a-z]+)((?:\s[^<>]*)?)\/>/giu, '<$1$2></$1>');
      return closed.replace(/(<img\b[^<>]*?\ssrc=)(["'])([^"'<>]*)\2/giu, (_, before: string, quote, src) => {
        const found = entries.get(placeOf(String(src), place));
        if (!found) unread += 1;
        const name = `picture:${pictures.size + 1}`;
        if (found) pictures.set(name, found);
        return `${before}${String(quote)}${found ? name : ''}${String(quote)}`;
      });
    });
    return { html: html.join('\n'), pictures, left: unread ? { 'unread-pictures': unread } : {} };
  } catch {
    // The XML reader throws where a file is cut off or no XML.
    return null;
  }
}
