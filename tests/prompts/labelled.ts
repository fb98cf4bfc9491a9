import { readFileSync, readdirSync } from 'node:fs';

export type Labelled = { id: string; text: string; gold: object };
export type PromptSet = {
  name: string;
  /** The grammar was written while this set was looked at. */
  grammarKnows: boolean;
  /** The newest of our own: it measures, and is learned from once there is a newer one. */
  newest: boolean;
  prompts: Labelled[];
};

const here = (name: string) => new URL(name, import.meta.url);
/** The last of our own sets that the grammar was written with. */
const GRAMMAR_ENDS = 11;

/** Prompts of our own: "=== id | style | subject", the text, and "--- {what it requires}". */
const own = (file: string): Labelled[] =>
  readFileSync(here(file), 'utf8')
    .split(/^=== /mu)
    .slice(1)
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

const lines = (file: string): Labelled[] =>
  readFileSync(here(file), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Labelled);

/** All labelled prompts, in the order in which they were written. */
export function promptSets(): PromptSet[] {
  const numbered = readdirSync(here('.'))
    .flatMap((file) => /^labelled-(\d+)\.txt$/u.exec(file) ?? [])
    .filter((x) => /^\d+$/u.test(x))
    .map(Number)
    .sort((a, b) => a - b)
    .map((n) => ({ n, name: `own-${n}`, prompts: own(`labelled-${n}.txt`) }));
  return [
    { name: 'development', grammarKnows: true, newest: false, prompts: lines('development.jsonl') },
    ...numbered.map(({ n, name, prompts }) => ({
      name,
      grammarKnows: n <= GRAMMAR_ENDS,
      newest: n === numbered.length,
      prompts,
    })),
    { name: 'hard', grammarKnows: false, newest: false, prompts: lines('hard.jsonl') },
  ];
}
