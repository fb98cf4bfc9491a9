import { z } from 'zod';
import type { NodeKind } from '../kind';
import type { TableCell } from '../nodes';

const cellOf = (type: TableCell['type'], tableRole: string): NodeKind<TableCell> => ({
  type,
  spec: { content: 'block+', isolating: true, tableRole },
  json: (inside) => z.strictObject({ type: z.literal(type), content: inside.blocks }),
});

export const tableCell = cellOf('tableCell', 'cell');
export const tableHeader = cellOf('tableHeader', 'header_cell');
