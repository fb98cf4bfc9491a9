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
  for (const { id, sha256, poster } of spent) {
    const sums = [sha256, poster].filter((sum) => sum !== null);
    await deps.db.transaction(async (tx) => {
      for (const sum of sums) await lockContent(tx, sum);
      await deleteFile(tx, id);
      for (const sum of sums) if (!(await contentIsHeld(tx, sum))) await deps.files.remove(sum);
    });
    if (sha256 === null) await deps.files.drop(id);
  }
  return spent.length;
}
