import { appendFileSync } from 'node:fs';
import type { Reporter, TestCase, TestResult, TestStep } from '@playwright/test/reporter';

const SLOWEST = 10;
const FIRST_LINES = 6;
const LAST_STEPS = 4;

const inLines = (steps: readonly TestStep[]): string[] =>
  steps
    .filter((step) => step.category !== 'hook' && step.category !== 'fixture')
    .map((step) => {
      const { line = 0, file = '' } = step.location ?? {};
      return `${(step.duration / 1_000).toFixed(1)} s  ${file.split('/').pop() ?? ''}:${line}  ${step.title}`;
    });

/** What a red test says: each of its errors, the steps it made last and those that took longest. */
function whatItSaid(result: TestResult): string[] {
  const errors = result.errors.flatMap((e) => (e.message ?? '').split('\n').slice(0, FIRST_LINES));
  const longest = [...result.steps].sort((a, b) => b.duration - a.duration).slice(0, LAST_STEPS);
  return [
    ...(errors.length > 0 ? errors : [result.status]),
    'Last:',
    ...inLines(result.steps.slice(-LAST_STEPS - 2)),
    'Longest:',
    ...inLines(longest),
  ];
}

/** Prints the slowest tests of a run: whoever adds one sees what to make quicker. What is red is noted for the very end, where all projects are done. */
export default class Slowest implements Reporter {
  private readonly took: { name: string; ms: number }[] = [];

  onTestEnd(test: TestCase, result: TestResult) {
    const name = test.titlePath().slice(2).join(' › ');
    this.took.push({ name, ms: result.duration });
    const { PULPIT_TEST_RED: file, PULPIT_TEST_RAN: ran } = process.env;
    if (ran) appendFileSync(ran, `${name}\n`);
    if (!file || result.status === test.expectedStatus || result.status === 'skipped') return;
    appendFileSync(file, `  ✘ ${name}\n    ${whatItSaid(result).join('\n    ')}\n`);
  }

  onEnd() {
    if (this.took.length <= SLOWEST) return;
    console.log('\nThe slowest:');
    for (const { name, ms } of this.took.sort((a, b) => b.ms - a.ms).slice(0, SLOWEST))
      console.log(`  ${(ms / 1_000).toFixed(1)} s  ${name.slice(0, 120)}`);
  }
}
