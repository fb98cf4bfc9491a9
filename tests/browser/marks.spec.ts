import { enterAs, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeEach(() => startAfresh());

const W5 = '/courses/geo-115/desk/geo-115-w5/marking';
const heading = (page: Page) => page.getByRole('heading', { level: 2, name: /^Marks,/u });
const kept = (page: Page) => expect(page.getByText('Kept', { exact: true })).toBeVisible();

test('marks are written by keys alone, kept as one goes, and seen by the student once they are released', async ({
  page,
  browser,
}) => {
  let pressed = 0;
  const press = async (key: string) => {
    pressed += 1;
    await page.keyboard.press(key);
  };
  await enterAs(page, 'Dr. Maren Holt', W5);
  await expect(heading(page)).toHaveText('Marks, 5 of 26 written, 3 released');
  // It opens at the first part that waits.
  const sheet = page.getByRole('form', { name: /^Mark for/u });
  await expect(sheet).toHaveAccessibleName('Mark for Otto Maddern');
  const marked = 12;
  for (let i = 0; i < marked; i += 1) {
    const name = await sheet.getAttribute('aria-label');
    for (const key of ['2', '2', '2', '3']) await press(key);
    await expect(sheet.getByText('so far')).toBeHidden();
    if (i === 0) {
      await press('r');
      await page.keyboard.type('Keep the boat; say what it cost.');
      await press('Escape');
    }
    if (i < marked - 1) {
      await press('j');
      await expect(sheet).not.toHaveAccessibleName(name ?? '');
    }
  }
  console.log(`${marked} marks by ${pressed} keys, ${(pressed / marked).toFixed(1)} each`);
  await kept(page);
  await expect(heading(page)).toHaveText('Marks, 17 of 26 written, 3 released');
  // Nothing is lost by going away, and nothing is seen before it is released.
  await page.reload();
  await expect(heading(page)).toHaveText('Marks, 17 of 26 written, 3 released');
  const otto = await (await browser.newContext()).newPage();
  await enterAs(otto, 'Otto Maddern', '/discussions/geo-115-w5/part');
  await expect(otto.getByRole('heading', { name: 'No mark yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Release 13 marks' }).click();
  await expect(page.getByText('Released: whoever it is for sees their mark')).toBeVisible();
  await otto.reload();
  await expect(otto.getByRole('heading', { name: /Your mark: 10 of 20/u })).toBeVisible();
  await expect(otto.getByText('Keep the boat; say what it cost.')).toBeVisible();
  await expect(otto.getByText('What would have made the difference')).toBeVisible();
});

test('keys pressed on the way to the next student are the next one’s', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', W5);
  const sheet = page.getByRole('form', { name: /^Mark for/u });
  await expect(sheet).toHaveAccessibleName('Mark for Otto Maddern');
  // As fast as they come: nothing is waited for between them.
  const names = await page.getByRole('navigation', { name: 'The class' }).getByRole('link').allTextContents();
  for (const key of '2222j3333j1') await page.keyboard.press(key);
  const otto = names.findIndex((n) => n.includes('Otto'));
  await expect(sheet).toHaveAccessibleName('Mark for Teodora Lind');
  await expect(sheet.getByRole('group', { name: /Answers what is asked/u })).toContainText('5 of 5');
  const line = (i: number) =>
    page
      .getByRole('navigation', { name: 'The class' })
      .getByRole('link')
      .nth(otto + i);
  await expect(line(0)).toContainText('12');
  await expect(line(1)).toContainText('1');
  await expect(line(2)).toContainText('begun');
});

test('a passage is commented on, the student answers, and both read it', async ({ page, browser }) => {
  await enterAs(page, 'Dr. Maren Holt', W5);
  await page.getByRole('navigation', { name: 'The class' }).getByRole('link', { name: /Pilar/u }).click();
  const part = page.locator('[data-passages]').first();
  const words = part.getByText('There was no third');
  await words.evaluate((block) => {
    const text = document.createTreeWalker(block, NodeFilter.SHOW_TEXT).nextNode();
    const at = text?.textContent?.indexOf('There was no third') ?? -1;
    if (!text || at < 0) throw new Error('no such words');
    const range = document.createRange();
    range.setStart(text, at);
    range.setEnd(text, at + 'There was no third'.length);
    getSelection()?.removeAllRanges();
    getSelection()?.addRange(range);
  });
  await expect(page.getByRole('button', { name: /^Comment on this passage/u })).toBeVisible();
  await page.keyboard.press('c');
  await page.keyboard.type('Why not? Say what stopped him.');
  await expect(page.getByRole('link', { name: 'Comment 1', exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  for (const key of ['1', '1', '1', '1']) await page.keyboard.press(key);
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('On passage 1')).toHaveValue('Why not? Say what stopped him.');
  await page.getByRole('button', { name: /^Release/u }).click();
  await expect(page.getByText('Released: whoever it is for')).toBeVisible();

  const pilar = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await enterAs(pilar, 'Pilar Ostrom', '/discussions/geo-115-w5/part');
  await pilar.getByRole('button', { name: 'Mark and feedback', exact: true }).click();
  const comment = pilar.getByRole('list', { name: 'Comments' }).getByRole('listitem').first();
  await expect(comment).toContainText('There was no third');
  await comment.getByText('Answer', { exact: true }).first().click();
  await comment.getByLabel('Your answer to comment 1').fill('The bank did.');
  const answered = pilar.waitForResponse((r) => r.request().method() === 'POST');
  await comment.getByRole('button', { name: 'Answer', exact: true }).click();
  await answered;
  await expect(comment.getByText('The bank did.')).toBeVisible();
  await comment.getByRole('button', { name: 'Understood' }).click();
  await expect(comment.getByText('Marked as understood.')).toBeVisible();
  const taken = pilar.waitForResponse(/part\/comments$/u);
  await comment.getByRole('button', { name: 'Into my note for next time' }).click();
  await taken;
  await pilar.goto('/discussions/geo-115-w6/response');
  await expect(pilar.getByLabel(/^Notes to self/u)).toHaveValue(/Why not\? Say what stopped him\./u);

  await page.reload();
  await expect(page.getByText('The bank did.')).toBeVisible();
  const field = page.getByLabel('Answer about passage 1');
  await field.fill('Then say so.');
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  await expect(field).toHaveValue('');
  await expect(page.getByText('Then say so.')).toBeVisible();
});

test('other words for a passage stand in its place once its comment is pressed', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w5/part');
  const text = page.locator('[data-passages]').first();
  await expect(text.locator('ins')).toHaveCount(0);
  await text.getByRole('link', { name: 'Comment 3' }).click();
  await expect(text.locator('ins')).toHaveText('the day after planting, when nobody can turn the pumps off');
});

test('two who write on one mark are told, and nothing of either is lost', async ({ page, browser }) => {
  await enterAs(page, 'Dr. Maren Holt', W5);
  const sheet = page.getByRole('form', { name: 'Mark for Otto Maddern' });
  await expect(sheet).toBeVisible();
  const other = await (await browser.newContext()).newPage();
  await enterAs(other, 'Bastian Grey', W5);
  await other
    .getByRole('form', { name: 'Mark for Otto Maddern' })
    .getByLabel(/^In general/u)
    .fill('From Bastian.');
  await kept(other);
  await sheet.getByLabel(/^In general/u).fill('From Maren.');
  const alert = sheet.getByRole('alert');
  await expect(alert).toContainText('Bastian Grey wrote on this mark');
  await expect(alert).toContainText('From Bastian.');
  await expect(sheet.getByLabel(/^In general/u)).toHaveValue('From Maren.');
  await alert.getByRole('button', { name: 'Keep mine' }).click();
  await kept(page);
  await other.reload();
  await expect(other.getByLabel(/^In general/u)).toHaveValue('From Maren.');
});

test('without scripts a mark is kept by its form', async ({ browser }) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await enterAs(page, 'Dr. Maren Holt', W5);
  const sheet = page.getByRole('form', { name: 'Mark for Otto Maddern' });
  for (const criterion of ['question', 'ideas', 'evidence', 'talk'])
    await sheet.locator(`label:has(input[name="level.${criterion}"][value="1"])`).click();
  await sheet.getByLabel(/^In general/u).fill('Without scripts.');
  await sheet.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept. The student sees it once it is released.')).toBeVisible();
  await expect(heading(page)).toHaveText('Marks, 6 of 26 written, 3 released');
});

test('progress says what is new and what cost most, and "what if" is kept nowhere', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/');
  await page.keyboard.press('g');
  await page.keyboard.press('m');
  await expect(page).toHaveURL(/\/progress$/u);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    'Three marks are new. What cost you most so far is',
  );
  const geo = page.getByRole('region', { name: /^GEO 115/u });
  await expect(geo).toContainText('84 %');
  await geo.getByText('What if…').click();
  await geo.getByLabel(/^Points in week 6/u).fill('20');
  await expect(geo.getByRole('status')).toContainText('Then 86.7 % of 120 points');
  await page.reload();
  await geo.getByText('What if…').click();
  await expect(geo.getByLabel(/^Points in week 6/u)).toHaveValue('');
  // What is new leads to its mark, and is new no more.
  const seen = page.waitForResponse(/part\/seen$/u);
  await geo.getByRole('link', { name: /Week 5/u }).click();
  await expect(page.getByRole('heading', { name: /Your mark: 16 of 20/u })).toBeVisible();
  await seen;
  await page.goto('/progress');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Two marks are new');
});
