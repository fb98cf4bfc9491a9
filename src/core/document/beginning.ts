import type { Doc } from './nodes';

type Tree = { type: string; text?: string; content?: Tree[] };

/**
 * As much of a document, from its beginning, as has at most so many nodes and so many characters in its stored form. The
 * last of what is kept may hold less than it did, and nothing is kept that would stand there empty.
 *
 * @example beginningOf(doc, { nodes: 2, characters: 400_000 }).doc // of two paragraphs the first
 */
export function beginningOf(
  doc: Doc,
  most: { nodes: number; characters: number },
): { doc: Doc; cut: boolean } {
  let { nodes, characters } = most;
  let cut = false;
  const keep = (node: Tree): Tree[] => {
    if (nodes <= 0 || characters <= 0) {
      cut = true;
      return [];
    }
    const { content, ...bare } = node;
    const room = characters;
    nodes -= 1;
    characters -= JSON.stringify(bare).length;
    if (node.text && characters < 0) {
      cut = true;
      return [{ ...node, text: node.text.slice(0, room) }];
    }
    if (!content?.length) return [node];
    const kept = content.flatMap(keep);
    return kept.length ? [{ ...node, content: kept }] : [];
  };
  return { doc: { type: 'doc', content: (doc.content as Tree[]).flatMap(keep) as Doc['content'] }, cut };
}
