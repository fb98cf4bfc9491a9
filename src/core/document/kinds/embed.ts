import { z } from 'zod';
import type { BlockKind, OfficeRun } from '../kind';
import { LIMITS, safeHref } from '../limits';
import type { Embed } from '../nodes';
import { escapeHtml, escapeMarkdown } from '../written';

const titleOf = ({ attrs }: Embed) => attrs.title || attrs.url;

/** On its way out it is the link it was. */
export const embed: BlockKind<Embed> = {
  type: 'embed',
  spec: {
    group: 'block',
    atom: true,
    draggable: true,
    attrs: { url: { default: null }, title: { default: '' }, site: { default: '' } },
  },
  json: () =>
    z.strictObject({
      type: z.literal('embed'),
      attrs: z.strictObject({
        url: safeHref,
        title: z.string().max(LIMITS.titleLength),
        site: z.string().max(LIMITS.siteLength),
      }),
    }),
  tidy: ({ url, title, site }) => {
    const read = safeHref.safeParse(url);
    return read.success
      ? {
          url: read.data,
          title: String(title ?? '').slice(0, LIMITS.titleLength),
          site: String(site ?? '').slice(0, LIMITS.siteLength),
        }
      : null;
  },
  text: (node) => `[${node.attrs.site || 'Player'}: ${titleOf(node)}]`,
  html: (node) => `<p><a href="${escapeHtml(node.attrs.url)}">${escapeHtml(titleOf(node))}</a></p>`,
  markdown: (node) => `[${escapeMarkdown(titleOf(node))}](<${node.attrs.url}>)`,
  office: (node) => {
    const run: OfficeRun = { run: 'text', text: titleOf(node), marks: [], href: node.attrs.url };
    return [{ block: 'line', as: 'text', runs: [run] }];
  },
};
