import { isCarried } from './carried';
import { inlineText, spoken, OBJECT, type InlineText } from './inline';
import type { LineKind } from './kind';
import type { Doc, Leaf, Note } from './nodes';
import { blockKind } from './registry';
import { visitLeaves } from './walk';

/**
 * One line of text of a document. `pos` is the editor's position of its first character, so that the character at
 * offset `i` stands at `pos + i`: evidence found in the text can be marked in the editor without searching again.
 */
export type Line = InlineText & {
  kind: LineKind;
  pos: number;
  /** Set on the heading of a part. */
  part?: string;
  /** Set in a table: lines of one row share the position at which it begins. */
  row?: number;
  /** Set on the first line of a list's item: its number, or 0 for a bullet. */
  item?: number;
};

/** The words of a block; of a formula on its own line, one character that stands for it. */
function wordsOf(node: Leaf): InlineText {
  if (node.type === 'paragraph' || node.type === 'heading' || node.type === 'codeBlock')
    return inlineText(node.content);
  const spokenFor = blockKind(node)?.says?.(node) ?? '';
  return node.type === 'partHeading'
    ? { text: spokenFor, links: [], objects: [] }
    : { text: OBJECT, links: [], objects: [spokenFor] };
}

/**
 * The lines of a document in reading order. What is told about a picture is no line of the text: its words are not the text's.
 * @example flatten(documentFromText('One.')) // [{ kind: 'paragraph', text: 'One.', pos: 1, … }]
 */
export function flatten(doc: Doc): Line[] {
  const lines: Line[] = [];
  visitLeaves(doc, (node, pos, around) => {
    const own = blockKind(node)?.line;
    if (!own) return;
    if (node.type === 'partHeading') {
      lines.push({ kind: own === 'plain' ? 'paragraph' : own, pos, part: node.attrs.part, ...wordsOf(node) });
      return;
    }
    lines.push({
      kind: around?.kind === 'quote' ? 'quote' : own === 'plain' ? (around?.kind ?? 'paragraph') : own,
      pos,
      ...(around?.row === undefined ? {} : { row: around.row }),
      ...(around?.item === undefined ? {} : { item: around.item }),
      ...wordsOf(node),
    });
  });
  return lines;
}

/**
 * Where each block of a document that holds no others begins, in the editor's positions.
 * @example of a document of one paragraph: that paragraph at 1
 */
export function positionsOf(doc: Doc): ReadonlyMap<object, number> {
  const found = new Map<object, number>();
  visitLeaves(doc, (node, pos) => found.set(node, pos));
  return found;
}

/**
 * The notes of a document in reading order, each with the editor's position of its mark in the text.
 * @example a note after the word "river" at the beginning stands at 6
 */
export function notesIn(doc: Doc): { node: Note; pos: number }[] {
  const notes: { node: Note; pos: number }[] = [];
  visitLeaves(doc, (block, start) => {
    if (block.type !== 'paragraph' && block.type !== 'heading') return;
    let pos = start;
    for (const node of block.content ?? []) {
      if (node.type === 'note') notes.push({ node, pos });
      pos += node.type === 'text' ? node.text.length : 1;
    }
  });
  return notes;
}

/**
 * The document as plain text, a line a block: what is searched, quoted in notices and fingerprinted in words.
 * @example plainText(documentFromText('One.\n\nTwo.')) // 'One.\nTwo.'
 */
export const plainText = (doc: Doc) =>
  flatten(doc)
    .filter((l) => l.kind !== 'part-heading')
    .map(spoken)
    .join('\n')
    .trim();

/**
 * Whether a document has nothing but part headings and white space: no word, no picture, no file, no clip.
 * @example isBlank(startingDocument(parts)) // true
 */
export function isBlank(doc: Doc): boolean {
  let carries = false;
  visitLeaves(doc, (node) => (carries ||= isCarried(node)));
  return !carries && plainText(doc) === '';
}
