import { asBrief } from '@/core/prompts/as-brief';
import type { Finding } from '@/core/prompts/findings';
import { readPrompt } from '@/core/prompts/read-prompt';
import type { Labelled } from './labelled';

/** A brief as a set of `path=value`, so that two can be compared fact by fact. */
function factsOf(value: unknown, path = ''): string[] {
  if (value === null || value === undefined || value === false) return [];
  if (path.endsWith('.media')) {
    return (value as { kind: string; min?: number }[]).map((m) => `${path}.${m.kind}.min=${m.min ?? 1}`);
  }
  if (typeof value === 'object') {
    return Object.entries(value).flatMap(([key, v]) => factsOf(v, path ? `${path}.${key}` : key));
  }
  return [
    `${path}=${String(value)
      .trim()
      .toLowerCase()
      .replace(/[.\s]+$/u, '')}`,
  ];
}

export type Score = {
  right: number;
  wrong: string[];
  missed: string[];
  f1: number;
  /** Prompts of which nothing was missed and nothing wrong. */
  whole: number;
  of: number;
};

/** How many of the facts that labels hold were read, and how many were read that they do not hold. */
export function scored(all: readonly { id: string; gold: object; facts: Finding[] }[]): Score {
  let right = 0;
  let whole = 0;
  const wrong: string[] = [];
  const missed: string[] = [];
  for (const { id, gold, facts } of all) {
    const wanted = new Set(factsOf(gold));
    const got = new Set(factsOf(asBrief(facts)));
    const over = [...got].filter((f) => !wanted.has(f));
    const under = [...wanted].filter((f) => !got.has(f));
    right += got.size - over.length;
    whole += over.length + under.length === 0 ? 1 : 0;
    wrong.push(...over.map((f) => `${id} ${f}`));
    missed.push(...under.map((f) => `${id} ${f}`));
  }
  const f1 = (2 * right) / Math.max(1, 2 * right + wrong.length + missed.length);
  return { right, wrong, missed, f1, whole, of: all.length };
}

/** Whether a single fact is what the labels hold; null where they have no place for it. */
export function isRight(gold: object, fact: Finding): boolean | null {
  const wanted = new Set(factsOf(gold));
  const said = factsOf(asBrief([fact]));
  return said.length ? said.every((f) => wanted.has(f)) : null;
}

export const scoreOf = (
  prompts: readonly Labelled[],
  read: (text: string) => { facts: Finding[] } = readPrompt,
): Score => scored(prompts.map(({ id, text, gold }) => ({ id, gold, facts: read(text).facts })));

export const said = ({ f1, right, wrong, missed, whole, of }: Score) =>
  `F1 ${f1.toFixed(3)} (${right} right, ${wrong.length} wrong, ${missed.length} missed), without a fault ${whole} of ${of}`;
