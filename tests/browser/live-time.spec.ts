import { expect, test } from './test';
import { enterAs, setClock, startAfresh, START } from './help';

test.beforeAll(() => startAfresh());
test.afterAll(() => setClock(START));

/** Thu 15 Oct 23:59 in London: the first moment that is too late. */
const DUE = Date.UTC(2026, 9, 15, 23, 0);

test('a deadline counts down by the second and passes on time, without a reload', async ({ page }) => {
  await setClock(DUE - 25_000);
  await enterAs(page, 'Imani Okoro');
  const line = page.getByRole('listitem').filter({ hasText: 'Should the Amber valley levees' });
  await expect(line).toContainText(/Response in \d+ s/);
  let reloads = 0;
  page.on('domcontentloaded', () => (reloads += 1));
  await expect(line).toContainText('Response missed', { timeout: 60_000 });
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('1 response');
  expect(reloads).toBe(0);
});

test('a computer that slept wakes to the server’s time, whatever its own clocks did', async ({ page }) => {
  await page.addInitScript(() => {
    // Sleeping stops the monotonic clock and not the other: one goes on by two days, the other does not.
    const RealDate = Date;
    let slept = 0;
    class SleepyDate extends RealDate {
      constructor(...args: unknown[]) {
        if (args.length === 0) super(RealDate.now() + slept);
        else super(...(args as [number]));
      }
      static now() {
        return RealDate.now() + slept;
      }
    }
    Object.assign(window, { Date: SleepyDate, sleepFor: (ms: number) => (slept += ms) });
  });
  await setClock(DUE - 2 * 86_400_000);
  await enterAs(page, 'Imani Okoro');
  const line = page.getByRole('listitem').filter({ hasText: 'Should the Amber valley levees' });
  await expect(line).toContainText('Response in 1 d 23 h');
  // It answers to a key: it has come to life, and knows the server's time. Before that there is nothing to wake.
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.getByRole('combobox')).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await page.keyboard.press('Escape');
  await setClock(DUE - 3_600_000);
  await page.evaluate(() =>
    (window as unknown as { sleepFor: (ms: number) => void }).sleepFor(47 * 3_600_000),
  );
  await expect(line).toContainText(/Response in (59 min|1 h)/, { timeout: 40_000 });
  await setClock(DUE + 5_000);
  await page.evaluate(() => (window as unknown as { sleepFor: (ms: number) => void }).sleepFor(3_600_000));
  await expect(line).toContainText('Response missed', { timeout: 40_000 });
});

test('a browser that runs ahead does not decide: the server’s word is waited for', async ({ page }) => {
  await setClock(DUE - 110_000);
  await enterAs(page, 'Imani Okoro');
  const line = page.getByRole('listitem').filter({ hasText: 'Should the Amber valley levees' });
  await expect(line).toContainText(/Response in (1 min )?\d+ s/);
  // It ticks: the page has come to life, and knows the server's time.
  const asRendered = await line.innerText();
  await expect.poll(() => line.innerText()).not.toBe(asRendered);
  // The page's clock jumps past the deadline; it finds out that it is wrong when it asks.
  const asked = page.waitForResponse((answer) => new URL(answer.url()).pathname === '/clock');
  await page.evaluate(() => {
    const real = performance.now.bind(performance);
    performance.now = () => real() + 200_000;
  });
  await asked;
  await expect(line).toContainText(/Response in (1 min )?\d\d s/, { timeout: 30_000 });
  await expect(line).not.toContainText('missed');
});
