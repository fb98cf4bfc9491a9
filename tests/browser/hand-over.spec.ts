import { GEO, editorOf } from './draft';
import { enterAs, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeEach(() => startAfresh());

/** Opens a page to write on with no scripts yet: they come when told to. */
async function withoutScriptsYet(page: Page, path = `${GEO}/response`) {
  await enterAs(page, 'Imani Okoro', '/');
  let come = () => {};
  const scripts = new Promise<void>((done) => (come = done));
  await page.route('**/_next/static/**/*.js*', async (route) => {
    await scripts;
    await route.continue();
  });
  await page.goto(path, { waitUntil: 'commit' });
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

test('what was typed before the scripts have come is in the editor, and is kept', async ({ page }) => {
  const { come } = await withoutScriptsYet(page);
  await page.getByRole('textbox', { name: 'Title' }).fill('Typed early');
  const fields = page.locator('textarea[name=text]');
  await fields.last().fill('The third answer, typed early.');
  await scriptsRun(page, come);
  await expect(editorOf(page)).toContainText('The third answer, typed early.');
  // Whoever is typing types on.
  await page.keyboard.type(' And on.');
  await expect(editorOf(page)).toContainText('The third answer, typed early. And on.');
  // What stood in the other parts stays.
  await expect(editorOf(page)).toContainText('I would move the levees back.');
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Typed early');
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
  await page.reload();
  await expect(editorOf(page)).toContainText('The third answer, typed early. And on.');
});

test('what was typed beside a question before the scripts have come is still there, and is asked', async ({
  page,
}) => {
  const { come } = await withoutScriptsYet(page, '/courses/geo-115/questions?ask=hands');
  const choices = page.getByRole('textbox', { name: 'Choices, one on each line' });
  await choices.fill('left bank\nright bank');
  await page.getByRole('checkbox', { name: /With names/u }).check();
  await page.getByRole('textbox', { name: 'Title' }).fill('On which side?');
  await scriptsRun(page, come);
  await expect(page.getByRole('textbox', { name: 'What you ask' })).toBeVisible();
  await expect(choices).toHaveValue('left bank\nright bank');
  await page.getByRole('combobox', { name: 'Seen' }).selectOption('now');
  await expect(choices).toHaveValue('left bank\nright bank');
  await page.getByRole('button', { name: 'Ask for hands' }).click();
  await expect(page.getByRole('region', { name: 'Show of hands' })).toContainText('Your name will stand');
});
