import type { Browser } from '@playwright/test';
import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

const W5 = '/courses/geo-115/desk/geo-115-w5/marking';
const another = async (browser: Browser, name: string, path: string) => {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, name, path);
  return page;
};

test('an instructor and an assistant mark one part, and its student asks why', async ({ page, browser }) => {
  // The assistant has two parts to read a second time, and sees nothing of the marks there.
  const grey = await another(browser, 'Bastian Grey', W5);
  await grey.getByRole('link', { name: '2 second readings for you' }).click();
  await expect(grey.getByRole('heading', { level: 2, name: /^Your second readings/u })).toHaveText(
    'Your second readings, 2 of 2 written',
  );
  const second = grey.getByRole('form', { name: 'Mark for Kwame Sorley' });
  await expect(second).toBeVisible();
  await second.getByLabel(/^In general/u).fill('The idea is named more than it is used, I still think.');
  await expect(grey.getByText('Kept', { exact: true })).toBeVisible();

  // The instructor sees where they differ, and the mark waits until one says which shall stand.
  await enterAs(page, 'Dr. Maren Holt', W5);
  const strip = page.getByRole('navigation', { name: 'The class' });
  await strip.getByRole('link', { name: /Kwame/u }).click();
  const compared = page.getByRole('region', { name: 'Second reading' });
  await expect(compared).toContainText('Bastian Grey comes to 12 of 20, this mark to 14 of 20');
  await expect(compared).toContainText('I still think');
  await expect(page.getByRole('button', { name: 'Release 1 mark' })).toBeVisible();
  await compared.getByRole('button', { name: 'Let this mark stand' }).click();
  await expect(page.getByText('The mark stands, and can be released.')).toBeVisible();

  const kwame = await another(browser, 'Kwame Sorley', '/discussions/geo-115-w5/part');
  await expect(kwame.getByRole('heading', { name: 'No mark yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Release 2 marks' }).click();
  await expect(page.getByText('Released: whoever it is for sees their mark')).toBeVisible();
  await kwame.reload();
  await expect(kwame.getByRole('heading', { name: /Your mark: 14 of 20/u })).toBeVisible();
  await expect(kwame.getByText('I still think')).toBeHidden();

  // The question stands beside its criterion, on both sides.
  await kwame.getByText('Ask about “Rests on evidence”').click();
  await kwame.getByLabel('Your question about “Rests on evidence”').fill('Which of the two sources counts?');
  await kwame
    .getByRole('form', { name: 'Ask about “Rests on evidence”' })
    .getByRole('button', { name: 'Send to your instructors' })
    .click();
  await expect(kwame.getByText('Which of the two sources counts?')).toBeVisible();
  await page.goto('/courses/geo-115/desk');
  await expect(page.getByText('students ask about their marks')).toBeVisible();
  await page.goto(W5);
  await strip.getByRole('link', { name: /Kwame/u }).click();
  const field = page.getByLabel('Answer about Rests on evidence');
  await field.fill('The one you name in the second part.');
  await page.getByRole('button', { name: 'Answer', exact: true }).click();
  // A field that still holds the words shows them as well.
  await expect(field).toHaveValue('');
  await expect(page.getByText('The one you name in the second part.')).toBeVisible();
  await kwame.reload();
  await expect(kwame.getByText('The one you name in the second part.')).toBeVisible();
});

test('a part that is to be done again is changed, given back and marked again', async ({ page, browser }) => {
  const viktor = await another(browser, 'Viktor Amadi', '/discussions/snd-130-w5/part');
  await expect(viktor.getByRole('heading', { name: 'Your mark: Do again' })).toBeVisible();
  await viktor
    .getByRole('link', { name: /^Change (?:it|or withdraw)/u })
    .first()
    .click();
  await viktor.locator('.ProseMirror').getByRole('paragraph').last().click();
  await viktor.keyboard.press('ControlOrMeta+End');
  await viktor.keyboard.type(' And at three the pipes begin, because nobody runs water then.');
  await viktor.getByRole('button', { name: 'Share the change' }).click();
  await expect(viktor).not.toHaveURL(/\/edit$/u);
  await viktor.goto('/discussions/snd-130-w5/part');
  await viktor.getByLabel('A sentence to whoever marks').fill('I stayed up till three.');
  await viktor.getByRole('button', { name: 'Give it back to be marked again' }).click();
  await expect(viktor.getByRole('heading', { name: /^Given back/u })).toBeVisible();

  await enterAs(page, 'Odile Marchetti', '/courses/snd-130/desk');
  await expect(page.getByText('parts were done again and given back')).toBeVisible();
  await page.goto('/courses/snd-130/desk/snd-130-w5/marking');
  await page
    .getByRole('navigation', { name: 'The class' })
    .getByRole('link', { name: /Viktor/u })
    .click();
  await expect(page.getByText('I stayed up till three.')).toBeVisible();
  await expect(page.locator('ins').filter({ hasText: 'pipes' })).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Release 1 mark' }).click();
  await viktor.reload();
  await expect(viktor.getByRole('heading', { name: 'Your mark: Done' })).toBeVisible();
  await expect(viktor.getByText('it said “do again”')).toBeVisible();
});

test('a kept remark is put where one writes, and begins a comment on what is selected', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', W5);
  const sheet = page.getByRole('form', { name: 'Mark for Otto Maddern' });
  const general = sheet.getByLabel(/^In general/u);
  await general.fill('Otto,');
  await page.keyboard.press('Alt+4');
  await expect(general).toHaveValue('Otto, You say what; say why you think so.');
  await page.keyboard.press('Escape');
  await page
    .locator('[data-passages]')
    .first()
    .getByText('no because water moves')
    .evaluate((block) => getSelection()?.selectAllChildren(block));
  await page.keyboard.press('Alt+1');
  await expect(sheet.getByLabel('On passage 1')).toHaveValue(/^Say whose number this is/u);
  await sheet.getByText('Remarks you write again and again').click();
  await sheet.getByRole('textbox', { name: 'Remark 9' }).fill('Read it aloud once.');
  const kept = page.waitForResponse(/desk\/remarks$/u);
  await sheet.getByRole('textbox', { name: 'Remark 8' }).focus();
  await kept;
  await page.reload();
  await sheet.getByText('Remarks you write again and again').click();
  await expect(sheet.getByRole('textbox', { name: 'Remark 9' })).toHaveValue('Read it aloud once.');
});

