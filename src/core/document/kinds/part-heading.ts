import { z } from 'zod';
import type { BlockKind } from '../kind';
import type { PartHeading } from '../nodes';
import { escapeHtml, escapeMarkdown } from '../written';

/** Placed for the student, and nothing of theirs: it has no words of its own in any count. */
export const partHeading: BlockKind<PartHeading> = {
  type: 'partHeading',
  spec: {
    group: 'block',
    atom: true,
    selectable: false,
    attrs: { part: { default: '' }, text: { default: '' } },
  },
  json: () =>
    z.strictObject({
      type: z.literal('partHeading'),
      attrs: z.strictObject({ part: z.string().min(1).max(20), text: z.string().max(1_000) }),
    }),
  tidy: ({ part, text }) =>
    part ? { part: String(part).slice(0, 20), text: String(text ?? '').slice(0, 1_000) } : null,
  line: 'part-heading',
  says: ({ attrs }) => attrs.text,
  text: () => '',
  html: ({ attrs }) => `<p><strong>${escapeHtml(attrs.part)}. ${escapeHtml(attrs.text)}</strong></p>`,
  markdown: ({ attrs }) => `**${escapeMarkdown(attrs.part)}. ${escapeMarkdown(attrs.text)}**`,
  office: ({ attrs }) => [
    {
      block: 'line',
      as: 'question',
      runs: [{ run: 'text', text: `${attrs.part}. ${attrs.text}`, marks: [] }],
    },
  ],
};
