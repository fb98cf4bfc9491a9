import type { Db } from '../connection';

/** How long the oldest job that nobody has begun has been waiting, in milliseconds; 0 where none waits. */
export async function oldestJob(db: Db): Promise<number> {
  const { rows } = await db.raw(
    `select coalesce(extract(epoch from now() - min(run_at)) * 1000, 0) as waited
     from graphile_worker.jobs where run_at <= now() and locked_at is null and attempts = 0`,
  );
  return Math.max(0, Number(rows[0].waited));
}

/** Asks for a job once more: asked for many times before it begins, it is done once. */
export const wakeJob = (db: Db, name: string) =>
  db.raw(`select graphile_worker.add_job(?, '{}'::json, job_key := ?)`, [name, `now ${name}`]);
