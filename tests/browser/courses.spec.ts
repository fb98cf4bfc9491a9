import { expect, test } from './test';
import { enterAs, startAfresh } from './help';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

test('a course page leads through its weeks in order, with readings, files and prompts', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/courses/geo-115');
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('Room for the river');
  const kinds = page.getByRole('main').getByRole('heading', { level: 3 });
  await expect(kinds).toHaveText([
    'Chapter 6: Room for the river',
    'A letter from the nine farms',
    'Flood log of the Amber gauge',
    'Should the Amber valley levees be moved back?',
  ]);
  await page.getByRole('link', { name: 'Week 7', exact: true }).click();
  await expect(page).toHaveURL(/\/courses\/geo-115\/weeks\/7$/u);
  await page.getByRole('link', { name: 'Week 6', exact: true }).click();
  const file = await page.request.get(
    (await page.getByRole('link', { name: 'Flood log of the Amber gauge' }).getAttribute('href')) ?? '',
  );
  expect(file.headers()['content-disposition']).toContain('attachment');
  expect(file.headers()['x-content-type-options']).toBe('nosniff');
  expect(await file.text()).toContain('1994,4.38');
});

test('a reading is read when one says so, and the next one is a click away', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/readings/geo-room-for-the-river');
  await expect(page.getByText(/about \d+ min at your reading pace/)).toBeVisible();
  const noted = page.waitForResponse((r) => r.url().endsWith('/progress') && r.ok());
  await page.getByRole('button', { name: 'I have read this' }).click();
  await noted;
  await expect(page.getByRole('button', { name: /^Read\. Set back/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Read\. Set back/ })).toBeVisible();
  await page.getByRole('link', { name: 'A letter from the nine farms' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('A letter from the nine farms');
});

test('a contradiction between a discussion and the syllabus is pointed out wherever its rule is read', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/courses/pla-204/syllabus');
  const said = /Late work: here it is not accepted after the deadline; the syllabus says “10 % off/;
  await expect(page.getByText(said)).toBeVisible();
  await page.goto('/courses/pla-204/weeks/7');
  await expect(page.getByText(said)).toBeVisible();
  await page.goto('/discussions/pla-204-w7/response');
  await expect(page.getByText(said)).toBeVisible();
  await page.goto('/discussions/pla-204-w6/response');
  await expect(page.getByText('Not what the syllabus says')).toBeHidden();
});

test('an instructor announces, a student finds it new, and having read it is known', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Dr. Maren Holt', '/courses/geo-115/announcements');
  await page.getByLabel('Title').fill('The footbridge is closed');
  await page
    .getByRole('textbox', { name: 'The announcement’s text' })
    .fill('Walk round by the sluice on Thursday.');
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({
      name: 'the way round.txt',
      mimeType: 'text/plain',
      buffer: Buffer.from('Along the sluice, then left.'),
    });
  await expect(page.locator('.file-card')).toContainText('the way round.txt');
  await page.getByRole('button', { name: 'Announce to everybody in GEO 115' }).click();
  await expect(page.getByText('read by 0 of 26 students')).toHaveCount(2);
  // The next one begins empty.
  await expect(page.getByRole('textbox', { name: 'The announcement’s text' })).toHaveText('');

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro');
  const news = student.getByRole('complementary', { name: 'News' });
  const fresh = news.getByRole('listitem').filter({ hasText: 'The footbridge is closed' });
  await expect(fresh.getByText('not read')).toBeVisible();
  const noted = student.waitForResponse((r) => /\/announcements\/[^/]+\/read$/u.test(r.url()) && r.ok());
  await fresh.getByText('The footbridge is closed').click();
  await expect(fresh.getByText('Walk round by the sluice')).toBeVisible();
  const way = await fresh.getByRole('link', { name: /the way round/u }).getAttribute('href');
  expect(await (await student.request.get(way ?? '')).text()).toContain('then left');
  await noted;
  await student.reload();
  await expect(fresh.getByText('not read')).toBeHidden();
  await student.goto('/courses/geo-115/announcements');
  await expect(student.getByRole('button', { name: /^Announce/ })).toBeHidden();
  const forged = await student.request.post('/courses/geo-115/announcements/new', {
    form: { title: 'Free marks', body: 'for all' },
    headers: { 'sec-fetch-site': 'same-origin' },
    maxRedirects: 0,
  });
  expect(forged.status()).toBe(404);
  await student.context().close();
  await page.reload();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'The footbridge is closed' }),
    'the other one was read as well where its page stood open long enough',
  ).toContainText('read by 1 of 26 students');
});
