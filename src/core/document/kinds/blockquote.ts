import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { Blockquote } from '../nodes';

export const blockquote: BlockKind<Blockquote> = {
  type: 'blockquote',
  spec: { group: 'block', content: 'block+', defining: true },
  json: (inside) => z.strictObject({ type: z.literal('blockquote'), content: inside.blocks }),
  surrounds: (_node, _i, _pos, now) => ({ ...now, kind: 'quote' }),
  text: (node, to) =>
    to
      .blocks(node.content)
      .map((text) => text.replace(/^/gmu, '> '))
      .join('\n\n'),
  html: (node, to) => `<blockquote>${to.content(node)}</blockquote>`,
  markdown: (node, to) => to.content(node).replace(/^/gmu, '> ').replace(/ +$/gmu, ''),
  office: (node, to) => [{ block: 'quotation', blocks: to.blocks(node.content) }],
};
