import type { AnyNode } from './kind';
import type { BlockNode, Leaf } from './nodes';
import { holdsBlocks, needsABlock } from './walk';

/** What holds blocks must go on holding one. */
const filled = (node: AnyNode, content: AnyNode[]): AnyNode[] =>
  content.length || !needsABlock(node) ? content : [{ type: 'paragraph' }];

/**
 * The same blocks with each that holds no others put through `change`, however deep it stands.
 * @example mapLeaves(doc.content, () => []) // every list and quotation with one empty paragraph in it
 */
export function mapLeaves(nodes: readonly BlockNode[], change: (leaf: Leaf) => BlockNode[]): BlockNode[] {
  const inside = (content: readonly AnyNode[]): AnyNode[] =>
    content.flatMap((node): AnyNode[] =>
      holdsBlocks(node)
        ? [{ ...node, content: filled(node, inside(node.content ?? [])) }]
        : change(node as Leaf),
    );
  // What holds blocks is put together as it was, so they are blocks again.
  return inside(nodes) as BlockNode[];
}

/**
 * The blocks without others in them, in reading order.
 * @example of a list of two items: the two paragraphs
 */
export function leavesOf(nodes: readonly AnyNode[]): Leaf[] {
  return nodes.flatMap((node) => (holdsBlocks(node) ? leavesOf(node.content ?? []) : [node as Leaf]));
}

/**
 * How many nodes stand within one another at the deepest, this one counted: a list and its item are two.
 * @example depthOf({ type: 'paragraph' }) // 1
 */
export const depthOf = (node: AnyNode): number =>
  1 +
  (holdsBlocks(node)
    ? (node.content ?? []).reduce((deepest, inner) => Math.max(deepest, depthOf(inner)), 0)
    : 0);
