import type { Correction } from '@/core/outside/corrections';
import type { Instant } from '@/core/ids';
import type { Db } from '../connection';

export type CorrectionRow = Omit<Correction, 'field'> & { field: string; on: string };

/** Keeps corrections; the order in which they lie says nothing of who gave which. */
export async function insertCorrections(db: Db, corrections: readonly Correction[], now: Instant) {
  const on = new Date(now).toISOString().slice(0, 10);
  await db('corrections').insert(corrections.map((c) => ({ ...c, given_on: on })));
}

/** Corrections, the newest days first; `most` of them. */
export async function correctionRows(db: Db, most: number): Promise<CorrectionRow[]> {
  const rows = await db('corrections')
    .orderBy([{ column: 'given_on', order: 'desc' }, 'field', 'id'])
    .limit(most)
    .select('field', 'words', 'read', 'meant', 'sure', db.raw(`to_char(given_on, 'YYYY-MM-DD') as "on"`));
  return rows.map((r) => ({ ...r, sure: Number(r.sure) }));
}

export async function countCorrections(db: Db): Promise<number> {
  return Number((await db('corrections').count('*'))[0]?.count);
}

/** Forgets them all, and gives how many there were. */
export const deleteCorrections = (db: Db): Promise<number> => db('corrections').delete();
