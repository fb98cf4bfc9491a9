import { z } from 'zod';
import type { NodeKind } from '../kind';
import type { TableRow } from '../nodes';

export const tableRow: NodeKind<TableRow> = {
  type: 'tableRow',
  spec: { content: '(tableCell | tableHeader)*', tableRole: 'row' },
  json: (inside) => z.strictObject({ type: z.literal('tableRow'), content: inside.cells }),
  surrounds: (_node, _i, pos, now) => ({ kind: now?.kind === 'quote' ? 'quote' : 'cell', row: pos }),
};
