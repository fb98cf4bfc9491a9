import { z } from 'zod';
import { fail, ok, type Result } from '../result';

/**
 * A post's text is a document of the editor's (ProseMirror) JSON form, never HTML. This schema is the whole of what
 * may be stored: anything else, however it arrives, is refused.
 */
export const LIMITS = {
  bytes: 400_000,
  depth: 12,
  nodes: 8_000,
  titleLength: 200,
  hrefLength: 2_000,
} as const;

export const safeHref = z
  .string()
  .max(LIMITS.hrefLength)
  .regex(/^(https?:\/\/|mailto:)[^\s<>"'`\\]+$/iu);

const markSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('bold') }),
  z.strictObject({ type: z.literal('italic') }),
  z.strictObject({ type: z.literal('link'), attrs: z.strictObject({ href: safeHref }) }),
]);
export type Mark = z.infer<typeof markSchema>;

const textNode = z.strictObject({
  type: z.literal('text'),
  text: z.string().min(1),
  marks: z.array(markSchema).max(3).optional(),
});
const inlineNode = z.discriminatedUnion('type', [textNode, z.strictObject({ type: z.literal('hardBreak') })]);
export type InlineNode = z.infer<typeof inlineNode>;

const inline = z.array(inlineNode).optional();
const paragraph = z.strictObject({ type: z.literal('paragraph'), content: inline });
const heading = z.strictObject({
  type: z.literal('heading'),
  attrs: z.strictObject({ level: z.number().int().min(2).max(4) }),
  content: inline,
});
const partHeading = z.strictObject({
  type: z.literal('partHeading'),
  attrs: z.strictObject({ part: z.string().min(1).max(20), text: z.string().max(1_000) }),
});

export type BlockNode =
  | z.infer<typeof paragraph>
  | z.infer<typeof heading>
  | z.infer<typeof partHeading>
  | { type: 'blockquote'; content: BlockNode[] }
  | { type: 'bulletList'; content: ListItem[] }
  | { type: 'orderedList'; attrs?: { start: number }; content: ListItem[] }
  | { type: 'table'; content: TableRow[] };
export type ListItem = { type: 'listItem'; content: BlockNode[] };
export type TableCell = { type: 'tableCell' | 'tableHeader'; content: BlockNode[] };
export type TableRow = { type: 'tableRow'; content: TableCell[] };

const blocks: z.ZodType<BlockNode[]> = z.lazy(() => z.array(blockNode).min(1));
const items: z.ZodType<ListItem[]> = z.lazy(() =>
  z.array(z.strictObject({ type: z.literal('listItem'), content: blocks })).min(1),
);
const rows: z.ZodType<TableRow[]> = z.lazy(() =>
  z
    .array(
      z.strictObject({
        type: z.literal('tableRow'),
        content: z
          .array(z.strictObject({ type: z.enum(['tableCell', 'tableHeader']), content: blocks }))
          .min(1),
      }),
    )
    .min(1),
);
const blockNode: z.ZodType<BlockNode> = z.lazy(() =>
  z.union([
    paragraph,
    heading,
    partHeading,
    z.strictObject({ type: z.literal('blockquote'), content: blocks }),
    z.strictObject({ type: z.literal('bulletList'), content: items }),
    z.strictObject({
      type: z.literal('orderedList'),
      attrs: z.strictObject({ start: z.number().int().min(0).max(10_000) }).optional(),
      content: items,
    }),
    z.strictObject({ type: z.literal('table'), content: rows }),
  ]),
);
const documentSchema = z.strictObject({ type: z.literal('doc'), content: blocks });
export type Doc = z.infer<typeof documentSchema>;

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

/** Reads an unknown value as a document: the document itself, or why it is not one. Nothing is silently dropped. */
export function parseDocument(value: unknown): Result<Doc, DocumentFailure> {
  if (exceedsShape(value)) return fail({ code: 'document-too-large' });
  const read = documentSchema.safeParse(value);
  if (!read.success) {
    return fail({ code: 'document-malformed', where: (read.error.issues[0]?.path ?? []).join('.') });
  }
  if (JSON.stringify(read.data).length > LIMITS.bytes) return fail({ code: 'document-too-large' });
  return ok(read.data);
}

export const emptyDocument: Doc = { type: 'doc', content: [{ type: 'paragraph' }] };
