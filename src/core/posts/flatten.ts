import { isCarried } from './carried';
import type { BlockNode, Carried, Doc, InlineNode, Note } from './document';

export type Link = { start: number; end: number; href: string };

/**
 * One line of text of a document. `pos` is the editor's position of its first character, so that the character at
 * offset `i` stands at `pos + i`: evidence found in the text can be marked in the editor without searching again.
 */
export type Line = {
  kind: 'part-heading' | 'heading' | 'quote' | 'item' | 'cell' | 'code' | 'math' | 'paragraph';
  text: string;
  pos: number;
  /** Set on the heading of a part. */
  part?: string;
  /** Set in a table: lines of one row share the position at which it begins. */
  row?: number;
  /** Set on the first line of a list's item: its number, or 0 for a bullet. */
  item?: number;
  links: Link[];
  /** What the line holds beside characters, as it is said: each stands in `text` as one {@link OBJECT}. */
  objects: string[];
};

/** What a formula or a note is in a line's text: one character that no word has, so that positions stay the editor's. */
const OBJECT = '\uFFFC';

const inlineSize = (node: InlineNode) => (node.type === 'text' ? node.text.length : 1);

/** A formula and a note as they are read aloud, searched and quoted. */
const said = (node: Extract<InlineNode, { type: 'inlineMath' | 'note' }>) =>
  node.type === 'note' ? ` [${node.attrs.text}]` : `$${node.attrs.latex}$`;

/** The text of one block's inline content. */
export function inlineText(content: InlineNode[] | undefined): Pick<Line, 'text' | 'links' | 'objects'> {
  let text = '';
  const links: Link[] = [];
  const objects: string[] = [];
  for (const node of content ?? []) {
    if (node.type === 'text') {
      const link = node.marks?.find((m) => m.type === 'link');
      if (link)
        links.push({ start: text.length, end: text.length + node.text.length, href: link.attrs.href });
      text += node.text;
    } else if (node.type === 'hardBreak') {
      text += '\n';
    } else {
      objects.push(said(node));
      text += OBJECT;
    }
  }
  return { text, links, objects };
}

type Inside = { kind: 'quote' | 'item' | 'cell'; row?: number; item?: number } | null;

type VisitedBlock = Extract<
  BlockNode,
  { type: 'partHeading' | 'paragraph' | 'heading' | 'codeBlock' | 'blockMath' | Carried['type'] }
>;

/**
 * Visits the blocks of a document that hold text, a picture or a file, in reading order, with the editor's position of their first
 * character. Positions follow the editor's rule: a node with content adds one before and one after it, a node without
 * content is one, a character is one UTF-16 unit.
 */
function visitBlocks(doc: Doc, visit: (node: VisitedBlock, pos: number, inside: Inside) => void) {
  const walk = (nodes: BlockNode[], start: number, inside: Inside): number => {
    let pos = start;
    for (const [at, node] of nodes.entries()) {
      // Only the first line of an item stands beside its mark.
      const here: Inside = inside && at > 0 ? { kind: inside.kind, row: inside.row } : inside;
      switch (node.type) {
        case 'partHeading':
        case 'blockMath':
        case 'picture':
        case 'file':
        case 'clip':
        case 'embed':
          visit(node, pos, here);
          pos += 1;
          break;
        case 'horizontalRule':
          pos += 1;
          break;
        case 'paragraph':
        case 'heading':
        case 'codeBlock':
          visit(node, pos + 1, here);
          pos += 2 + (node.content ?? []).reduce((n, c) => n + inlineSize(c), 0);
          break;
        case 'blockquote':
          pos = walk(node.content, pos + 1, { ...here, kind: 'quote' }) + 1;
          break;
        case 'table':
          pos += 1;
          for (const row of node.content) {
            const begins = pos;
            pos += 1;
            const kind = inside?.kind === 'quote' ? 'quote' : 'cell';
            for (const cell of row.content) pos = walk(cell.content, pos + 1, { kind, row: begins }) + 1;
            pos += 1;
          }
          pos += 1;
          break;
        default:
          pos += 1;
          for (const [i, item] of node.content.entries()) {
            const n = node.type === 'orderedList' ? (node.attrs?.start ?? 1) + i : 0;
            pos = walk(item.content, pos + 1, { ...(inside ?? { kind: 'item' as const }), item: n }) + 1;
          }
          pos += 1;
      }
    }
    return pos;
  };
  walk(doc.content, 0, null);
}

/** The lines of a document in reading order. */
export function flatten(doc: Doc): Line[] {
  const lines: Line[] = [];
  visitBlocks(doc, (node, pos, inside) => {
    // What is told about a picture is no line of the text: its words are not the text's.
    if (isCarried(node)) return;
    if (node.type === 'partHeading') {
      const { part, text } = node.attrs;
      lines.push({ kind: 'part-heading', text, pos, part, links: [], objects: [] });
      return;
    }
    const quoted = inside?.kind === 'quote';
    const place = {
      pos,
      ...(inside?.row === undefined ? {} : { row: inside.row }),
      ...(inside?.item === undefined ? {} : { item: inside.item }),
    };
    if (node.type === 'blockMath') {
      const objects = [`$${node.attrs.latex}$`];
      lines.push({ kind: quoted ? 'quote' : 'math', ...place, text: OBJECT, links: [], objects });
      return;
    }
    const own =
      node.type === 'heading'
        ? 'heading'
        : node.type === 'codeBlock'
          ? 'code'
          : (inside?.kind ?? 'paragraph');
    lines.push({ kind: quoted ? 'quote' : own, ...place, ...inlineText(node.content) });
  });
  return lines;
}

/** Where the text of each block of a document begins, in the editor's positions. */
export function positionsOf(doc: Doc): ReadonlyMap<BlockNode, number> {
  const found = new Map<BlockNode, number>();
  visitBlocks(doc, (node, pos) => found.set(node, pos));
  return found;
}

/** The notes of a document in reading order, each with the editor's position of its mark in the text. */
export function notesIn(doc: Doc): { node: Note; pos: number }[] {
  const notes: { node: Note; pos: number }[] = [];
  visitBlocks(doc, (block, start) => {
    if (block.type !== 'paragraph' && block.type !== 'heading') return;
    let pos = start;
    for (const node of block.content ?? []) {
      if (node.type === 'note') notes.push({ node, pos });
      pos += inlineSize(node);
    }
  });
  return notes;
}

/** A line as it is read aloud, searched and quoted: its formulas as their LaTeX, its notes in brackets. */
export const spoken = (line: Pick<Line, 'text' | 'objects'>) => {
  let n = 0;
  return line.objects.length ? line.text.replaceAll(OBJECT, () => line.objects[n++] ?? '') : line.text;
};

/** The document as plain text, a line a block: what is searched, quoted in notices and fingerprinted in words. */
export const plainText = (doc: Doc) =>
  flatten(doc)
    .filter((l) => l.kind !== 'part-heading')
    .map(spoken)
    .join('\n')
    .trim();

/** Whether a document has nothing but part headings and white space: no word, no picture, no file, no clip. */
export function isBlank(doc: Doc): boolean {
  let carries = false;
  visitBlocks(doc, (node) => (carries ||= isCarried(node)));
  return !carries && plainText(doc) === '';
}
