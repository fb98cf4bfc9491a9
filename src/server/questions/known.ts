import { LRUCache } from 'lru-cache';
import { meaningsIn } from '@/db/queries/question-meanings';
import type { Db } from '@/db/connection';

/** Eight kilobytes each: those of a few large courses. */
const MOST_KEPT = 4_000;
/** What questions mean, as this process has read it; by the words it is of, so that other words are another meaning. */
const kept = new LRUCache<string, Float32Array>({ max: MOST_KEPT });

const keyOf = ({ id, learnt }: { id: string; learnt: string }) => `${id} ${learnt}`;

/** What some questions mean, that somebody may read: each is read from the database once in the life of its words. */
export async function meaningsFor(
  db: Db,
  questions: readonly { id: string; learnt: string }[],
): Promise<{ id: string; meaning: Float32Array }[]> {
  const missing = questions.filter((q) => !kept.has(keyOf(q)));
  const read = await meaningsIn(
    db,
    missing.map((q) => q.id),
  );
  for (const q of missing) kept.set(keyOf(q), Float32Array.from(read.get(q.id) ?? []));
  return questions.map((q) => ({
    id: q.id,
    meaning: kept.get(keyOf(q)) ?? Float32Array.from(read.get(q.id) ?? []),
  }));
}
