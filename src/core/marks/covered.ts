/** Somebody on a list whose names are covered. */
type Listed = { id: string; name: string };

/** A number that the same words always give (FNV-1a, 32 bits): even enough to shuffle a class by. */
function lot(words: string): number {
  let h = 0x811c9dc5;
  for (const c of words) h = Math.imul(h ^ (c.codePointAt(0) ?? 0), 0x01000193) >>> 0;
  return h;
}

/**
 * A class with its names covered and its order shuffled, so that neither says who somebody is: the same for one discussion whenever it is
 * asked, and another for the next.
 *
 * @param seed what the shuffle is of: the discussion
 * @example covered([{ id: 'b', name: 'Noor' }, { id: 'a', name: 'Jun' }], 'w5') // two students "Student 1" and "Student 2"
 */
export const covered = <T extends Listed>(people: readonly T[], seed: string): T[] =>
  [...people]
    .sort((a, b) => lot(`${seed} ${a.id}`) - lot(`${seed} ${b.id}`) || (a.id < b.id ? -1 : 1))
    .map((p, i) => ({ ...p, name: `Student ${i + 1}` }));
