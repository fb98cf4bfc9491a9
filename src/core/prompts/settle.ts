import type { Finding, Found } from './findings';

/**
 * One finding for each fact, the surest, and the first among equals; what says something else of it contradicts it.
 * @example settle([]).facts.length // 0
 */
export function settle(found: Found): { facts: Finding[]; contradictory: Finding[] } {
  const facts: Finding[] = [];
  const contradictory: Finding[] = [];
  const inOrder = [...found].sort((a, b) => b.confidence - a.confidence || a.start - b.start);
  for (const f of inOrder) {
    const taken = facts.find((x) => x.fact === f.fact);
    if (!taken) facts.push(f);
    else if (taken.value !== f.value) contradictory.push(f);
  }
  return { facts: facts.sort((a, b) => a.start - b.start || a.fact.localeCompare(b.fact)), contradictory };
}
