import { z } from 'zod';
import type { NodeKind, TextOut } from '../kind';
import type { ListItem } from '../nodes';

/** In the editor an item begins with a paragraph; in a text from elsewhere it need not. */
export const listItem: NodeKind<ListItem> = {
  type: 'listItem',
  spec: { content: 'paragraph block*', defining: true },
  json: (inside) => z.strictObject({ type: z.literal('listItem'), content: inside.blocks }),
};

/**
 * The items of a list where only text can go.
 * @example items "a" and "b" are '- a\n- b'
 */
export const itemsText = (items: readonly ListItem[], to: TextOut) =>
  items.map((item) => `- ${to.blocks(item.content).join('\n')}`).join('\n');
