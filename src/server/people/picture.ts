import { createHash } from 'node:crypto';
import sharp from 'sharp';
import type { PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { contentIsHeld, lockContent } from '@/db/queries/files';
import { markOf, setMark } from '@/db/queries/college';
import { pictureOf, setPicture, sharesACourse } from '@/db/queries/pictures';
import type { Actor, Deps } from '../deps';
import { inTurn, MOST_PIXELS } from '../files/identify';
import type { FileStore } from '../files/store';

type WithFiles = Pick<Deps, 'db' | 'now'> & { files: FileStore };

/** A picture as it comes is no larger. */
export const MOST_PICTURE_BYTES = 8_000_000;
const SIDE = 256;
const MARK = { width: 480, height: 160 };
const SECONDS = 5;

type Fit = { width: number; height: number; fit: 'cover' | 'inside' };

/** A picture drawn anew, upright and without anything else that came with it; null where what came is none. */
async function drawn(bytes: Buffer, { width, height, fit }: Fit): Promise<Buffer | null> {
  try {
    return await inTurn(() =>
      sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
        .timeout({ seconds: SECONDS })
        .autoOrient()
        .resize({ width, height, fit, withoutEnlargement: fit === 'inside' })
        .webp({ quality: 86 })
        .toBuffer(),
    );
  } catch {
    return null;
  }
}

/** Puts a content in the place of another, which goes where nothing else has it. */
async function replace(
  deps: WithFiles,
  content: Buffer | null,
  before: (tx: Db) => Promise<string | null>,
  set: (tx: Db, sum: string | null) => Promise<unknown>,
) {
  const sum = content && createHash('sha256').update(content).digest('hex');
  await deps.db.transaction(async (tx) => {
    const old = await before(tx);
    // In one order, so that no two wait for each other crosswise.
    for (const one of [...new Set([old, sum])].filter((s) => s !== null).sort()) await lockContent(tx, one);
    if (sum && content) await deps.files.put(sum, content);
    await set(tx, sum);
    if (old && old !== sum && !(await contentIsHeld(tx, old))) await deps.files.remove(old);
  });
}

export type NotAPicture = { code: 'not-a-picture' };

/** Gives oneself a picture, or takes it away. */
export async function changePicture(
  deps: WithFiles,
  actor: Actor,
  bytes: Buffer | null,
): Promise<Result<null, NotAPicture>> {
  const content = bytes && (await drawn(bytes, { width: SIDE, height: SIDE, fit: 'cover' }));
  if (bytes && !content) return fail({ code: 'not-a-picture' });
  await replace(
    deps,
    content,
    (tx) => pictureOf(tx, actor.id),
    (tx, sum) => setPicture(tx, actor.id, sum),
  );
  return ok(null);
}

/** The picture of somebody one shares a course with, or of oneself; stewards see everybody's. */
export async function seePicture(
  deps: WithFiles,
  actor: Actor,
  steward: boolean,
  person: PersonId,
): Promise<Result<{ sum: string; content: ReadableStream<Uint8Array> }, { code: 'not-found' }>> {
  const may = steward || person === actor.id || (await sharesACourse(deps.db, actor.id, person));
  const sum = may ? await pictureOf(deps.db, person) : null;
  return sum ? ok({ sum, content: await deps.files.read(sum) }) : fail({ code: 'not-found' });
}

/** Gives the college its mark, or takes it away: drawn anew, as wide as it is. */
export async function changeMark(deps: WithFiles, bytes: Buffer | null): Promise<Result<null, NotAPicture>> {
  const content = bytes && (await drawn(bytes, { ...MARK, fit: 'inside' }));
  if (bytes && !content) return fail({ code: 'not-a-picture' });
  await replace(deps, content, markOf, setMark);
  return ok(null);
}

/** The college's mark, which everybody sees who comes to its door. */
export async function seeMark(
  deps: Pick<WithFiles, 'db' | 'files'>,
): Promise<Result<{ sum: string; content: ReadableStream<Uint8Array> }, { code: 'not-found' }>> {
  const sum = await markOf(deps.db);
  return sum ? ok({ sum, content: await deps.files.read(sum) }) : fail({ code: 'not-found' });
}
