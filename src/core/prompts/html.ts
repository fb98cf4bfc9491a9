import { defaultTreeAdapter, parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import type { Plain } from './plain';

type Node = DefaultTreeAdapterTypes.ChildNode;

const BLOCKS = new Set(
  'address article aside blockquote dd details div dl dt figure footer form h1 h2 h3 h4 h5 h6 header hr main nav ol p pre section table ul'.split(
    ' ',
  ),
);
/** Nothing of these is text that anybody reads. */
const SILENT = new Set([
  'head',
  'script',
  'style',
  'template',
  'title',
  'noscript',
  'iframe',
  'object',
  'svg',
]);
const DEPTH = 200;
const ENTITY = /&(?:#\d+|#x[\da-f]+|\w+);?/iuy;

/**
 * Whether a text is written in HTML: it has tags of text, and not only a lesser-than sign.
 * @example looksLikeHtml('a < b') // false
 */
export const looksLikeHtml = (source: string): boolean =>
  /<\/(?:p|div|li|ul|ol|h[1-6]|table|td|span|strong|em|b|i|a|section|article|body|html)\s*>|<(?:br|hr|p|li)\s*\/?>/iu.test(
    source,
  );

const hidden = (node: DefaultTreeAdapterTypes.Element) =>
  node.attrs.some((a) => a.name === 'hidden' || (a.name === 'style' && /display\s*:\s*none/iu.test(a.value)));

/**
 * The text of an HTML prompt as a person sees it, with the way back to the source: blocks stand apart, list items keep
 * their marks, the cells of a row a bar between them. Nothing in it runs or is fetched.
 *
 * @example plainOfHtml('<p>a</p><p>b</p>').text // 'a' and 'b' on lines of their own
 */
export function plainOfHtml(source: string): Plain {
  let text = '';
  const kept: number[] = [];
  const put = (said: string, at: number) => {
    for (let i = 0; i < said.length; i += 1) kept.push(at);
    text += said;
  };
  const apart = (lines: string, at: number) => {
    if (text && !text.endsWith(lines)) put(lines.slice(text.endsWith('\n') ? 1 : 0), at);
  };
  const putText = (node: DefaultTreeAdapterTypes.TextNode) => {
    const from = node.sourceCodeLocation?.startOffset ?? kept.at(-1) ?? 0;
    const to = node.sourceCodeLocation?.endOffset ?? from + node.value.length;
    let place = from;
    for (const unit of node.value.split('')) {
      const here = Math.min(place, to - 1);
      ENTITY.lastIndex = place;
      const entity = source[place] === '&' && unit !== '&' ? ENTITY.exec(source) : null;
      // "&amp;" is one character that takes five.
      place += entity ? entity[0].length : source.startsWith('&amp;', place) && unit === '&' ? 5 : 1;
      const space = /\s/u.test(unit);
      if (space && /(?:^|\s)$/u.test(text.slice(-1))) continue;
      put(space ? ' ' : unit, here);
    }
  };
  const walk = (nodes: Node[], depth: number, numbered: number | null) => {
    if (depth > DEPTH) return;
    let n = 0;
    for (const node of nodes) {
      if (defaultTreeAdapter.isTextNode(node)) putText(node);
      if (!defaultTreeAdapter.isElementNode(node)) continue;
      const { tagName: tag } = node;
      const at = node.sourceCodeLocation?.startOffset ?? kept.at(-1) ?? 0;
      if (SILENT.has(tag) || hidden(node)) continue;
      if (tag === 'br') put('\n', at);
      else if (tag === 'li') {
        n += 1;
        apart('\n', at);
        put(numbered === null ? '- ' : `${numbered + n - 1}. `, at);
        walk(node.childNodes, depth + 1, null);
      } else if (tag === 'tr') {
        apart('\n', at);
        walk(node.childNodes, depth + 1, null);
      } else if (tag === 'td' || tag === 'th') {
        if (n > 0) put(' | ', at);
        n += 1;
        walk(node.childNodes, depth + 1, null);
      } else {
        const block = BLOCKS.has(tag);
        if (block) apart('\n\n', at);
        const start = Number(node.attrs.find((a) => a.name === 'start')?.value ?? 1);
        walk(node.childNodes, depth + 1, tag === 'ol' ? (Number.isInteger(start) ? start : 1) : null);
        if (block) apart('\n\n', at);
      }
    }
  };
  walk(parseFragment(source, { sourceCodeLocationInfo: true }).childNodes, 0, null);
  return { text, at: (i) => (i < kept.length ? (kept[i] ?? source.length) : source.length) };
}
