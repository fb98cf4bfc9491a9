import { z } from 'zod';
import { fail, ok, type Result } from '../result';
import type { Inside } from './kind';
import { LIMITS } from './limits';
import type { BlockNode, Doc, ListItem, TableCell, TableRow } from './nodes';
import { BLOCKS } from './registry';
import { listItem } from './kinds/list-item';
import { tableCell, tableHeader } from './kinds/table-cell';
import { tableRow } from './kinds/table-row';

const some = <T>(of: () => z.ZodType<T>): z.ZodType<T[]> => z.lazy(() => z.array(of()).min(1));
/** What blocks hold is made when it is first asked for: blocks hold blocks. */
const inside: Inside = {
  blocks: some(() => blockNode),
  items: some<ListItem>(() => item),
  rows: some<TableRow>(() => row),
  cells: some<TableCell>(() => cell),
};
const [first, ...others] = BLOCKS;
const blockNode: z.ZodType<BlockNode> = z.discriminatedUnion('type', [
  first.json(inside),
  ...others.map((kind) => kind.json(inside)),
]);
const item = listItem.json(inside);
const row = tableRow.json(inside);
const cell = z.discriminatedUnion('type', [tableCell.json(inside), tableHeader.json(inside)]);
const documentSchema = z.strictObject({ type: z.literal('doc'), content: inside.blocks });

export type DocumentFailure = { code: 'document-too-large' } | { code: 'document-malformed'; where: string };

/** Whether a value nests deeper or holds more nodes than a post may; told without recursion, so size cannot hurt. */
function exceedsShape(value: unknown): boolean {
  const queue: { value: unknown; depth: number }[] = [{ value, depth: 0 }];
  let seen = 0;
  for (let next = queue.pop(); next; next = queue.pop()) {
    if (typeof next.value !== 'object' || next.value === null) continue;
    seen += 1;
    // Three levels of JSON (node, content array, attributes) make one level of document.
    if (next.depth > LIMITS.depth * 3 || seen > LIMITS.nodes * 4) return true;
    for (const child of Object.values(next.value)) queue.push({ value: child, depth: next.depth + 1 });
  }
  return false;
}

/**
 * A text that a database can keep: no NUL, and no half of a character; every other character stays.
 * @example storable('a\u0000b') // 'ab'
 */
export const storable = (text: string) =>
  text.replace(/\u0000|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '');

const storableStrings = (value: unknown): unknown => {
  if (typeof value === 'string') return storable(value);
  if (Array.isArray(value)) return value.map(storableStrings);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, storableStrings(v)]));
};

/**
 * Reads an unknown value as a document: the document itself, or why it is not one. No node or mark is silently dropped.
 * @example parseDocument({ type: 'doc', content: [] }) // document-malformed, where "content"
 */
export function parseDocument(value: unknown): Result<Doc, DocumentFailure> {
  if (exceedsShape(value)) return fail({ code: 'document-too-large' });
  const read = documentSchema.safeParse(storableStrings(value));
  if (!read.success) {
    return fail({ code: 'document-malformed', where: (read.error.issues[0]?.path ?? []).join('.') });
  }
  if (JSON.stringify(read.data).length > LIMITS.bytes) return fail({ code: 'document-too-large' });
  return ok(read.data);
}

export const emptyDocument: Doc = { type: 'doc', content: [{ type: 'paragraph' }] };
