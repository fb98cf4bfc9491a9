import { createReadStream } from 'node:fs';
import { mkdir, open, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { StoreFull, type FileStore } from './store';

const FULL = new Set(['ENOSPC', 'EDQUOT', 'EFBIG']);

/** Does what may fill a disk, and says so in a way of its own when it did. */
async function roomFor<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Error && FULL.has((error as NodeJS.ErrnoException).code ?? ''))
      throw new StoreFull(error.message);
    throw error;
  }
}

/** Files in a folder: contents by the first letters of their sums, so that no folder holds too many. */
export function folderStore(root: string): FileStore {
  const incoming = (id: string) => join(root, 'incoming', id);
  const content = (sha256: string) => join(root, sha256.slice(0, 2), sha256.slice(2, 4), sha256);
  return {
    incoming,
    write: (id, at, piece) =>
      roomFor(async () => {
        await mkdir(dirname(incoming(id)), { recursive: true });
        const file = await open(incoming(id), at === 0 ? 'w' : 'r+');
        try {
          await file.write(piece, 0, piece.length, at);
        } finally {
          await file.close();
        }
      }),
    settle: async (id, sha256) => {
      await mkdir(dirname(content(sha256)), { recursive: true });
      await rename(incoming(id), content(sha256));
    },
    put: (sha256, bytes) =>
      roomFor(async () => {
        const place = content(sha256);
        await mkdir(dirname(place), { recursive: true });
        // Written beside and moved: nobody ever reads half of it.
        await writeFile(`${place}.part`, bytes);
        await rename(`${place}.part`, place);
      }),
    read: async (sha256, span) => {
      const file = await open(content(sha256), 'r');
      await file.close();
      const from = createReadStream(content(sha256), span ? { start: span.first, end: span.last } : {});
      return Readable.toWeb(from) as ReadableStream<Uint8Array>;
    },
    remove: (sha256) => rm(content(sha256), { force: true }),
    drop: (id) => rm(incoming(id), { force: true }),
  };
}
