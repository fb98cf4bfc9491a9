import { visitLeaves } from '../document/walk';
import type { Doc, InlineNode } from '../document/nodes';

/** What a text has that another place's editor may not take over from the clipboard. */
export type LeftKind =
  'picture' | 'clip' | 'file' | 'player' | 'formula' | 'note' | 'naming' | 'colour' | 'question';
/** How much of it there is, and what tells it apart: the names of files, the words that are named. */
export type Left = { kind: LeftKind; n: number; named: string[] };

const inline = (node: InlineNode): [LeftKind, string][] => {
  if (node.type === 'inlineMath') return [['formula', node.attrs.latex]];
  if (node.type === 'note') return [['note', node.attrs.text]];
  if (node.type !== 'text') return [];
  return (node.marks ?? []).flatMap((mark): [LeftKind, string][] =>
    mark.type === 'mention' || mark.type === 'postReference'
      ? [['naming', node.text]]
      : mark.type === 'ink'
        ? [['colour', node.text]]
        : [],
  );
};

/**
 * What does not go along where a text is copied into another place's editor, in the order of what one misses most: things to be put in there by
 * hand, then what becomes plain words.
 * @example leftBehind(documentFromText('Only words.')) // []
 */
export function leftBehind(doc: Doc): Left[] {
  const found: [LeftKind, string][] = [];
  visitLeaves(doc, (leaf) => {
    if (leaf.type === 'picture') found.push(['picture', leaf.attrs.alt || leaf.attrs.caption || 'a picture']);
    else if (leaf.type === 'clip') found.push(['clip', leaf.attrs.title]);
    else if (leaf.type === 'file') found.push(['file', leaf.attrs.name]);
    else if (leaf.type === 'embed') found.push(['player', leaf.attrs.title || leaf.attrs.url]);
    else if (leaf.type === 'blockMath') found.push(['formula', leaf.attrs.latex]);
    else if (leaf.type === 'partHeading') found.push(['question', leaf.attrs.text]);
    else if (leaf.type === 'paragraph' || leaf.type === 'heading')
      (leaf.content ?? []).forEach((node) => found.push(...inline(node)));
  });
  return ORDER.flatMap((kind) => {
    const named = found.filter(([k]) => k === kind).map(([, name]) => name);
    return named.length ? [{ kind, n: named.length, named }] : [];
  });
}

/** The formats that a text goes out in as a file. */
export type FileFormat = 'docx' | 'odt' | 'rtf' | 'epub' | 'html' | 'md';
const IN_NONE: readonly LeftKind[] = ['clip', 'file', 'player', 'naming'];
const NOT_HELD: Record<FileFormat, readonly LeftKind[]> = {
  docx: IN_NONE,
  odt: IN_NONE,
  epub: IN_NONE,
  html: IN_NONE,
  rtf: [...IN_NONE, 'formula'],
  md: [...IN_NONE, 'picture', 'colour'],
};

/**
 * What of a text a file of a format does not hold as what it is: it says it in words, or leads to where it is.
 * @example notHeldBy('md', a text with a word in brick) // [{ kind: 'colour', n: 1, … }]
 */
export const notHeldBy = (format: FileFormat, doc: Doc): Left[] =>
  leftBehind(doc).filter(({ kind }) => NOT_HELD[format].includes(kind));

const ORDER: LeftKind[] = [
  'picture',
  'clip',
  'file',
  'player',
  'formula',
  'note',
  'naming',
  'colour',
  'question',
];
