import { z } from 'zod';
import type { InlineKind } from '../kind';
import type { HardBreak } from '../nodes';

export const hardBreak: InlineKind<HardBreak> = {
  type: 'hardBreak',
  spec: { group: 'inline', inline: true, selectable: false, linebreakReplacement: true },
  json: () => z.strictObject({ type: z.literal('hardBreak') }),
  says: () => '\n',
  html: () => '<br>',
  markdown: () => '\\\n',
  office: () => ({ run: 'break' }),
};
