export type Random = () => number;

/** A generator that gives the same run for the same seed (mulberry32). */
export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 0x1_0000_0000;
  };
}

export function pick<T>(from: readonly T[], random: Random): T {
  const found = from[Math.floor(random() * from.length)];
  if (found === undefined) throw new Error('nothing to pick from');
  return found;
}
