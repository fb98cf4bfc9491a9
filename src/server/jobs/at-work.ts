import type { WorkerEvents } from 'graphile-worker';
import type { Db } from '@/db/connection';
import { giveBackOfTheGone, noteAtWork } from '@/db/queries/jobs';

const LOOK_MS = 15_000;

/**
 * Says four times a minute that this process is alive, for everybody in it who takes jobs, and gives back what those had in hand who were
 * killed: a mail that was being sent then is sent within three minutes, and not with the queue's own patience.
 */
export function staysAtWork(db: Db, events: WorkerEvents): { leave: () => void } {
  const ids: string[] = [];
  const look = async () => {
    if (ids.length) await noteAtWork(db, ids);
    await giveBackOfTheGone(db);
  };
  // A database that cannot be reached is looked for again; who works here finds out by itself.
  const again = () => void look().catch(() => undefined);
  events.on('pool:create', ({ workerPool }) => {
    ids.push(workerPool.id);
    again();
  });
  const timer = setInterval(again, LOOK_MS);
  return { leave: () => clearInterval(timer) };
}
