import { z } from 'zod';
import { isUuid, type BlockKind } from '../kind';
import { LIMITS } from '../limits';
import type { Clip } from '../nodes';
import { inWords } from './in-words';

export const clip: BlockKind<Clip> = {
  type: 'clip',
  spec: {
    group: 'block',
    atom: true,
    draggable: true,
    attrs: { file: { default: null }, title: { default: '' }, ms: { default: 0 }, video: { default: false } },
  },
  json: () =>
    z.strictObject({
      type: z.literal('clip'),
      attrs: z.strictObject({
        file: z.uuid(),
        title: z.string().max(LIMITS.titleLength),
        ms: z.number().int().min(0).max(LIMITS.clipMs),
        video: z.boolean(),
      }),
    }),
  tidy: ({ file, title, ms, video }) =>
    isUuid(file)
      ? {
          file,
          title: String(title ?? '').slice(0, LIMITS.titleLength),
          ms: Math.min(LIMITS.clipMs, Math.max(0, Math.round(Number(ms)) || 0)),
          video: Boolean(video),
        }
      : null,
  ...inWords<Clip>(({ attrs }) => `[Clip: ${attrs.title || 'without a title'}]`),
};
