import type { BlockNode } from './document';

type Holder = Extract<BlockNode, { type: 'blockquote' | 'bulletList' | 'orderedList' | 'table' }>;
/** A block that holds no other blocks. */
export type Leaf = Exclude<BlockNode, Holder>;

/** What holds blocks must go on holding one. */
const filled = (nodes: BlockNode[]): BlockNode[] => (nodes.length ? nodes : [{ type: 'paragraph' }]);

/** The same blocks with each that holds no others put through `change`, however deep it stands. */
export function mapLeaves(nodes: readonly BlockNode[], change: (leaf: Leaf) => BlockNode[]): BlockNode[] {
  const inside = (content: readonly BlockNode[]) => filled(mapLeaves(content, change));
  return nodes.flatMap((node): BlockNode[] => {
    switch (node.type) {
      case 'blockquote':
        return [{ ...node, content: inside(node.content) }];
      case 'bulletList':
      case 'orderedList':
        return [
          { ...node, content: node.content.map((item) => ({ ...item, content: inside(item.content) })) },
        ];
      case 'table':
        return [
          {
            ...node,
            content: node.content.map((row) => ({
              ...row,
              content: row.content.map((cell) => ({ ...cell, content: inside(cell.content) })),
            })),
          },
        ];
      default:
        return change(node);
    }
  });
}
