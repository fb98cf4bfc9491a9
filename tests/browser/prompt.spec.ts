import { expect, test } from './test';
import { enterAs, startAfresh } from './help';

test.beforeAll(() => startAfresh());

test('each requirement is underlined in the prompt with the state of its check, and pointing shows the other', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const prompt = page.getByRole('region', { name: 'Prompt' });
  const words = prompt.getByRole('button', { name: /^at least 250 words/ });
  const ideas = prompt.getByRole('button', { name: /^two ideas/ });
  const check = page.getByRole('button', { name: /^Own words/ });
  await expect(check).toBeVisible();
  await expect(words).toHaveAccessibleName(/Own words \d+ \/ 250, not met yet/);
  await expect(ideas).toHaveAccessibleName(/Course ideas 2 \/ 2\)$/);

  await check.hover();
  await expect(words).toHaveAttribute('aria-pressed', 'true');
  await expect(ideas).toHaveAttribute('aria-pressed', 'false');

  // The other way, and by key alone.
  await words.focus();
  await expect(words).toBeFocused();
  await expect(check).toHaveClass(/bg-mark/);
  await page.keyboard.press('Tab');
  await expect(ideas).toBeFocused();
  await expect(check).not.toHaveClass(/bg-mark/);
});

test('the state in the prompt follows the writing', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const prompt = page.getByRole('region', { name: 'Prompt' });
  const source = prompt.getByRole('button', { name: /^at least one source/ });
  await expect(source).toHaveAccessibleName(/Sources 0 \/ 1, not met yet/);
  await page.getByRole('textbox', { name: 'Your response' }).getByRole('paragraph').last().click();
  await page.keyboard.type('The other side says that soil stays cold (Amber Growers, 2020).');
  await expect(source).toHaveAccessibleName(/Sources 1 \/ 1\)$/);
});

test('where text and rules differ, a student is shown the stricter and staff the difference', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w7/response');
  const prompt = page.getByRole('region', { name: 'Prompt' });
  await expect(prompt.getByRole('note').first()).toContainText(
    'Its text says “at least 150 words”, its rules say “at least 120 words”. Keep to “at least 150 words”',
  );
  await expect(prompt.getByRole('listitem').filter({ hasText: 'at least 150 own words' })).toContainText(
    '(unclear)',
  );

  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Prof. Elias Wick', '/discussions/pla-204-w7/response');
  await expect(staff.getByRole('note').first()).toContainText('Text and rules of this prompt differ');
  await expect(staff.getByRole('textbox')).toHaveCount(0);
  await staff.context().close();
});
