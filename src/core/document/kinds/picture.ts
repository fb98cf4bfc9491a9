import { z } from 'zod';
import { isUuid, type BlockKind } from '../kind';
import { LIMITS } from '../limits';
import type { Picture } from '../nodes';
import { escapeHtml, escapeMarkdown } from '../written';

const pixels = z.number().int().min(1).max(20_000);
const words = ({ attrs }: Picture) => `[Picture: ${attrs.caption || attrs.alt || 'without a description'}]`;

export const picture: BlockKind<Picture> = {
  type: 'picture',
  spec: {
    group: 'block',
    atom: true,
    draggable: true,
    attrs: {
      file: { default: null },
      width: { default: null },
      height: { default: null },
      alt: { default: '' },
      caption: { default: null },
      size: { default: null },
      place: { default: null },
    },
  },
  json: () =>
    z.strictObject({
      type: z.literal('picture'),
      attrs: z.strictObject({
        file: z.uuid(),
        width: pixels,
        height: pixels,
        alt: z.string().max(LIMITS.altLength),
        caption: z.string().max(LIMITS.captionLength).optional(),
        size: z.number().int().min(10).max(100).optional(),
        place: z.enum(['center', 'right']).optional(),
      }),
    }),
  tidy: ({ file, width, height, alt, caption, size, place }) =>
    isUuid(file) && Number(width) > 0 && Number(height) > 0
      ? {
          file,
          width: Number(width),
          height: Number(height),
          alt: String(alt ?? '').slice(0, LIMITS.altLength),
          ...(caption ? { caption: String(caption).slice(0, LIMITS.captionLength) } : {}),
          ...(Number(size) ? { size: Math.min(100, Math.max(10, Math.round(Number(size)))) } : {}),
          ...(place === 'center' || place === 'right' ? { place } : {}),
        }
      : null,
  text: words,
  html: (node, to) => {
    const src = to.picture(node.attrs.file);
    if (src === null) return `<p>${escapeHtml(words(node))}</p>`;
    const { alt, caption, size, width, height } = node.attrs;
    const measures = size
      ? `width="${width}" height="${height}" style="width:${size}%;height:auto"`
      : `width="${width}" height="${height}"`;
    const image = `<img src="${escapeHtml(src)}" alt="${escapeHtml(alt)}" ${measures}>`;
    return `<figure>${image}${caption ? `<figcaption>${escapeHtml(caption)}</figcaption>` : ''}</figure>`;
  },
  markdown: (node, to) => {
    const src = to.picture(node.attrs.file);
    if (src === null) return escapeMarkdown(words(node));
    const { alt, caption } = node.attrs;
    const title = caption ? ` "${escapeMarkdown(caption).replace(/"/gu, '\\"')}"` : '';
    return `![${escapeMarkdown(alt)}](<${src}>${title})`;
  },
  office: (node) => [{ block: 'picture', picture: node, words: words(node) }],
};
