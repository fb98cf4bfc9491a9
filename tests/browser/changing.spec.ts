import { PLA, editorOf, atTheEnd } from './draft';
import { enterAs, sentencesOf, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

test('a shared response is changed, the class reads “edited”, and its author and staff every version', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/response`);
  await page.getByRole('link', { name: 'Change or withdraw it' }).click();
  await expect(page.getByText('It cannot be withdrawn: somebody has answered it.')).toBeVisible();
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' One thing I saw later.');
  await expect(page.getByText('With this change: Counts as your response.')).toBeVisible();
  await page.getByRole('button', { name: 'Share the change' }).click();
  await expect(page.getByText('the new text is the one that counts.')).toBeVisible();
  await page.getByRole('link', { name: 'Every version' }).click();
  await expect(page.locator('ins.only-second').last()).toContainText('One thing I saw later.');
  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Prof. Elias Wick', `${PLA}/conversation`);
  await staff
    .getByRole('link', { name: /Imani Okoro/ })
    .first()
    .click();
  await staff.getByRole('link', { name: 'edited' }).click();
  await expect(staff.getByRole('heading', { name: 'Every version of Imani Okoro’s response' })).toBeVisible();
  await staff.context().close();
});

test('a response nobody has answered is withdrawn, and its text is the draft again', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type(`So it was (Holt, 2021). ${sentencesOf(170)}`);
  await expect(page.getByText('If shared now: counts as your response.')).toBeVisible();
  await page.getByRole('button', { name: 'Share with the class' }).click();
  await page.getByRole('link', { name: 'Change or withdraw it' }).click();
  await page.getByText('Withdraw it…').click();
  await page.getByRole('button', { name: 'Withdraw this response' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'It is withdrawn' })).toBeVisible();
  await expect(editorOf(page)).toContainText('So it was (Holt, 2021). Where the meadow floods');
});

test('a receipt is saved and verified by somebody who is not signed in; a changed one says what fails', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w5/part');
  await page.getByText('Receipt', { exact: true }).first().click();
  await page.getByRole('link', { name: 'The receipt of this version' }).first().click();
  await expect(page.getByRole('heading', { name: 'Receipt for a shared response' })).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the signed file' }).click();
  const path = await (await saving).path();
  const anybody = await (await browser.newContext()).newPage();
  await anybody.goto('/verify');
  await anybody.getByLabel('The file', { exact: true }).setInputFiles({
    name: 'receipt.json',
    mimeType: 'application/json',
    buffer: await (await import('node:fs/promises')).readFile(path),
  });
  await anybody.getByRole('button', { name: 'Verify it' }).click();
  await expect(anybody.getByRole('heading', { name: 'This receipt is genuine.' })).toBeVisible();
  const file = JSON.parse(await (await import('node:fs/promises')).readFile(path, 'utf8')) as {
    receipt: { sharedAt: string };
  };
  file.receipt.sharedAt = '2026-10-01T08:00:00.000Z';
  await anybody.getByLabel('or what is in it').fill(JSON.stringify(file));
  await anybody.getByRole('button', { name: 'Verify it' }).click();
  await expect(anybody.getByRole('heading', { name: 'This receipt cannot be trusted.' })).toBeVisible();
  await expect(
    anybody.getByText(/sharedAt was changed: the file says “2026-10-01T08:00:00.000Z”/),
  ).toBeVisible();
  await anybody.context().close();
});
