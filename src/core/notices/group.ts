import { groupBy } from '../group';

type Grouped = { topic: string; seenAt: number | null; lastAt: number };

/**
 * Notices of one topic stand together, those not seen apart from those seen; the group with the latest first, and in each the latest first.
 *
 * @example two replies to one's post, neither seen // one group of two
 */
export function groupNotices<T extends Grouped>(notices: readonly T[]): T[][] {
  const groups = groupBy(notices, (n) => `${n.seenAt === null} ${n.topic}`);
  return [...groups.values()]
    .map((group) => [...group].sort((a, b) => b.lastAt - a.lastAt))
    .sort((a, b) => (b[0]?.lastAt ?? 0) - (a[0]?.lastAt ?? 0));
}
