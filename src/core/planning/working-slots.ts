/** Work that must be done in slots `from` (inclusive) to `to` (exclusive), in any of them and in any order. */
export type Demand = { from: number; to: number; slots: number };

export type SlotRules = {
  /** Longest sitting, and shortest pause between two sittings, in slots; both at least 1. */
  sitting: number;
  pause: number;
};

/**
 * A sitting goes on for `run` slots, or one has rested for `rest` slots since the last (as many as the pause asks for,
 * or more, is the same). States are numbered: rest 0 … pause, then run 1 … sitting.
 */
type Path = { counts: number[]; cost: number; slot: number; before: Path | null };

const SITTING_COST = 6;
/** Real plans carry a handful of sets at one point of the search; beyond this many, those with least work go. */
const MOST_PATHS = 64;

const total = (path: Path) => path.counts.reduce((n, c) => n + c, 0);
const dominates = (a: number[], b: number[]) => a.every((n, i) => n >= (b[i] ?? 0));

function add(paths: Path[], path: Path) {
  for (let i = 0; i < paths.length; i += 1) {
    const other = paths[i];
    if (!other || !dominates(other.counts, path.counts)) continue;
    if (!dominates(path.counts, other.counts)) return;
    if (other.cost > path.cost) paths[i] = path;
    return;
  }
  let kept = 0;
  for (const other of paths) if (!dominates(path.counts, other.counts)) paths[kept++] = other;
  paths.length = kept;
  paths.push(path);
  if (paths.length > MOST_PATHS) paths.sort((a, b) => total(b) - total(a) || a.cost - b.cost).pop();
}

/**
 * Chooses the slots to work in, so that all demands can be met, no sitting is too long and no pause too short; null
 * when there is no such choice.
 *
 * A set of working slots W can serve all demands (in slots, with pre-emption, earliest deadline first) exactly when
 * for every release r and deadline d it has at least as many slots in [r, d) as the demands that lie within [r, d)
 * need: Hall's condition for convex bipartite graphs (Glover 1967). So the search walks the slots once and carries,
 * for each state of the sitting, the sets that are not worse in every count since a release than another. That is
 * exact: a set with fewer slots since every release can nowhere do what the other could not. Among sets that do
 * the same the one with less cost stays: early slots, few sittings.
 *
 * @param free whether each slot may be worked in
 * @returns numbers of the chosen slots, ascending
 *
 * @example workingSlots([true, true], [{ from: 0, to: 2, slots: 3 }], rules) // null
 */
export function workingSlots(
  free: readonly boolean[],
  demands: readonly Demand[],
  rules: SlotRules,
): number[] | null {
  const releases = [...new Set(demands.map((d) => d.from))].sort((a, b) => a - b);
  const within = (from: number, to: number) =>
    demands.reduce((n, d) => n + (d.from >= from && d.to <= to ? d.slots : 0), 0);
  const ends = [...new Set(demands.map((d) => d.to))].sort((a, b) => a - b);
  const last = ends[ends.length - 1] ?? 0;
  if (last > free.length || demands.some((d) => d.slots > d.to - d.from)) return null;
  const needs = new Map(ends.map((end) => [end, releases.map((r) => within(r, end))]));
  const most = releases.map((r) => within(r, last));

  const rest = (n: number) => Math.min(n, rules.pause);
  const run = (n: number) => rules.pause + n;
  const states = rules.pause + rules.sitting + 1;
  let now: Path[][] = Array.from({ length: states }, () => []);
  now[rest(rules.pause)] = [{ counts: releases.map(() => 0), cost: 0, slot: -1, before: null }];

  const worked = (path: Path, slot: number, opens: boolean): Path => ({
    counts: path.counts.map((n, i) => ((releases[i] ?? 0) <= slot ? Math.min(n + 1, most[i] ?? 0) : n)),
    cost: path.cost + slot / 96 + (opens ? SITTING_COST : 0),
    slot,
    before: path,
  });
  for (let slot = 0; slot < last; slot += 1) {
    const next: Path[][] = Array.from({ length: states }, () => []);
    now.forEach((paths, state) => {
      const running = state - rules.pause;
      for (const path of paths) {
        add(next[running > 0 ? rest(1) : rest(state + 1)] as Path[], path);
        if (!free[slot]) continue;
        if (running > 0 && running < rules.sitting)
          add(next[run(running + 1)] as Path[], worked(path, slot, false));
        if (state === rules.pause) add(next[run(1)] as Path[], worked(path, slot, true));
      }
    });
    const need = needs.get(slot + 1);
    now = need ? next.map((paths) => paths.filter((p) => dominates(p.counts, need))) : next;
  }
  const best = now.flat().sort((a, b) => a.cost - b.cost)[0];
  if (!best) return null;
  const chosen: number[] = [];
  for (let path: Path | null = best; path; path = path.before) if (path.slot >= 0) chosen.push(path.slot);
  return chosen.reverse();
}
