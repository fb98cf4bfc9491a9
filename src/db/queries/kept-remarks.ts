import type { PersonId } from '@/core/ids';
import { REMARK_KEYS } from '@/core/marks/kept-remarks';
import type { Ask } from '../ask';
import type { Db } from '../connection';

/** The remarks somebody keeps for marking, by key: empty where there is none. */
export const keptRemarks = (db: Db, person: PersonId): Ask<string[]> => ({
  query: db('kept_remarks').where({ person_id: person }).select('key', 'body'),
  read: (rows) => {
    const by = new Map<number, string>(rows.map((r) => [r.key, r.body]));
    return REMARK_KEYS.map((key) => by.get(key) ?? '');
  },
});

/** Keeps a remark under its key; an empty one is taken away. */
export async function putRemark(db: Db, person: PersonId, key: number, body: string) {
  const at = { person_id: person, key };
  if (body === '') await db('kept_remarks').where(at).delete();
  else
    await db('kept_remarks')
      .insert({ ...at, body })
      .onConflict(['person_id', 'key'])
      .merge();
}
