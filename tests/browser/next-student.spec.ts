import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

const STEPS = 12;
/** What is asked: the next student is there within this, in milliseconds, once their page has been fetched ahead. */
const NEXT_MS = 100;

test('the next student is there in less than a tenth of a second', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', '/courses/geo-115/desk/geo-115-w5/marking');
  const sheet = page.getByRole('form', { name: /^Mark for/u });
  await expect(sheet).toBeVisible();
  const times: number[] = [];
  for (let i = 0; i < STEPS; i += 1) {
    // The page of the next has been fetched ahead, as it is while one reads.
    const next = (await page.locator('[data-key-next]').getAttribute('href')) ?? '';
    const student = new URLSearchParams(next.split('?')[1]).get('student') ?? '';
    await page.waitForFunction(
      (id) =>
        performance
          .getEntriesByType('resource')
          .some((e) => e.name.includes(id) && (e as PerformanceResourceTiming).responseEnd > 0),
      student,
    );
    times.push(
      await page.evaluate(
        () =>
          new Promise<number>((done) => {
            const name = () => document.querySelector('[data-own-keys]')?.getAttribute('aria-label');
            const before = name();
            const began = performance.now();
            new MutationObserver((_, observer) => {
              if (name() === before) return;
              observer.disconnect();
              requestAnimationFrame(() => done(performance.now() - began));
            }).observe(document.body, { subtree: true, childList: true, attributes: true });
            document.body.dispatchEvent(
              new KeyboardEvent('keydown', { key: 'j', bubbles: true, cancelable: true }),
            );
          }),
      ),
    );
  }
  const sorted = [...times].sort((a, b) => a - b);
  const middle = sorted[STEPS / 2] ?? Infinity;
  console.log(
    `next student: middle ${middle.toFixed(0)} ms, most ${(sorted.at(-1) ?? 0).toFixed(0)} of ${STEPS}`,
  );
  expect(middle).toBeLessThan(NEXT_MS);
});
