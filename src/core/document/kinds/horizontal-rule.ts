import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { HorizontalRule } from '../nodes';

export const horizontalRule: BlockKind<HorizontalRule> = {
  type: 'horizontalRule',
  spec: { group: 'block' },
  json: () => z.strictObject({ type: z.literal('horizontalRule') }),
  text: () => '',
  html: () => '<hr>',
  markdown: () => '---',
  office: () => [{ block: 'rule' }],
};
