import { defaultTreeAdapter, type DefaultTreeAdapterTypes } from 'parse5';

type Element = DefaultTreeAdapterTypes.Element;

const elements = (node: Element) => node.childNodes.filter(defaultTreeAdapter.isElementNode);
const attribute = (node: Element, name: string) => node.attrs.find((a) => a.name === name)?.value;

function rowsOf(node: Element): Element[] {
  return elements(node).flatMap((child) =>
    child.tagName === 'tr'
      ? [child]
      : ['thead', 'tbody', 'tfoot'].includes(child.tagName)
        ? rowsOf(child)
        : [],
  );
}

/**
 * The cells of a table's rows, in the order they are written.
 * @example of `<table><tr><td>a<td>b</table>`: one row of two
 */
export const cellsOf = (table: Element): Element[][] =>
  rowsOf(table).map((row) => elements(row).filter((c) => ['td', 'th'].includes(c.tagName)));

/** More cells no table has that anybody reads. */
const MOST_CELLS = 20_000;
const MOST_SPAN = 60;

const spanOf = (cell: Element, name: 'colspan' | 'rowspan') => {
  const n = Math.trunc(Number(attribute(cell, name) ?? 1));
  return n >= 1 ? Math.min(n, MOST_SPAN) : 1;
};

/**
 * The cells of a table by their columns. A cell that spans several stands in the first of them, and nothing in the others, so that
 * none beside it or beneath it changes its column: null is a place without a cell of its own.
 *
 * @example of one row of a cell that spans two, and a usual one: [cell, null, cell]
 */
export function gridOf(rows: readonly Element[][]): (Element | null)[][] {
  // How many rows further down each column is taken.
  const taken: number[] = [];
  let left = MOST_CELLS;
  return rows.map((cells) => {
    const grid: (Element | null)[] = [];
    const skip = () => {
      for (let n = taken[grid.length] ?? 0; n > 0; n = taken[grid.length] ?? 0) {
        taken[grid.length] = n - 1;
        grid.push(null);
      }
    };
    for (const cell of cells) {
      skip();
      const down = spanOf(cell, 'rowspan') - 1;
      for (let i = 0; i < spanOf(cell, 'colspan') && (i === 0 || left > 0); i += 1) {
        taken[grid.length] = left > 0 ? down : 0;
        left -= 1 + down;
        grid.push(i === 0 ? cell : null);
      }
    }
    skip();
    return grid;
  });
}
