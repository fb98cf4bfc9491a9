import type { BlockNode, Doc, InlineNode } from './document';

export type Link = { start: number; end: number; href: string };

/**
 * One line of text of a document. `pos` is the editor's position of its first character, so that the character at
 * offset `i` stands at `pos + i`: evidence found in the text can be marked in the editor without searching again.
 */
export type Line = {
  kind: 'part-heading' | 'heading' | 'quote' | 'item' | 'paragraph';
  text: string;
  pos: number;
  /** Set on the heading of a part. */
  part?: string;
  links: Link[];
};

const inlineSize = (node: InlineNode) => (node.type === 'text' ? node.text.length : 1);

function inlineText(content: InlineNode[] | undefined): { text: string; links: Link[] } {
  let text = '';
  const links: Link[] = [];
  for (const node of content ?? []) {
    if (node.type === 'text') {
      const link = node.marks?.find((m) => m.type === 'link');
      if (link)
        links.push({ start: text.length, end: text.length + node.text.length, href: link.attrs.href });
      text += node.text;
    } else {
      text += '\n';
    }
  }
  return { text, links };
}

type Inside = 'quote' | 'item' | null;

/**
 * The lines of a document in reading order. Positions follow the editor's rule: a node with content adds one before
 * and one after it, a node without content is one, a character is one UTF-16 unit.
 */
export function flatten(doc: Doc): Line[] {
  const lines: Line[] = [];
  const walk = (nodes: BlockNode[], start: number, inside: Inside): number => {
    let pos = start;
    for (const node of nodes) {
      switch (node.type) {
        case 'partHeading':
          lines.push({ kind: 'part-heading', text: node.attrs.text, pos, part: node.attrs.part, links: [] });
          pos += 1;
          break;
        case 'paragraph':
        case 'heading': {
          const own = node.type === 'heading' ? 'heading' : (inside ?? 'paragraph');
          lines.push({ kind: inside === 'quote' ? 'quote' : own, pos: pos + 1, ...inlineText(node.content) });
          pos += 2 + (node.content ?? []).reduce((n, c) => n + inlineSize(c), 0);
          break;
        }
        case 'blockquote':
          pos = walk(node.content, pos + 1, 'quote') + 1;
          break;
        default:
          pos += 1;
          for (const item of node.content) pos = walk(item.content, pos + 1, inside ?? 'item') + 1;
          pos += 1;
      }
    }
    return pos;
  };
  walk(doc.content, 0, null);
  return lines;
}

/** The document as plain text, a line a block: what is searched, quoted in notices and fingerprinted in words. */
export const plainText = (doc: Doc) =>
  flatten(doc)
    .filter((l) => l.kind !== 'part-heading')
    .map((l) => l.text)
    .join('\n')
    .trim();

/** Whether anything but part headings and white space has been written. */
export const isBlank = (doc: Doc) => plainText(doc) === '';
