import { asBrief } from '@/core/prompts/as-brief';
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

export type Score = { right: number; wrong: string[]; missed: string[]; f1: number };

/** How many of the facts a set's labels hold are read, and how many are read that they do not hold. */
export function scoreOf(prompts: readonly Labelled[]): Score {
  let right = 0;
  const wrong: string[] = [];
  const missed: string[] = [];
  for (const { id, text, gold } of prompts) {
    const wanted = new Set(factsOf(gold));
    const got = new Set(factsOf(asBrief(readPrompt(text).facts)));
    for (const fact of got) {
      if (wanted.has(fact)) right += 1;
      else wrong.push(`${id} ${fact}`);
    }
    for (const fact of wanted) if (!got.has(fact)) missed.push(`${id} ${fact}`);
  }
  return { right, wrong, missed, f1: (2 * right) / (2 * right + wrong.length + missed.length) };
}
