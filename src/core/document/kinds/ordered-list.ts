import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { OrderedList } from '../nodes';
import { indented } from '../written';
import { itemsText } from './list-item';

const MOST = 10_000;
/**
 * The number of its first item.
 * @example startOf({ type: 'orderedList', content }) // 1
 */
export const startOf = (list: OrderedList) => list.attrs?.start ?? 1;

export const orderedList: BlockKind<OrderedList> = {
  type: 'orderedList',
  spec: { group: 'block list', content: 'listItem+', attrs: { start: { default: 1 } } },
  json: (inside) =>
    z.strictObject({
      type: z.literal('orderedList'),
      attrs: z.strictObject({ start: z.number().int().min(0).max(MOST) }).optional(),
      content: inside.items,
    }),
  tidy: (attrs) => {
    const start = Number(attrs.start ?? 1);
    return start === 1 || !Number.isInteger(start) || start < 0 || start > MOST ? undefined : { start };
  },
  surrounds: (node, i, _pos, now) => ({ kind: 'item', ...now, item: startOf(node) + i }),
  text: (node, to) => itemsText(node.content, to),
  html: (node, to) => {
    const start = startOf(node);
    const items = node.content.map((item) => `<li>${to.content(item)}</li>`).join('');
    return `<ol${start === 1 ? '' : ` start="${start}"`}>${items}</ol>`;
  },
  markdown: (node, to) =>
    node.content
      .map((item, i) => {
        const mark = `${startOf(node) + i}. `;
        return `${mark}${indented(to.content(item), ' '.repeat(mark.length))}`;
      })
      .join('\n'),
  office: (node, to) => [
    { block: 'list', start: startOf(node), items: node.content.map((item) => to.blocks(item.content)) },
  ],
};
