import Papa from 'papaparse';
import type { Doc, TableRow } from '../document/nodes';

const MOST_ROWS = 400;
const MOST_COLUMNS = 20;

/**
 * Comma-separated values (RFC 4180; semicolons and tabs as well) as a table whose first row is its head. Null for what is none.
 * @example documentFromCsv('a,b\n1,2') // a table of two rows; documentFromCsv('a') // null
 */
export function documentFromCsv(text: string): Doc | null {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/u, ''), { skipEmptyLines: 'greedy' });
  const width = data.reduce((widest, row) => Math.max(widest, row.length), 0);
  if (data.length < 2 || width < 2) return null;
  const content = data.slice(0, MOST_ROWS).map((row, i): TableRow => ({
    type: 'tableRow',
    content: Array.from({ length: Math.min(width, MOST_COLUMNS) }, (_, c) => {
      const value = (row[c] ?? '').trim();
      return {
        type: i === 0 ? 'tableHeader' : 'tableCell',
        content: [
          value ? { type: 'paragraph', content: [{ type: 'text', text: value }] } : { type: 'paragraph' },
        ],
      };
    }),
  }));
  return { type: 'doc', content: [{ type: 'table', content }] };
}
