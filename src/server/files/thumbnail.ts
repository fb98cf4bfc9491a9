import { buffer } from 'node:stream/consumers';
import sharp from 'sharp';
import { fail, ok, type Result } from '@/core/result';
import { clipOf } from '@/db/queries/clips';
import type { NotFound } from '../access/enter';
import type { Actor } from '../deps';
import { readableFile } from './read';
import type { FileDeps } from './receive';

/** Twice what a list shows, for screens with small pixels. */
const SIDE = 112;

export type Thumbnail = { sha256: string; draw: () => Promise<Buffer> };

/** A small picture of a picture or a clip, for who may see that; drawn only where the reader's browser has it not yet. */
export async function thumbnail(
  deps: FileDeps,
  actor: Actor,
  id: string,
): Promise<Result<Thumbnail, NotFound>> {
  const file = await readableFile(deps, actor, id);
  if (!file.ok) return file;
  const isPicture = file.value.mediaType.startsWith('image/');
  const sha256 = isPicture ? file.value.sha256 : ((await clipOf(deps.db, id))?.poster ?? null);
  if (sha256 === null) return fail({ code: 'not-found' });
  return ok({
    sha256,
    draw: async () =>
      sharp(await buffer(await deps.files.read(sha256)))
        .resize({ width: SIDE, height: SIDE, fit: 'cover' })
        .webp({ quality: 74 })
        .toBuffer(),
  });
}
