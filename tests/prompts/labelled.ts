import { readFileSync, readdirSync } from 'node:fs';

export type Labelled = { id: string; text: string; gold: object };

const here = (name: string) => new URL(name, import.meta.url);

/** Prompts of our own: "=== id | style | subject", the text, and "--- {what it requires}". */
export function ownPrompts(): Labelled[] {
  return readdirSync(here('.'))
    .filter((name) => /^labelled-\d+\.txt$/u.test(name))
    .flatMap((name) => readFileSync(here(name), 'utf8').split(/^=== /mu).slice(1))
    .map((block) => {
      const [head = ''] = block.split('\n', 1);
      const body = block.slice(head.length + 1);
      const cut = body.lastIndexOf('\n--- ');
      return {
        id: head.split(' | ')[0] ?? '',
        text: body.slice(0, cut),
        gold: JSON.parse(body.slice(cut + 5)) as object,
      };
    });
}

export const developmentPrompts = (): Labelled[] =>
  readFileSync(here('development.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Labelled);
