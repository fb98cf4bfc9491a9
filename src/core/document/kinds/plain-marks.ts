import { z } from 'zod';
import type { MarkKind } from '../kind';
import type { PlainMark } from '../nodes';
import { wrapped } from '../written';

type Plain = { type: PlainMark };

/** A mark that says nothing more than that it is there: its elements in HTML, the one it is written as first, and its sign where Markdown has one. */
const plain = (
  type: PlainMark,
  elements: readonly [string, ...string[]],
  sign = '',
  spec: MarkKind['spec'] = {},
): MarkKind<Plain> => ({
  type,
  spec,
  tag: elements[0],
  elements,
  json: z.strictObject({ type: z.literal(type) }),
  html: (words) => `<${elements[0]}>${words}</${elements[0]}>`,
  // What Markdown has no sign for stands there as HTML has it.
  markdown: (words) =>
    sign ? wrapped(words, sign) : type === 'code' ? words : `<${elements[0]}>${words}</${elements[0]}>`,
  office: () => ({ mark: type }),
});

export const bold = plain('bold', ['strong', 'b'], '**');
export const italic = plain('italic', ['em', 'i', 'cite', 'dfn'], '*');
export const underline = plain('underline', ['u']);
export const strike = plain('strike', ['s', 'strike', 'del'], '~~');
/** Its words are written by the text itself, since nothing within a code span is a mark. */
export const code = plain('code', ['code'], '', { excludes: '_', code: true });
export const subscript = plain('subscript', ['sub']);
export const superscript = plain('superscript', ['sup']);
