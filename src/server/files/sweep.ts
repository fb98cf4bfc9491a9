import { instant } from '@/core/ids';
import { contentIsHeld, deleteFile, lockContent, spentFiles } from '@/db/queries/files';
import type { FileDeps } from './receive';

const DAY_MS = 86_400_000;

/**
 * Takes away files that nothing carries any more and that are older than a day: a picture that was taken out again, a
 * file that never came in whole. A content goes when the last file that has it does. Gives how many went.
 */
export async function sweepFiles(deps: FileDeps): Promise<number> {
  const spent = await spentFiles(deps.db, instant(deps.now - DAY_MS));
  for (const { id, sha256 } of spent) {
    await deps.db.transaction(async (tx) => {
      if (sha256 !== null) await lockContent(tx, sha256);
      await deleteFile(tx, id);
      if (sha256 !== null && !(await contentIsHeld(tx, sha256))) await deps.files.remove(sha256);
    });
    if (sha256 === null) await deps.files.drop(id);
  }
  return spent.length;
}
