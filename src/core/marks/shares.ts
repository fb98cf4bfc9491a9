import { shuffled } from '../desk/groups';
import { groupBy } from '../group';

/** How a class is shared out among those who mark it. */
export const SHARED_BY = ['letter', 'group', 'chance'] as const;
export type SharedBy = (typeof SHARED_BY)[number];

/** Somebody to be marked, with the group they are in. */
export type ToMark = { id: string; name: string; group: string | null };

/**
 * Shares a class out among those who mark it: by letter each takes a stretch of the alphabet, by chance whoever it falls to, and by group
 * whole groups, the largest first to whoever has least; whoever is in no group counts as a group alone. Everybody is somebody's, once.
 *
 * @param markers at least one
 * @param random from 0 to below 1
 * @returns who marks whom
 * @example shareOut(five, ['holt', 'grey'], 'letter', random) // three by letter to Holt, two to Grey
 */
export function shareOut(
  people: readonly ToMark[],
  markers: readonly string[],
  by: SharedBy,
  random: () => number,
): Map<string, string> {
  const out = new Map<string, string>();
  if (by === 'group') {
    const alone = (p: ToMark) => p.group ?? `alone ${p.id}`;
    const groups = [...groupBy(people, alone).values()].sort((a, b) => b.length - a.length);
    const count = new Map(markers.map((m) => [m, 0]));
    for (const group of groups) {
      const [least] = [...count].sort((a, b) => a[1] - b[1]);
      if (!least) break;
      group.forEach((p) => out.set(p.id, least[0]));
      count.set(least[0], least[1] + group.length);
    }
    return out;
  }
  const order =
    by === 'chance'
      ? shuffled(people, random)
      : [...people].sort((a, b) => a.name.localeCompare(b.name, 'en') || (a.id < b.id ? -1 : 1));
  order.forEach((p, i) => {
    const marker = markers[Math.floor((i * markers.length) / order.length)];
    if (marker !== undefined) out.set(p.id, marker);
  });
  return out;
}
