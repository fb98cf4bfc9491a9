import { writeFileSync } from 'node:fs';
import { auc } from '../tests/replies/held-out';
import { replySets } from '../tests/replies/labelled';
import { chanceOf, fitted, linesOf, rowOf, type Row } from './learn/replies';

/*
 * npm run -s learn-replies -- --lines      the lines along which sentences of replies differ (first, once a set is added)
 * npm run -s learn-replies                 learns from all labelled replies and writes what replies are weighed by
 * npm run -s learn-replies -- --held-out   of each subject, how it is judged by what the others teach
 */

const sets = replySets();
const at = (name: string) => new URL(`../src/core/substance/${name}`, import.meta.url);
const short = (v: number) => Number(v.toFixed(4));

if (process.argv.includes('--lines')) {
  const { mean, lines } = await linesOf(sets.flatMap((s) => s.replies));
  const numbers = (v: readonly number[]) => `[${v.map(short).join(', ')}]`;
  writeFileSync(
    at('components.ts'),
    `/* Written by "npm run learn-replies -- --lines"; not to be changed by hand. */\n\n/** The middle of the sentences of labelled replies, posts and prompts. */\nexport const MEAN: readonly number[] = ${numbers(mean)};\n/** The lines along which sentences of replies differ most. */\nexport const COMPONENTS: readonly (readonly number[])[] = [${lines.map(numbers).join(',\n')}];\n`,
  );
} else {
  const rows: (Row & { set: string })[] = [];
  for (const { name, replies } of sets)
    for (const reply of replies) rows.push({ ...(await rowOf(reply)), set: name });
  if (process.argv.includes('--held-out')) {
    const of = (r: Row & { set: string }) => `${r.set} ${r.reply.discussion}`;
    const judged = [...new Set(rows.map(of))].flatMap((subject) => {
      const fit = fitted(rows.filter((r) => of(r) !== subject));
      return rows
        .filter((r) => of(r) === subject)
        .map((r) => ({ ...r.reply, set: r.set, score: chanceOf(fit, r.values) }));
    });
    for (const name of ['all', ...sets.map((s) => s.name)]) {
      const some = judged.filter((j) => name === 'all' || j.set === name);
      const right = some.filter((j) => j.score >= 0.5 === j.substantive).length / some.length;
      const said = some.filter((j) => j.score >= 0.75);
      const empty = some.filter((j) => !j.substantive);
      process.stdout.write(
        `${name}: AUC ${auc(some).toFixed(3)}, right ${right.toFixed(3)} of ${some.length}; called substantive ${said.length}, of them so ${said.filter((j) => j.substantive).length}; of ${empty.length} empty ones ${empty.filter((j) => j.score >= 0.75).length}\n`,
      );
    }
  } else {
    const { bias, of } = fitted(rows);
    const lines = of.map(
      ({ mean, spread, weight }) =>
        `    { mean: ${short(mean)}, spread: ${short(spread)}, weight: ${short(weight)} },`,
    );
    writeFileSync(
      at('learned.ts'),
      `/* Written by "npm run learn-replies"; not to be changed by hand. Learned from ${rows.length} labelled replies. */\n\n/** What each measure of a reply weighs: the ten by its words first, then those by its meaning. */\nexport const LEARNED: { bias: number; of: readonly { mean: number; spread: number; weight: number }[] } = {\n  bias: ${short(bias)},\n  of: [\n${lines.join('\n')}\n  ],\n};\n`,
    );
  }
}
process.exit(0);
