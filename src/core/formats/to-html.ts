import { asLink } from '../embeds/address';
import { standInWords } from '../posts/carried';
import type { BlockNode, Doc, InlineNode, Picture } from '../posts/document';

/** Text as it stands in HTML and in XML. */
export const escape = (text: string) =>
  text.replace(/&/gu, '&amp;').replace(/</gu, '&lt;').replace(/>/gu, '&gt;').replace(/"/gu, '&quot;');

/** The element that says what a mark says; an ink, a name and a post's number are their words. */
const TAGS = {
  bold: 'strong',
  italic: 'em',
  underline: 'u',
  strike: 's',
  code: 'code',
  subscript: 'sub',
  superscript: 'sup',
} as const;

/** What an export knows beside the document: where a picture is to be had, if it travels, and the notes met so far. */
type Out = { picture: (file: string) => string | null; notes: string[]; within: string };

function noteMark(text: string, { notes, within }: Out): string {
  notes.push(text);
  const n = notes.length;
  return `<sup><a href="#${within}note-${n}" id="${within}note-mark-${n}">${n}</a></sup>`;
}

const notesAtFoot = ({ notes, within }: Out) =>
  notes.length
    ? `<ol>${notes
        .map(
          (text, i) =>
            `<li id="${within}note-${i + 1}">${escape(text)} <a href="#${within}note-mark-${i + 1}">↩</a></li>`,
        )
        .join('')}</ol>`
    : '';

const inline = (content: InlineNode[] | undefined, out: Out): string =>
  (content ?? [])
    .map((node) => {
      if (node.type === 'hardBreak') return '<br>';
      if (node.type === 'note') return noteMark(node.attrs.text, out);
      if (node.type === 'inlineMath') return escape(`\\(${node.attrs.latex}\\)`);
      return (node.marks ?? []).reduce((text, mark) => {
        if (mark.type === 'link') return `<a href="${escape(mark.attrs.href)}">${text}</a>`;
        const tag = mark.type in TAGS ? TAGS[mark.type as keyof typeof TAGS] : null;
        return tag ? `<${tag}>${text}</${tag}>` : text;
      }, escape(node.text));
    })
    .join('');

function pictureOf(node: Picture, out: Out): string {
  const src = out.picture(node.attrs.file);
  if (src === null) return `<p>${escape(standInWords(node))}</p>`;
  const { alt, caption, size, width, height } = node.attrs;
  const image = `<img src="${escape(src)}" alt="${escape(alt)}" width="${
    size ? `${size}%` : width
  }"${size ? '' : ` height="${height}"`}>`;
  return `<figure>${image}${caption ? `<figcaption>${escape(caption)}</figcaption>` : ''}</figure>`;
}

function block(node: BlockNode, out: Out): string {
  switch (node.type) {
    case 'partHeading':
      return `<p><strong>${escape(node.attrs.part)}. ${escape(node.attrs.text)}</strong></p>`;
    case 'paragraph':
      return node.content?.length ? `<p>${inline(node.content, out)}</p>` : '';
    case 'heading':
      return `<h${node.attrs.level}>${inline(node.content, out)}</h${node.attrs.level}>`;
    case 'horizontalRule':
      return '<hr>';
    case 'codeBlock':
      return `<pre><code>${escape((node.content ?? []).map((c) => c.text).join(''))}</code></pre>`;
    case 'picture':
      return pictureOf(node, out);
    case 'embed':
      return block(asLink(node), out);
    case 'file':
    case 'clip':
      return `<p>${escape(standInWords(node))}</p>`;
    case 'blockMath':
      return `<p>${escape(`\\[${node.attrs.latex}\\]`)}</p>`;
    case 'blockquote':
      return `<blockquote>${blocks(node.content, out)}</blockquote>`;
    case 'table':
      return `<table>${node.content
        .map(
          (row) =>
            `<tr>${row.content
              .map((cell) => {
                const tag = cell.type === 'tableHeader' ? 'th' : 'td';
                return `<${tag}>${blocks(cell.content, out)}</${tag}>`;
              })
              .join('')}</tr>`,
        )
        .join('')}</table>`;
    default: {
      const items = node.content.map((item) => `<li>${blocks(item.content, out)}</li>`).join('');
      if (node.type === 'bulletList') return `<ul>${items}</ul>`;
      const start = node.attrs?.start ?? 1;
      return `<ol${start === 1 ? '' : ` start="${start}"`}>${items}</ol>`;
    }
  }
}

const blocks = (nodes: BlockNode[], out: Out) => nodes.map((node) => block(node, out)).join('');

/**
 * A document as clean HTML: what it says and how it is built, with no class, style or script. Empty paragraphs fall away.
 * `picture` says where a picture is to be had; without it words stand for it. Notes stand at the end, linked both ways;
 * `within` sets their names apart where several documents stand on one page.
 */
export function htmlOf(
  doc: Doc,
  asked: { title?: string; picture?: Out['picture']; within?: string } = {},
): string {
  const out: Out = { picture: asked.picture ?? (() => null), notes: [], within: asked.within ?? '' };
  const title = asked.title?.trim() ? `<h1>${escape(asked.title.trim())}</h1>` : '';
  return title + blocks(doc.content, out) + notesAtFoot(out);
}
