import { writeFileSync } from 'node:fs';
import { decided } from '@/core/prompts/decide/decide';
import { material, type Prompt } from './learn/material';
import { learnedFrom } from './learn/prompts';
import { packed } from './learn/packed';
import { settle } from '@/core/prompts/settle';
import { promptSets } from '../tests/prompts/labelled';
import { scored, said } from '../tests/prompts/score';

/*
 * npm run -s learn-prompts                 learns from all labelled prompts and writes what the reader decides by
 * npm run -s learn-prompts -- --held-out   of every set the grammar had not seen, how it is read by what the others teach
 * npm run -s learn-prompts -- --set=NAME   the same of one set, with what is wrong
 */

const prompts = material(promptSets().filter((s) => !s.newest));
const wanted = process.argv.find((a) => a.startsWith('--set='))?.slice(6);
const heldOut = process.argv.includes('--held-out');

const read = (p: Prompt, learned: ReturnType<typeof learnedFrom>) =>
  settle(decided(p.candidates, learned, p.ruled)).facts;

if (wanted || heldOut) {
  const sets = [...new Set(prompts.filter((p) => p.fresh).map((p) => p.set))];
  for (const set of sets.filter((s) => !wanted || s === wanted)) {
    const learned = learnedFrom(prompts.filter((p) => p.set !== set));
    const of = prompts.filter((p) => p.set === set);
    const score = scored(of.map((p) => ({ id: p.id, gold: p.gold, facts: read(p, learned) })));
    process.stdout.write(`${set}: ${said(score)}\n`);
    if (wanted)
      process.stdout.write(
        [...score.wrong.map((w) => `wrong ${w}`), ...score.missed.map((m) => `missed ${m}`)]
          .sort()
          .join('\n') + '\n',
      );
  }
} else {
  const learned = learnedFrom(prompts);
  writeFileSync(new URL('../src/core/prompts/decide/weights.ts', import.meta.url), packed(learned, prompts));
}
