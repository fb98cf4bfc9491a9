import type { AnyNode, LooseAttrs } from './kind';
import { markKind } from './marks';
import type { BlockNode, Mark } from './nodes';
import { blockKind, nodeKind } from './registry';
import { schema } from './schema';
import { needsABlock } from './walk';

/** A node as an editor gives it: with attributes it adds for itself, and whatever was pasted into them. */
export type EditorNode = {
  type?: string;
  attrs?: LooseAttrs;
  content?: EditorNode[];
  text?: string;
  marks?: { type: string; attrs?: LooseAttrs }[];
};

function markFrom({ type, attrs = {} }: { type: string; attrs?: LooseAttrs }): Mark[] {
  const kind = markKind(type);
  if (!kind) return [];
  if (!kind.tidy) return [{ type } as Mark];
  const tidy = kind.tidy(attrs);
  return tidy ? [{ type, attrs: tidy } as Mark] : [];
}

const wordsFrom = (node: EditorNode, bare: boolean): AnyNode[] => {
  if (!node.text) return [];
  const marks = bare ? [] : (node.marks ?? []).flatMap(markFrom);
  return [{ type: 'text', text: node.text, ...(marks.length ? { marks } : {}) } as AnyNode];
};

/** Code is one run of text, however it came. */
const joined = (node: EditorNode): EditorNode[] => [
  { type: 'text', text: (node.content ?? []).map((c) => c.text ?? '').join('') },
];

function contentOf(node: EditorNode, type: string): AnyNode[] {
  if (type === 'codeBlock') return joined(node).flatMap((n) => wordsFrom(n, true));
  const made = (node.content ?? []).flatMap(nodeFrom);
  return schema.nodes[type]?.inlineContent ? made.filter((n) => schema.nodes[n.type]?.isInline) : made;
}

function nodeFrom(node: EditorNode): AnyNode[] {
  if (node.type === 'text') return wordsFrom(node, false);
  const type = node.type !== undefined && nodeKind(node.type) ? node.type : 'paragraph';
  const attrs = nodeKind(type)?.tidy?.(node.attrs ?? {});
  // What cannot be kept is nothing that was written: a picture without a file, a formula without a sign.
  if (attrs === null) return [];
  const made = { type, ...(attrs === undefined ? {} : { attrs }) };
  const content = contentOf(node, type);
  if (content.length) return [{ ...made, content }];
  return [needsABlock(made) ? { ...made, content: [{ type: 'paragraph' }] } : made];
}

/**
 * A block of an editor reduced to what a post may hold; none where nothing of it can be kept.
 * @example a block of no kind of ours gives none
 */
export const blocksFromEditor = (node: EditorNode): BlockNode[] =>
  // Every kind tidies its own attributes, so what comes out is of the kinds that went in.
  nodeFrom(node).filter((made): made is BlockNode => blockKind(made) !== undefined);
