import { appendFileSync } from 'node:fs';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

const SLOWEST = 10;
const FIRST_LINES = 6;

/** Prints the slowest tests of a run: whoever adds one sees what to make quicker. What is red is noted for the very end, where all projects are done. */
export default class Slowest implements Reporter {
  private readonly took: { name: string; ms: number }[] = [];

  onTestEnd(test: TestCase, result: TestResult) {
    const name = test.titlePath().slice(2).join(' › ');
    this.took.push({ name, ms: result.duration });
    const file = process.env.PULPIT_TEST_RED;
    if (!file || result.status === test.expectedStatus || result.status === 'skipped') return;
    const said = (result.error?.message ?? result.status).split('\n').slice(0, FIRST_LINES).join('\n    ');
    appendFileSync(file, `  ✘ ${name}\n    ${said}\n`);
  }

  onEnd() {
    if (this.took.length <= SLOWEST) return;
    console.log('\nThe slowest:');
    for (const { name, ms } of this.took.sort((a, b) => b.ms - a.ms).slice(0, SLOWEST))
      console.log(`  ${(ms / 1_000).toFixed(1)} s  ${name.slice(0, 120)}`);
  }
}
