import { z } from 'zod';
import type { BlockKind, InlineKind, LooseAttrs } from '../kind';
import { LIMITS } from '../limits';
import type { BlockMath, InlineMath } from '../nodes';

const latexAttrs = { latex: { default: '' } };
const attrs = z.strictObject({ latex: z.string().min(1).max(LIMITS.latexLength) });
const tidy = ({ latex }: LooseAttrs) =>
  latex ? { latex: String(latex).slice(0, LIMITS.latexLength) } : null;

/** A formula among words, in LaTeX. */
export const inlineMath: InlineKind<InlineMath> = {
  type: 'inlineMath',
  spec: { group: 'inline', inline: true, atom: true, attrs: latexAttrs },
  json: () => z.strictObject({ type: z.literal('inlineMath'), attrs }),
  tidy,
  says: (node) => `$${node.attrs.latex}$`,
  html: (node, to) => to.formula(node.attrs.latex, false),
  markdown: (node) => `$${node.attrs.latex}$`,
  office: (node) => ({ run: 'formula', latex: node.attrs.latex }),
};

/** A formula on a line of its own. */
export const blockMath: BlockKind<BlockMath> = {
  type: 'blockMath',
  spec: { group: 'block', atom: true, attrs: latexAttrs },
  json: () => z.strictObject({ type: z.literal('blockMath'), attrs }),
  tidy,
  line: 'math',
  says: (node) => `$${node.attrs.latex}$`,
  text: (node) => `$$${node.attrs.latex}$$`,
  html: (node, to) => `<p>${to.formula(node.attrs.latex, true)}</p>`,
  markdown: (node) => `$$\n${node.attrs.latex}\n$$`,
  office: (node) => [{ block: 'formula', latex: node.attrs.latex }],
};
