import { inlineKind } from '../document/inline';
import type { AnyNode, OfficeBlock, OfficeOut, OfficeRun } from '../document/kind';
import { markKind } from '../document/marks';
import type { Doc, InlineNode, TextNode } from '../document/nodes';
import { blockKind } from '../document/registry';

function words({ text, marks = [] }: TextNode): OfficeRun {
  const said = marks.flatMap((mark) => markKind(mark.type)?.office?.(mark) ?? []);
  const href = said.flatMap((s) => ('href' in s ? [s.href] : []))[0];
  const colour = said.flatMap((s) => ('colour' in s ? [s.colour] : []))[0];
  return {
    run: 'text',
    text,
    marks: said.flatMap((s) => ('mark' in s ? [s.mark] : [])),
    ...(href === undefined ? {} : { href }),
    ...(colour === undefined ? {} : { colour }),
  };
}

const OUT: OfficeOut = {
  blocks: (nodes) => nodes.flatMap((node) => blockKind(node)?.office(node, OUT) ?? []),
  runs: (node: AnyNode) =>
    (node.content ?? []).flatMap((child) => {
      const inline = child as InlineNode;
      return inline.type === 'text' ? [words(inline)] : (inlineKind(inline)?.office(inline) ?? []);
    }),
};

/**
 * A document as the blocks and runs that every word processor's format has. Empty paragraphs fall away.
 * @example officeOf(documentFromText('a')) // one line of one run
 */
export const officeOf = (doc: Doc): OfficeBlock[] => OUT.blocks(doc.content);
