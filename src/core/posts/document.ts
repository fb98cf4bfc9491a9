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
  latexLength: 1_000,
  indent: 4,
  altLength: 500,
  captionLength: 300,
  noteLength: 2_000,
  clipMs: 180_000,
  fileNameLength: 120,
} as const;

export const safeHref = z
  .string()
  .max(LIMITS.hrefLength)
  .regex(/^(https?:\/\/|mailto:)[^\s<>"'`\\]+$/iu);

/** The inks a writer may choose: names of the palette's, so that each is readable on light paper and on dark. */
export const INKS = ['pine', 'ochre', 'brick', 'sky'] as const;
export type Ink = (typeof INKS)[number];

const bare = <T extends string>(type: T) => z.strictObject({ type: z.literal(type) });
const markSchema = z.discriminatedUnion('type', [
  bare('bold'),
  bare('italic'),
  bare('underline'),
  bare('strike'),
  bare('code'),
  bare('subscript'),
  bare('superscript'),
  z.strictObject({ type: z.literal('ink'), attrs: z.strictObject({ name: z.enum(INKS) }) }),
  z.strictObject({ type: z.literal('link'), attrs: z.strictObject({ href: safeHref }) }),
  // The words stay words of the text, so they are counted, searched and exported as what they are; the mark says whom or
  // which post they mean. Whether they may mean it is asked of the database when a text is kept.
  z.strictObject({ type: z.literal('mention'), attrs: z.strictObject({ person: z.uuid() }) }),
  z.strictObject({
    type: z.literal('postReference'),
    attrs: z.strictObject({ post: z.number().int().positive().max(Number.MAX_SAFE_INTEGER) }),
  }),
]);
export type Mark = z.infer<typeof markSchema>;

const textNode = z.strictObject({
  type: z.literal('text'),
  text: z.string().min(1),
  marks: z.array(markSchema).max(11).optional(),
});
const latex = z.string().min(1).max(LIMITS.latexLength);
const inlineNode = z.discriminatedUnion('type', [
  textNode,
  bare('hardBreak'),
  z.strictObject({ type: z.literal('inlineMath'), attrs: z.strictObject({ latex }) }),
  // A note to the text, read at its foot. Its number is its place among them, so it is never written down.
  z.strictObject({
    type: z.literal('note'),
    attrs: z.strictObject({ text: z.string().min(1).max(LIMITS.noteLength) }),
  }),
]);
export type InlineNode = z.infer<typeof inlineNode>;
export type Note = Extract<InlineNode, { type: 'note' }>;

const inline = z.array(inlineNode).optional();
const shape = {
  textAlign: z.enum(['center', 'right', 'justify']).optional(),
  indent: z.number().int().min(1).max(LIMITS.indent).optional(),
};
/** How a paragraph or heading stands on the page, where it is not as usual. */
export type BlockShape = z.infer<z.ZodObject<typeof shape>>;
const paragraph = z.strictObject({
  type: z.literal('paragraph'),
  attrs: z.strictObject(shape).optional(),
  content: inline,
});
const heading = z.strictObject({
  type: z.literal('heading'),
  attrs: z.strictObject({ level: z.number().int().min(2).max(4), ...shape }),
  content: inline,
});
const partHeading = z.strictObject({
  type: z.literal('partHeading'),
  attrs: z.strictObject({ part: z.string().min(1).max(20), text: z.string().max(1_000) }),
});

const codeBlock = z.strictObject({
  type: z.literal('codeBlock'),
  content: z.array(z.strictObject({ type: z.literal('text'), text: z.string().min(1) })).optional(),
});
const blockMath = z.strictObject({ type: z.literal('blockMath'), attrs: z.strictObject({ latex }) });
const rule = bare('horizontalRule');
const pixels = z.number().int().min(1).max(20_000);
/** A picture of the writer's. What it is (its size in pixels) is the server's to say; how it stands is the writer's. */
const picture = z.strictObject({
  type: z.literal('picture'),
  attrs: z.strictObject({
    file: z.uuid(),
    width: pixels,
    height: pixels,
    /** What somebody who cannot see it is told; empty while nobody has written it. */
    alt: z.string().max(LIMITS.altLength),
    caption: z.string().max(LIMITS.captionLength).optional(),
    /** Its width in hundredths of the page's; as wide as it is, and at most the page, where none is chosen. */
    size: z.number().int().min(10).max(100).optional(),
    place: z.enum(['center', 'right']).optional(),
  }),
});
/** A file of the writer's, to be opened or saved. Name, type and size are the server's to say. */
const file = z.strictObject({
  type: z.literal('file'),
  attrs: z.strictObject({
    file: z.uuid(),
    name: z.string().min(1).max(LIMITS.fileNameLength),
    mediaType: z.string().min(3).max(100),
    bytes: z.number().int().min(0),
  }),
});
/** A short recording of the writer's. What it is the server's to say; its title is what the writer called it. */
const clip = z.strictObject({
  type: z.literal('clip'),
  attrs: z.strictObject({
    file: z.uuid(),
    title: z.string().max(LIMITS.titleLength),
    /** How long it plays, in milliseconds. */
    ms: z.number().int().min(0).max(LIMITS.clipMs),
    /** Whether there is a picture, or only a voice. */
    video: z.boolean(),
  }),
});
/** Something of a media site of the college's list, played where it stands. Everything else stays a link. */
const embed = z.strictObject({
  type: z.literal('embed'),
  attrs: z.strictObject({
    url: safeHref,
    title: z.string().max(LIMITS.titleLength),
    site: z.string().max(80),
  }),
});
export type Picture = z.infer<typeof picture>;
export type AttachedFile = z.infer<typeof file>;
export type Clip = z.infer<typeof clip>;
/** What a text carries beside its words. */
export type Embed = z.infer<typeof embed>;
export type Carried = Picture | AttachedFile | Clip | Embed;

export type BlockNode =
  | z.infer<typeof paragraph>
  | z.infer<typeof heading>
  | z.infer<typeof partHeading>
  | z.infer<typeof codeBlock>
  | z.infer<typeof blockMath>
  | z.infer<typeof rule>
  | Carried
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
    codeBlock,
    blockMath,
    rule,
    picture,
    file,
    clip,
    embed,
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

/** A text that a database can keep: no NUL, and no half of a character; every other character stays. */
export const storable = (text: string) =>
  text.replace(/\u0000|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '');

const storableStrings = (value: unknown): unknown => {
  if (typeof value === 'string') return storable(value);
  if (Array.isArray(value)) return value.map(storableStrings);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, storableStrings(v)]));
};

/** Reads an unknown value as a document: the document itself, or why it is not one. No node or mark is silently dropped. */
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
