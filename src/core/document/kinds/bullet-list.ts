import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { BulletList } from '../nodes';
import { indented } from '../written';
import { itemsText } from './list-item';

export const bulletList: BlockKind<BulletList> = {
  type: 'bulletList',
  spec: { group: 'block list', content: 'listItem+' },
  json: (inside) => z.strictObject({ type: z.literal('bulletList'), content: inside.items }),
  surrounds: (_node, _i, _pos, now) => ({ kind: 'item', ...now, item: 0 }),
  text: (node, to) => itemsText(node.content, to),
  html: (node, to) => `<ul>${node.content.map((item) => `<li>${to.content(item)}</li>`).join('')}</ul>`,
  markdown: (node, to) => node.content.map((item) => `- ${indented(to.content(item), '  ')}`).join('\n'),
  office: (node, to) => [
    { block: 'list', start: null, items: node.content.map((item) => to.blocks(item.content)) },
  ],
};
