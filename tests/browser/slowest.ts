import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

const SLOWEST = 10;

/** Prints the slowest tests of a run: whoever adds one sees what to make quicker. */
export default class Slowest implements Reporter {
  private readonly took: { name: string; ms: number }[] = [];

  onTestEnd(test: TestCase, result: TestResult) {
    this.took.push({ name: test.titlePath().slice(2).join(' › '), ms: result.duration });
  }

  onEnd() {
    if (this.took.length <= SLOWEST) return;
    console.log('\nThe slowest:');
    for (const { name, ms } of this.took.sort((a, b) => b.ms - a.ms).slice(0, SLOWEST))
      console.log(`  ${(ms / 1_000).toFixed(1)} s  ${name.slice(0, 120)}`);
  }
}
