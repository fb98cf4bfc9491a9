import { instant, type Instant } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** The demo clock's distance from real time in milliseconds; 0 where no demo clock is set. */
export async function clockOffset(db: Db): Promise<number> {
  const row = await db('demo_clock').first('offset_ms');
  return Number(row?.offset_ms ?? 0);
}

/** Sets the demo clock so that it shows `to` at the real moment `real`, and runs on from there. */
export async function setClock(db: Db, to: Instant, real: number) {
  await db('demo_clock')
    .insert({ only_row: true, offset_ms: to - real, set_to: timestamptz(to) })
    .onConflict('only_row')
    .merge();
}

/** The latest moment anything happened in the demo: a clock that stood still meanwhile goes on from here. */
export async function latestMoment(db: Db): Promise<Instant | null> {
  const { rows } = await db.raw(`
    select greatest(
      (select set_to from demo_clock),
      (select max(shared_at) from post_versions),
      (select max(kept_at) from drafts),
      (select max(last_seen) from people)
    ) as at`);
  return rows[0]?.at == null ? null : instant(rows[0].at);
}
