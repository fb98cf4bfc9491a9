import { GEO, editorOf } from './draft';
import { enterAs, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeEach(() => startAfresh());

/** Opens Imani's draft with no scripts yet: they come when told to. */
async function withoutScriptsYet(page: Page) {
  await enterAs(page, 'Imani Okoro', '/');
  let come = () => {};
  const scripts = new Promise<void>((done) => (come = done));
  await page.route('**/_next/static/**/*.js*', async (route) => {
    await scripts;
    await route.continue();
  });
  await page.goto(`${GEO}/response`, { waitUntil: 'commit' });
  return { come, share: page.getByRole('button', { name: 'Share with the class' }) };
}

/** Lets the scripts come, and waits until the editor is made: it has its text counted in a worker. */
async function scriptsRun(page: Page, come: () => void) {
  const counting = page.waitForEvent('worker');
  come();
  await counting;
}

test.use({ serviceWorkers: 'block' });

test('pressed before the scripts have come, Share asks on a page of its own', async ({ page }) => {
  const { share, come } = await withoutScriptsYet(page);
  await share.click();
  await expect(page).toHaveURL(/\/share/u);
  come();
  await expect(page.getByRole('button', { name: /Share it/u })).toBeVisible();
});

test('a press that is held while the editor comes is still heard', async ({ page }) => {
  const { share, come } = await withoutScriptsYet(page);
  await share.hover();
  await page.mouse.down();
  await scriptsRun(page, come);
  await page.mouse.up();
  await expect(page).toHaveURL(/\/share/u);
});

test('a press that ends beside its button does nothing, and then the editor comes', async ({ page }) => {
  const { share, come } = await withoutScriptsYet(page);
  await share.hover();
  await page.mouse.down();
  await scriptsRun(page, come);
  await expect(editorOf(page)).toHaveCount(0);
  await page.mouse.move(4, 4);
  await page.mouse.up();
  await expect(editorOf(page)).toBeVisible();
  await expect(page).toHaveURL(/\/response/u);
});
