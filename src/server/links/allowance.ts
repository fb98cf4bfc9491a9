import type { PersonId } from '@/core/ids';

const MOST_AT_ONCE = 20;
const MOST_A_WHILE = 120;
const WHILE_MS = 10 * 60_000;

type Used = { at: number[]; now: number };
const used = new Map<PersonId, Used>();

/**
 * Does what asks other servers something for a person, or nothing where they have asked too much: at most twenty links at a time
 * and a hundred and twenty in ten minutes, so that nobody asks the world through this server.
 *
 * @param links how many links are asked for
 * @returns null where it is too much
 */
export async function asking<T>(
  person: PersonId,
  links: number,
  now: number,
  work: () => Promise<T>,
): Promise<T | null> {
  for (const [who, { at, now: busy }] of used)
    if (busy === 0 && at.every((t) => t <= now - WHILE_MS)) used.delete(who);
  const theirs = used.get(person) ?? { at: [], now: 0 };
  theirs.at = theirs.at.filter((t) => t > now - WHILE_MS);
  if (theirs.now + links > MOST_AT_ONCE || theirs.at.length + links > MOST_A_WHILE) return null;
  theirs.now += links;
  for (let i = 0; i < links; i += 1) theirs.at.push(now);
  used.set(person, theirs);
  try {
    return await work();
  } finally {
    theirs.now -= links;
  }
}
