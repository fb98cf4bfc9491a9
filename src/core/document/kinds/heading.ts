import { z } from 'zod';
import { inlineText, spoken } from '../inline';
import type { BlockKind } from '../kind';
import type { Heading } from '../nodes';
import { inlineJson } from './inlines';
import { shape, shapeAttrs, styleOf, tidyShape } from './shape';

const LEVELS = { least: 2, most: 4, usual: 3 };

export const heading: BlockKind<Heading> = {
  type: 'heading',
  spec: { group: 'block', content: 'inline*', attrs: { level: {}, ...shapeAttrs } },
  json: () =>
    z.strictObject({
      type: z.literal('heading'),
      attrs: z.strictObject({ level: z.number().int().min(LEVELS.least).max(LEVELS.most), ...shape }),
      content: inlineJson.optional(),
    }),
  tidy: (attrs) => {
    const level = Math.round(Number(attrs.level)) || LEVELS.usual;
    return { level: Math.min(LEVELS.most, Math.max(LEVELS.least, level)), ...tidyShape(attrs) };
  },
  line: 'heading',
  text: (node) => spoken(inlineText(node.content)),
  html: (node, to) =>
    `<h${node.attrs.level}${styleOf(node.attrs)}>${to.content(node)}</h${node.attrs.level}>`,
  markdown: (node, to) => `${'#'.repeat(node.attrs.level)} ${to.content(node).replace(/\\\n/gu, ' ')}`,
  office: (node, to) => {
    const { level, ...stands } = node.attrs;
    return [{ block: 'heading', level, shape: stands, runs: to.runs(node) }];
  },
};
