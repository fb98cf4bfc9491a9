import type { Node } from '@tiptap/pm/model';
import type { AnyNode, Surroundings } from './kind';
import type { Doc, Leaf } from './nodes';
import { nodeKind } from './registry';
import { schema } from './schema';

const typeOf = (node: AnyNode) => schema.nodes[node.type];
/**
 * Whether a node holds blocks (or what stands between it and blocks), and no words.
 * @example holdsBlocks({ type: 'paragraph' }) // false
 */
export const holdsBlocks = (node: AnyNode) => {
  const type = typeOf(node);
  return type !== undefined && !type.isLeaf && !type.inlineContent;
};
/**
 * Whether a node may not be without a block: an item, a cell, a quotation.
 * @example needsABlock({ type: 'blockquote', content: [] }) // true
 */
export const needsABlock = (node: AnyNode) =>
  holdsBlocks(node) && typeOf(node)?.contentMatch.defaultType?.name === 'paragraph';
const isLeaf = (node: AnyNode): node is Leaf => !holdsBlocks(node);

/** Only the first block of an item stands beside its mark. */
const after = (now: Surroundings): Surroundings => now && { kind: now.kind, row: now.row };

/**
 * Visits the blocks of a document that hold no others, in reading order, with the editor's position of the first character of
 * each (of one without words, its own). The positions are the library's: see {@link schema}.
 *
 * @example of a document of two paragraphs "a" and "b" the positions are 1 and 4
 */
export function visitLeaves(doc: Doc, visit: (leaf: Leaf, pos: number, around: Surroundings) => void) {
  const walk = (node: Node, said: AnyNode, start: number, own: number, now: Surroundings) => {
    node.forEach((child, offset, i) => {
      const inside = said.content?.[i];
      if (!inside) return;
      const pos = start + offset;
      const around = nodeKind(said.type)?.surrounds?.(said, i, own, now) ?? now;
      const here = child.isBlock && i > 0 && typeOf(inside)?.isInGroup('block') ? after(around) : around;
      if (isLeaf(inside)) visit(inside, child.isLeaf ? pos : pos + 1, here);
      else walk(child, inside, pos + 1, pos, here);
    });
  };
  walk(schema.nodeFromJSON(doc), doc, 0, -1, null);
}
