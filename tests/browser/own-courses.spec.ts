import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeAll(() => startAfresh());

test('one’s own courses go along in one’s archive, and are brought in by whoever has it, once', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  await page
    .getByLabel('The prompt’s text')
    .fill('Week 6: Wells\n\nIn 200 words, say who dug it and who drinks. Reply to two classmates.');
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await page.getByLabel('Course', { exact: true }).fill('HIS 101 Wells');
  await page.getByLabel('Response due').fill('2026-10-15 12:00');
  await page.getByLabel('Replies due').fill('2026-10-18 12:00');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await page.waitForURL(/\/response$/u);
  await page.getByRole('textbox', { name: 'Your response' }).click();
  await page.keyboard.type('The well behind our school was dug by the brewery.');
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
  const archive = await page.request.get('/account/archive');
  expect(archive.headers()['content-type']).toBe('application/zip');
  const file = { name: 'mine.zip', mimeType: 'application/zip', buffer: await archive.body() };

  await enterAs(page, 'Leila Fenwick', '/account');
  await page.getByLabel('An archive (.zip)').setInputFiles(file);
  await page.getByRole('button', { name: 'Bring my courses in' }).click();
  // Of courses that are held here what somebody wrote in them stands here already.
  await expect(page.getByText('courses that are held here under the same name')).toBeVisible();
  await page.goto('/discussions');
  await page.getByRole('main').getByRole('link', { name: /Wells/u }).last().click();
  await page.waitForURL(/\/discussions\/outside-/u);
  await expect(page.getByRole('textbox', { name: 'Your response' })).toContainText('dug by the brewery');

  await page.goto('/account');
  await page.getByLabel('An archive (.zip)').setInputFiles(file);
  await page.getByRole('button', { name: 'Bring my courses in' }).click();
  await expect(
    page.getByText('All of that archive is here already, or its courses are held here. Nothing was changed.'),
  ).toBeVisible();
  await page.getByLabel('An archive (.zip)').setInputFiles({ ...file, buffer: Buffer.from('no archive') });
  await page.getByRole('button', { name: 'Bring my courses in' }).click();
  await expect(
    page.getByText('That file is no .zip archive, or a damaged one. Nothing was changed.'),
  ).toBeVisible();
});