test('feedback comes with a file, for its student alone once it is released', async ({ page, browser }) => {
  await enterAs(page, 'Dr. Maren Holt', W5);
  const sheet = page.getByRole('form', { name: 'Mark for Otto Maddern' });
  for (const key of '2222') await page.keyboard.press(key);
  await sheet.getByText('Say it in a clip, or with a file').click();
  const chooser = page.waitForEvent('filechooser');
  await sheet.getByRole('button', { name: /file/iu }).first().click();
  await (
    await chooser
  ).setFiles({
    name: 'wells.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('A well is a straw in a glass that others drink from too.'),
  });
  await expect(sheet.locator('.ProseMirror').getByText('wells.txt')).toBeVisible();
  await expect(page.getByText('Kept', { exact: true })).toBeVisible();
  const otto = await another(browser, 'Otto Maddern', '/discussions/geo-115-w5/part');
  await expect(otto.getByRole('heading', { name: 'No mark yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Release 2 marks' }).click();
  await otto.reload();
  const link = otto.getByRole('link', { name: /wells\.txt/u }).first();
  await expect(link).toBeVisible();
  const address = (await link.getAttribute('href')) ?? '';
  expect((await otto.request.get(address)).status()).toBe(200);
  const noor = await another(browser, 'Noor Vasquez', '/');
  expect((await noor.request.get(address)).status()).toBe(404);
});
