import { z } from 'zod';
import type { MarkKind } from '../kind';
import { safeHref } from '../limits';
import type { Mark } from '../nodes';
import { escapeHtml } from '../written';

export const link: MarkKind<Extract<Mark, { type: 'link' }>> = {
  type: 'link',
  spec: { inclusive: true, attrs: { href: { default: null } } },
  json: z.strictObject({ type: z.literal('link'), attrs: z.strictObject({ href: safeHref }) }),
  tidy: ({ href }) => {
    const read = safeHref.safeParse(href);
    return read.success ? { href: read.data } : null;
  },
  html: (words, mark) => `<a href="${escapeHtml(mark.attrs.href)}">${words}</a>`,
  markdown: (words, mark) => `[${words}](<${mark.attrs.href}>)`,
  office: (mark) => ({ href: mark.attrs.href }),
};
