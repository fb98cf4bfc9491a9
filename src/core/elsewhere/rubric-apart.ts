import { defaultTreeAdapter, parse, serialize, serializeOuter, type DefaultTreeAdapterTypes } from 'parse5';
import { plainText } from '../document/flatten';
import { documentFromHtml } from '../formats/from-html';
import { rubricIn } from '../rubric/rubric-in';

type Element = DefaultTreeAdapterTypes.Element;
type Parent = DefaultTreeAdapterTypes.ParentNode;

/** A page that is nested deeper is nobody's rubric, and would be too deep to be written anew. */
const MOST_DEPTH = 150;
/** More tables no page is looked through for. */
const MOST_TABLES = 60;
const MOST_LETTERS = 60_000;

/** The tables of a page that hold no others: those that only lay it out do. Null where it is nested too deep. */
function innerTables(root: Parent): Element[] | null {
  const tables = new Set<Element>();
  const stack: { node: Parent; depth: number; table: Element | null }[] = [
    { node: root, depth: 0, table: null },
  ];
  for (let step = stack.pop(); step; step = stack.pop()) {
    const { node, depth, table } = step;
    if (depth > MOST_DEPTH) return null;
    for (const child of node.childNodes) {
      if (!defaultTreeAdapter.isElementNode(child)) continue;
      const isTable = child.tagName === 'table';
      if (isTable && table) tables.delete(table);
      if (isTable) tables.add(child);
      stack.push({ node: child, depth: depth + 1, table: isTable ? child : table });
    }
  }
  return [...tables].slice(0, MOST_TABLES);
}

/**
 * A page and the rubric that stands in it as a table, apart: its rows begin with names of criteria, which would be taken for people who say
 * something, and a table cannot be told from what is around it line by line.
 *
 * @returns the page as it is where it holds no such table
 * @example rubricApart('<p>Why?</p>') // { html: '<p>Why?</p>', rubric: null }
 */
export function rubricApart(html: string): { html: string; rubric: { html: string; text: string } | null } {
  const whole = { html, rubric: null };
  if (!/<table/iu.test(html)) return whole;
  const root = parse(html);
  for (const table of innerTables(root) ?? []) {
    const own = serializeOuter(table);
    if (own.length > MOST_LETTERS) continue;
    const doc = documentFromHtml(own);
    if (!rubricIn(doc)) continue;
    defaultTreeAdapter.detachNode(table);
    return { html: serialize(root), rubric: { html: own, text: plainText(doc) } };
  }
  return whole;
}
