import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { CodeBlock } from '../nodes';
import { escapeHtml, fenceAround } from '../written';

const codeOf = (node: CodeBlock) => (node.content ?? []).map((c) => c.text).join('');

export const codeBlock: BlockKind<CodeBlock> = {
  type: 'codeBlock',
  spec: { group: 'block', content: 'text*', marks: '', code: true, defining: true },
  json: () =>
    z.strictObject({
      type: z.literal('codeBlock'),
      content: z.array(z.strictObject({ type: z.literal('text'), text: z.string().min(1) })).optional(),
    }),
  line: 'code',
  text: codeOf,
  html: (node) => `<pre><code>${escapeHtml(codeOf(node))}</code></pre>`,
  markdown: (node) => {
    const code = codeOf(node);
    const fence = fenceAround(code, 3);
    return `${fence}\n${code}\n${fence}`;
  },
  office: (node) =>
    codeOf(node)
      .split('\n')
      .map((text) => ({ block: 'line', as: 'code', runs: [{ run: 'text', text, marks: [] }] })),
};
