import { z } from 'zod';
import { inlineText, spoken } from '../inline';
import type { BlockKind } from '../kind';
import type { Paragraph } from '../nodes';
import { escapeLineStarts } from '../written';
import { inlineJson } from './inlines';
import { shape, shapeAttrs, styleOf, tidyShape } from './shape';

export const paragraph: BlockKind<Paragraph> = {
  type: 'paragraph',
  spec: { group: 'block', content: 'inline*', attrs: shapeAttrs },
  json: () =>
    z.strictObject({
      type: z.literal('paragraph'),
      attrs: z.strictObject(shape).optional(),
      content: inlineJson.optional(),
    }),
  tidy: (attrs) => {
    const stands = tidyShape(attrs);
    return Object.keys(stands).length ? stands : undefined;
  },
  line: 'plain',
  text: (node) => spoken(inlineText(node.content)),
  html: (node, to) => (node.content?.length ? `<p${styleOf(node.attrs)}>${to.content(node)}</p>` : ''),
  markdown: (node, to) => escapeLineStarts(to.content(node)),
  office: (node, to) =>
    node.content?.length ? [{ block: 'line', as: 'text', shape: node.attrs, runs: to.runs(node) }] : [],
};
