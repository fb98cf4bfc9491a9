import type { Learned } from '@/core/prompts/decide/learned';
import { QUESTIONS } from './labels';
import type { Prompt } from './material';

/** What was learned as a module: a line for each feature, and above it what it was learned from. */
export function packed(learned: Learned, prompts: readonly Prompt[]): string {
  const sets = [...new Set(prompts.map((p) => p.set))].map(
    (set) => `${set} (${prompts.filter((p) => p.set === set).length})`,
  );
  const blocks = QUESTIONS.map((q) => {
    const { classes, weights } = learned[q];
    const lines = Object.entries(weights).map(([f, of]) => {
      const sparse = of.flatMap((w, k) => (Math.abs(w) >= 0.04 ? [`${k}=${Math.round(w * 100)}`] : []));
      return `${f}\t${sparse.join(' ')}`;
    });
    return [`# ${q}\t${classes.join(' ')}`, ...lines].join('\n');
  });
  const text = blocks.join('\n').replaceAll('\\', '\\\\').replaceAll('`', '\\`').replaceAll('${', '\\${');
  return `/*\n * Written by "npm run learn-prompts"; not to be changed by hand. Learned from ${prompts.length} labelled prompts:\n * ${sets.join(', ')}.\n */\nexport const WEIGHTS = \`${text}\`;\n`;
}
