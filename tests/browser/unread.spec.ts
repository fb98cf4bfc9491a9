import { expect, test, type Page } from './test';
import { enterAs, loseOne, startAfresh } from './help';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

const PLA = '/discussions/pla-204-w6/conversation';
const fresh = (page: Page) =>
  page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('listitem')
    .filter({ hasText: /\d unread/u });

async function unreadOf(page: Page): Promise<number> {
  await page.goto('/discussions?course=pla-204&needs=me');
  const text = await page.getByRole('listitem').filter({ hasText: 'A sign that lies' }).innerText();
  return Number(/(\d+) unread/u.exec(text)?.[1] ?? 0);
}

test('what lies behind another window is not read, however long', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(document, 'visibilityState', { get: () => 'hidden' });
  });
  await enterAs(page, 'Imani Okoro', PLA);
  const before = await unreadOf(page);
  await page.goto(`${PLA}?show=unread`);
  await page
    .getByRole('navigation', { name: 'Responses' })
    .locator('ul')
    .last()
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByRole('article').first()).toBeVisible();
  const shown = await page.evaluate(() => performance.now());
  await page.waitForFunction((since) => performance.now() > since + 2_500, shown);
  await expect(
    page
      .getByRole('article')
      .first()
      .getByRole('button', { name: /^Unread: mark as/ }),
  ).toBeVisible();
  expect(await unreadOf(page)).toBe(before);
});

test('a mark whose way to the server was cut is sent again', async ({ page }) => {
  const lost = await loseOne(page, { method: 'POST', holding: '/reads', before: true });
  await enterAs(page, 'Imani Okoro', `${PLA}?show=unread`);
  await page
    .getByRole('navigation', { name: 'Responses' })
    .locator('ul')
    .last()
    .getByRole('link')
    .first()
    .click();
  const again = page.waitForResponse((r) => r.url().endsWith('/reads') && r.ok(), { timeout: 40_000 });
  await expect(
    page
      .getByRole('article')
      .first()
      .getByRole('button', { name: /^Read: mark as/ }),
  ).toBeVisible();
  await again;
  expect(await lost()).toBe(1);
});

test('what one reads is read, here and on another device, and can be set back', async ({ page, browser }) => {
  await enterAs(page, 'Imani Okoro', PLA);
  const before = await unreadOf(page);
  expect(before).toBeGreaterThan(5);
  await page.goto(`${PLA}?show=unread`);
  const line = page
    .getByRole('navigation', { name: 'Responses' })
    .locator('ul')
    .last()
    .getByRole('link')
    .filter({ hasText: 'Kwame Sorley' });
  await line.click();
  const post = page.getByRole('article').first();
  const mark = post.getByRole('button', { name: /^(Unread|Read): mark as/ });
  await expect(mark).toHaveText('unread');
  const sent = page.waitForResponse((r) => r.url().endsWith('/reads') && r.ok());
  await expect(mark).toHaveText('read');
  await sent;

  const elsewhere = await (await browser.newContext()).newPage();
  await enterAs(elsewhere, 'Imani Okoro', '/discussions');
  expect(await unreadOf(elsewhere)).toBeLessThan(before);
  await elsewhere.context().close();

  const back = page.waitForResponse((r) => r.url().endsWith('/reads') && r.ok());
  await mark.click();
  await back;
  await expect(mark).toHaveText('unread');
  await page.reload();
  await expect(mark).toHaveText('unread');
});

test('“mark all read” does so, also without scripts', async ({ browser }) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await enterAs(page, 'Imani Okoro', PLA);
  await page.getByRole('button', { name: 'Mark all read' }).click();
  await expect(page.getByRole('link', { name: 'Unread 0' })).toBeVisible();
  await expect(fresh(page)).toHaveCount(0);
  expect(await unreadOf(page)).toBe(0);
  await page.context().close();
});
