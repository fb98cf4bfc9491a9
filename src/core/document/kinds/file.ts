import { z } from 'zod';
import { isUuid, type BlockKind } from '../kind';
import { LIMITS } from '../limits';
import type { AttachedFile } from '../nodes';
import { inWords } from './in-words';

export const file: BlockKind<AttachedFile> = {
  type: 'file',
  spec: {
    group: 'block',
    atom: true,
    draggable: true,
    attrs: {
      file: { default: null },
      name: { default: 'file' },
      mediaType: { default: 'application/octet-stream' },
      bytes: { default: 0 },
    },
  },
  json: () =>
    z.strictObject({
      type: z.literal('file'),
      attrs: z.strictObject({
        file: z.uuid(),
        name: z.string().min(1).max(LIMITS.fileNameLength),
        mediaType: z.string().min(3).max(100),
        bytes: z.number().int().min(0),
      }),
    }),
  tidy: ({ file: id, name, mediaType, bytes }) =>
    isUuid(id)
      ? {
          file: id,
          name: String(name || 'file').slice(0, LIMITS.fileNameLength),
          mediaType: String(mediaType),
          bytes: Math.max(0, Math.round(Number(bytes)) || 0),
        }
      : null,
  ...inWords<AttachedFile>(({ attrs }) => `[File: ${attrs.name}]`),
};
