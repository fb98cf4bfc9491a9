import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { Table } from '../nodes';

/** One line of a Markdown table: what a cell holds in one line, and no bar that would end it. */
const markdownCell = (text: string) =>
  text
    .replace(/\\?\n+/gu, ' ')
    .replace(/\|/gu, '\\|')
    .trim();

export const table: BlockKind<Table> = {
  type: 'table',
  spec: { group: 'block', content: 'tableRow+', isolating: true, tableRole: 'table' },
  json: (inside) => z.strictObject({ type: z.literal('table'), content: inside.rows }),
  text: (node, to) =>
    node.content
      .map((row) => row.content.map((cell) => to.blocks(cell.content).join(' ')).join(' | '))
      .join('\n'),
  html: (node, to) => {
    const rows = node.content.map((row) => {
      const cells = row.content.map((cell) => {
        const tag = cell.type === 'tableHeader' ? 'th' : 'td';
        return `<${tag}>${to.content(cell)}</${tag}>`;
      });
      return `<tr>${cells.join('')}</tr>`;
    });
    return `<table>${rows.join('')}</table>`;
  },
  markdown: (node, to) => {
    const width = Math.max(...node.content.map((row) => row.content.length));
    const line = (cells: string[]) =>
      `| ${Array.from({ length: width }, (_, i) => cells[i] ?? '').join(' | ')} |`;
    const [first, ...rest] = node.content.map((row) =>
      line(row.content.map((cell) => markdownCell(to.content(cell)))),
    );
    return [first, line(Array.from({ length: width }, () => '---')), ...rest].join('\n');
  },
  office: (node, to) => [
    {
      block: 'table',
      rows: node.content.map((row) =>
        row.content.map((cell) => ({ head: cell.type === 'tableHeader', blocks: to.blocks(cell.content) })),
      ),
    },
  ],
};
