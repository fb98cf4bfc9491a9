import { z } from 'zod';
import type { LooseAttrs } from '../kind';
import { LIMITS } from '../limits';
import type { BlockShape } from '../nodes';

/** What paragraphs and headings have in common: how they stand on the page. */
export const shapeAttrs = { textAlign: { default: null }, indent: { default: 0 } };

export const shape = {
  textAlign: z.enum(['center', 'right', 'justify']).optional(),
  indent: z.number().int().min(1).max(LIMITS.indent).optional(),
};

/**
 * The same in HTML: an attribute with what is not as usual.
 * @example styleOf({ textAlign: 'center' }) // ' style="text-align:center"'
 */
export const styleOf = ({ textAlign, indent }: BlockShape = {}) => {
  const said = [
    ...(textAlign ? [`text-align:${textAlign}`] : []),
    ...(indent ? [`margin-left:${indent * 2}em`] : []),
  ];
  return said.length ? ` style="${said.join(';')}"` : '';
};

/**
 * How a block stands, as far as it differs from the usual.
 * @example tidyShape({ textAlign: 'left', indent: '2' }) // { indent: 2 }
 */
export function tidyShape({ textAlign, indent }: LooseAttrs): BlockShape {
  const steps = Math.min(LIMITS.indent, Math.round(Number(indent)) || 0);
  return {
    ...(textAlign === 'center' || textAlign === 'right' || textAlign === 'justify' ? { textAlign } : {}),
    ...(steps > 0 ? { indent: steps } : {}),
  };
}
