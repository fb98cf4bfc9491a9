import { z } from 'zod';
import type { InlineNode, Mark } from '../nodes';
import { hardBreak } from './hard-break';
import { ink } from './ink';
import { link } from './link';
import { inlineMath } from './math';
import { mention, postReference } from './naming';
import { note } from './note';
import { bold, code, italic, strike, subscript, superscript, underline } from './plain-marks';

/** The marks that words may carry. */
export const MARKS = [
  link,
  bold,
  italic,
  underline,
  strike,
  code,
  subscript,
  superscript,
  ink,
  mention,
  postReference,
] as const;

/** What may stand among words. */
export const INLINES = [hardBreak, inlineMath, note] as const;

const nothing = z.never();
const inside = { blocks: nothing, items: nothing, rows: nothing, cells: nothing };
const [first, ...others] = MARKS;
const markJson: z.ZodType<Mark> = z.discriminatedUnion('type', [
  first.json,
  ...others.map((kind) => kind.json),
]);
const textJson = z.strictObject({
  type: z.literal('text'),
  text: z.string().min(1),
  marks: z.array(markJson).max(MARKS.length).optional(),
});

/** The content of a block that holds words. */
export const inlineJson: z.ZodType<InlineNode[]> = z.array(
  z.discriminatedUnion('type', [textJson, ...INLINES.map((kind) => kind.json(inside))]),
);
