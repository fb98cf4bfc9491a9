import { asLink } from '../embeds/address';
import { standInWords } from '../posts/carried';
import type { BlockNode, Doc, InlineNode, Picture } from '../posts/document';

/** What an export knows beside the document: where a picture is to be had, if it travels, and the notes met so far. */
type Out = { picture: (file: string) => string | null; notes: string[] };

/** What would be read as a mark if it stood bare. */
const escape = (text: string) => text.replace(/[\\`*_[\]<>]/gu, '\\$&');
/** What is a mark only where a line begins. */
const lineStart = (text: string) =>
  text.replace(/^(\s*)([#>+-])/gmu, '$1\\$2').replace(/^(\s*\d+)([.)])/gmu, '$1\\$2');

/** Marks go around the words and not around the space beside them, or they are not read as marks. */
function wrapped(text: string, sign: string): string {
  const [, before = '', words = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/u.exec(text) ?? [];
  return words ? `${before}${sign}${words}${sign}${after}` : text;
}

/** A code span, between more backticks than stand in it. */
function codeSpan(text: string): string {
  const longest = Math.max(0, ...[...text.matchAll(/`+/gu)].map((m) => m[0].length));
  const fence = '`'.repeat(longest + 1);
  const room = text.startsWith('`') || text.endsWith('`') ? ' ' : '';
  return `${fence}${room}${text}${room}${fence}`;
}

const inline = (content: InlineNode[] | undefined, out: Out): string =>
  (content ?? [])
    .map((node) => {
      if (node.type === 'note') return `[^${out.notes.push(node.attrs.text)}]`;
      if (node.type === 'hardBreak') return '\\\n';
      if (node.type === 'inlineMath') return `$${node.attrs.latex}$`;
      // Within a code span nothing is a mark, so nothing is escaped there.
      const isCode = node.marks?.some((m) => m.type === 'code') ?? false;
      return (node.marks ?? []).reduce(
        (text, mark) => {
          switch (mark.type) {
            case 'bold':
              return wrapped(text, '**');
            case 'italic':
              return wrapped(text, '*');
            case 'strike':
              return wrapped(text, '~~');
            case 'link':
              return `[${text}](<${mark.attrs.href}>)`;
            default:
              // CommonMark has no sign of its own for the others: their words stay.
              return text;
          }
        },
        isCode ? codeSpan(node.text) : escape(node.text),
      );
    })
    .join('');

const indent = (text: string, by: string) => text.replace(/\n(?=[^\n])/gu, `\n${by}`);

const cellText = (blocks: BlockNode[], out: Out) =>
  markdownBlocks(blocks, out)
    .replace(/\\?\n+/gu, ' ')
    .replace(/\|/gu, '\\|')
    .trim();

function pictureOf(node: Picture, out: Out): string {
  const src = out.picture(node.attrs.file);
  if (src === null) return escape(standInWords(node));
  const { alt, caption } = node.attrs;
  const title = caption ? ` "${escape(caption).replace(/"/gu, '\\"')}"` : '';
  return `![${escape(alt)}](<${src}>${title})`;
}

function block(node: BlockNode, out: Out): string {
  switch (node.type) {
    case 'partHeading':
      return `**${escape(node.attrs.part)}. ${escape(node.attrs.text)}**`;
    case 'paragraph':
      return lineStart(inline(node.content, out));
    case 'heading':
      return `${'#'.repeat(node.attrs.level)} ${inline(node.content, out).replace(/\\\n/gu, ' ')}`;
    case 'horizontalRule':
      return '---';
    case 'codeBlock': {
      const text = (node.content ?? []).map((c) => c.text).join('');
      const longest = Math.max(2, ...[...text.matchAll(/`+/gu)].map((m) => m[0].length));
      const fence = '`'.repeat(longest + 1);
      return `${fence}\n${text}\n${fence}`;
    }
    case 'picture':
      return pictureOf(node, out);
    case 'embed':
      return block(asLink(node), out);
    case 'file':
    case 'clip':
      return escape(standInWords(node));
    case 'blockMath':
      return `$$\n${node.attrs.latex}\n$$`;
    case 'blockquote':
      return markdownBlocks(node.content, out).replace(/^/gmu, '> ').replace(/ +$/gmu, '');
    case 'table': {
      const width = Math.max(...node.content.map((row) => row.content.length));
      const line = (cells: string[]) =>
        `| ${Array.from({ length: width }, (_, i) => cells[i] ?? '').join(' | ')} |`;
      const [first, ...rest] = node.content.map((row) =>
        line(row.content.map((cell) => cellText(cell.content, out))),
      );
      return [first, line(Array.from({ length: width }, () => '---')), ...rest].join('\n');
    }
    case 'bulletList':
      return node.content.map((item) => `- ${indent(markdownBlocks(item.content, out), '  ')}`).join('\n');
    case 'orderedList': {
      const start = node.attrs?.start ?? 1;
      return node.content
        .map((item, i) => {
          const mark = `${start + i}. `;
          return `${mark}${indent(markdownBlocks(item.content, out), ' '.repeat(mark.length))}`;
        })
        .join('\n');
    }
  }
}

const markdownBlocks = (nodes: BlockNode[], out: Out): string =>
  nodes
    .map((node) => block(node, out))
    .filter((text) => text.trim() !== '')
    .join('\n\n');

/**
 * A document as CommonMark, with tables, strokes and footnotes as GitHub's extension writes them. `picture` says where a
 * picture is to be had; without it words stand for it.
 */
export function markdownOf(doc: Doc, asked: { title?: string; picture?: Out['picture'] } = {}): string {
  const out: Out = { picture: asked.picture ?? (() => null), notes: [] };
  const title = asked.title?.trim() ? [`# ${escape(asked.title.trim())}`] : [];
  const text = [...title, markdownBlocks(doc.content, out)].join('\n\n');
  const notes = out.notes.map((note, i) => `[^${i + 1}]: ${lineStart(escape(note.replace(/\s+/gu, ' ')))}`);
  return `${[text, ...notes].join('\n\n')}\n`;
}
