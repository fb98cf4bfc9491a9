import { expect, test, type Page } from './test';
import { enterAs, startAfresh } from './help';

test.beforeAll(() => startAfresh());

const titles = (page: Page) => page.getByRole('main').getByRole('heading', { level: 3 });

test('Discussions begin with this week, and say in words what is closed, open, and not open yet', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions');
  await expect(titles(page).first()).toHaveText('Should the Amber valley levees be moved back?');
  const line = (text: string) => page.getByRole('listitem').filter({ hasText: text });
  await expect(line('Take the dam out')).toContainText('Not open yet, opens Mon 19 Oct, 06:00');
  await expect(line('Who owns the water')).toContainText('Closed, for reading · 1 reply missed');
  await expect(line('A sign that lies')).toContainText('Response Wed 14 Oct, 18:00 (16:00 yours)');
  await expect(line('A sign that lies')).toContainText('2 replies to you');
  await expect(line('Should the Amber')).toContainText('25 unread, sealed');
});

test('the filter is in the address: Back takes it off, and a reload keeps it', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions');
  const filters = page.getByRole('navigation', { name: 'Filters' });
  await filters.getByRole('link', { name: 'SND 130' }).click();
  await expect(page).toHaveURL(/\?course=snd-130$/u);
  await filters.getByRole('link', { name: /^Closed/ }).click();
  await expect(page).toHaveURL(/course=snd-130&state=closed/u);
  await expect(titles(page)).toHaveCount(4);
  await page.reload();
  await expect(titles(page)).toHaveCount(4);
  await page.goBack();
  await expect(page).toHaveURL(/\?course=snd-130$/u);
  await expect(titles(page)).toHaveCount(8);
  await page.goto('/discussions?needs=me');
  await expect(titles(page)).toHaveCount(3);
  await page.goto('/discussions?state=closing');
  await expect(page.getByText('No discussion is like that.')).toBeVisible();
  // What an address cannot mean is as if it were not there.
  await page.goto('/discussions?state=nonsense&week=yesterday&needs=you');
  await expect(titles(page)).toHaveCount(25);
});

test('find opens by key, is walked by key, and gives the focus back', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  const field = page.getByRole('combobox', { name: /^Find/ });
  // Also before the scripts that act on keys have come.
  await page.keyboard.press('/');
  await expect(field).toBeFocused();
  await page.keyboard.type('laundry arrow');
  const first = page.getByRole('option').first();
  await expect(first).toContainText('What an arrow promises');
  await expect(first.locator('mark').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toBeHidden();
  await expect(page.getByRole('link', { name: /^Find/ })).toBeFocused();
  await page.keyboard.press('/');
  await page.getByRole('combobox').fill('syll pla');
  await expect(page.getByRole('option').first()).toContainText('PLA 204 syllabus');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/courses\/pla-204\/syllabus$/u);
});

test('a person narrows the search to their posts, a typo is forgiven, and nothing sealed is found', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro');
  await page.getByRole('link', { name: /^Find/ }).click();
  const field = page.getByRole('combobox');
  await field.fill('teodora');
  await page
    .getByRole('option', { name: /^Teodora Lind/ })
    .last()
    .click();
  await expect(field).toHaveValue('from:"teodora lind"');
  await expect(page.getByRole('option').first()).toContainText('Teodora Lind');
  await field.fill('keynot fridge');
  await expect(page.getByRole('option').first()).toContainText('fridge');
  await field.fill('fridgge');
  await expect(page.getByText(/^Nothing holds these words as they are typed/)).toBeVisible();
  await expect(page.getByRole('option').first()).toContainText('fridge');
  // Noor's sealed response of week 6 says "residual risk"; the reading does too, and may be found.
  await field.fill('"Rebuild them, but only to the old height"');
  await expect(page.getByText(/^Nothing found. Sealed posts are not searched/)).toBeVisible();
});

test('without scripts find is a page, with the same results', async ({ browser }) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await enterAs(page, 'Imani Okoro');
  await page.getByRole('link', { name: /^Find/ }).click();
  await page.getByRole('textbox', { name: /^Find/ }).fill('laundry');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByRole('link', { name: /What an arrow promises/ })).toBeVisible();
  await page.context().close();
});
