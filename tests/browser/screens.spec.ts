import { expect, test } from './test';
import { enterAs, startAfresh } from './help';

test.beforeAll(() => startAfresh());

test('everything is reached by keyboard: from the week to a check’s evidence and back', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  await page.keyboard.press('g');
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/\/discussions$/u);
  await page.keyboard.press('g');
  await page.keyboard.press('w');
  await expect(page).toHaveURL(/\/$/u);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('link', { name: /Continue draft/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Title' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Your response' })).toBeFocused();
  await page.getByRole('button', { name: /^Course ideas/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.locator('.evidence').first()).toBeVisible();
});

test('a key that is pressed in the moment in which one page gives way to the next is heard', async ({
  page,
}) => {
  // Pressed as soon as the next page stands, before whatever it does afterwards.
  await page.addInitScript(() => {
    const push = history.pushState.bind(history);
    history.pushState = (...to) => {
      push(...to);
      queueMicrotask(() =>
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true })),
      );
    };
  });
  await enterAs(page, 'Imani Okoro');
  await page.keyboard.press('g');
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/\/discussions$/u);
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});

test('j and k walk through a conversation, Back and reload stay where they were', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation?show=all');
  const responses = page.getByRole('navigation', { name: 'Responses' });
  await responses.getByRole('link', { name: /Teodora Lind/ }).click();
  await expect(page.getByRole('article', { name: 'Response by Teodora Lind' })).toBeVisible();
  await page.keyboard.press('j');
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
  await page.keyboard.press('k');
  await expect(page.getByRole('article', { name: 'Response by Teodora Lind' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
});

test('the account menu chooses the paper and moves the demo’s clock', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  const choose = async (item: string) => {
    // A page that has not come to life yet has no menu to open.
    await expect(async () => {
      await page.getByRole('button', { name: /^Account of/ }).click();
      await expect(page.getByRole('menuitem', { name: item })).toBeVisible({ timeout: 2_000 });
    }).toPass();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await choose('Dark');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await choose('3 days on');
  await expect(page.getByText(/^Fri 16 Oct, 16:4/)).toBeVisible();
  await expect(page.getByText(/response missed/i).first()).toBeVisible();
});
