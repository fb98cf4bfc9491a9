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

/** Asks for a job for each of these mails, once for each. */
export const addMailJobs = (db: Db, name: 'send-mail' | 'push', mails: readonly string[], tries: number) =>
  db.raw(
    `select count(*) from graphile_worker.add_jobs(array(
       select row(?, json_build_object('mail', m), null, null, ?, ? || ' ' || m, null, null)::graphile_worker.job_spec
       from unnest(?::text[]) m))`,
    [name, tries, name, [...mails]],
  );

/** Whoever was not alive for so long is gone. */
const GONE = `interval '1 minute'`;

/** Notes that those who take jobs under these names are alive. */
export const noteAtWork = (db: Db, ids: readonly string[]) =>
  db('at_work')
    .insert(ids.map((id) => ({ id, seen_at: db.fn.now() })))
    .onConflict('id')
    .merge();

/** Gives back the jobs that those have in hand who are gone: left to itself the queue would wait four hours for them. */
export async function giveBackOfTheGone(db: Db): Promise<void> {
  await db.raw(
    `select graphile_worker.force_unlock_workers(gone.ids) from (
       select array_agg(w.id) as ids from at_work w
       where w.seen_at < now() - ${GONE} and exists (select 1 from graphile_worker.jobs j where j.locked_by = w.id)
     ) gone where gone.ids is not null`,
  );
  await db.raw(`delete from at_work where seen_at < now() - interval '1 day'`);
}
