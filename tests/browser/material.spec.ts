import { expect, test, type Page } from './test';
import { photograph } from '../fixtures/files';
import { clipsMade, enterAs, startAfresh } from './help';

test.beforeEach(() => startAfresh());

const PROMPT = '/discussions/geo-115-w6/prompt/edit';
const editorOf = (page: Page) => page.locator('.ProseMirror');
const put = (page: Page) => page.getByRole('button', { name: 'Put it in its place' }).click();

test('an instructor puts a picture, a file and a clip into a prompt, and a student finds them there', async ({
  page,
  browser,
}) => {
  test.slow();
  await enterAs(page, 'Dr. Maren Holt', '/discussions/geo-115-w6/response');
  await page.getByRole('link', { name: /^Edit the prompt/u }).click();
  await editorOf(page).click();
  await page.keyboard.press('Control+End');
  await page.getByLabel('Pictures or files to attach').setInputFiles([
    { name: 'plan.jpg', mimeType: 'image/jpeg', buffer: await photograph(800, 600) },
    { name: 'figures.txt', mimeType: 'text/plain', buffer: Buffer.from('400 metres') },
  ]);
  await expect(editorOf(page).locator('figure img')).toBeVisible();
  await page.getByLabel(/What it shows/).fill('The valley with both lines');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(editorOf(page).locator('.file-card')).toContainText('figures.txt');
  await page.getByRole('button', { name: 'Record a clip' }).click();
  const recorder = page.getByRole('region', { name: 'Record a clip' });
  await recorder.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(recorder.getByRole('timer')).toContainText(/0:(?!00)\d\d/u);
  await recorder.getByRole('button', { name: 'End', exact: true }).click();
  await recorder.getByLabel('Title of the clip').fill('Why I ask');
  await expect(page.getByText(/^The recorder is open/u)).toBeVisible();
  await recorder.getByRole('button', { name: 'Put it in the text' }).click();
  await expect(editorOf(page).getByText('Why I ask')).toBeVisible();
  await put(page);
  await expect(page).toHaveURL(/\/response$/u);
  await expect(page.getByRole('img', { name: 'The valley with both lines' })).toBeVisible();

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', '/discussions/geo-115-w6/response');
  await expect(student.getByRole('img', { name: 'The valley with both lines' })).toHaveJSProperty(
    'complete',
    true,
  );
  await student.getByRole('button', { name: 'Look inside figures.txt' }).click();
  await expect(student.getByRole('group', { name: 'Inside figures.txt' })).toContainText('400 metres');
  const clip = student.getByRole('figure').filter({ hasText: 'Why I ask' });
  await clipsMade();
  await expect(clip.locator('video')).toBeVisible();
  // What is asked is still underlined: the rules stayed where they are.
  await expect(student.getByText('at least 250 words').first()).toBeVisible();
  await student.goto(PROMPT);
  await expect(student.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await student.context().close();
});

test('what was left on the desk of a reading is there again; another’s change meanwhile is shown first', async ({
  page,
  context,
}) => {
  await enterAs(page, 'Dr. Maren Holt', '/courses/geo-115');
  const reading = await page.locator('a[href^="/readings/"]').first().getAttribute('href');
  await page.goto(`${reading}/edit`);
  await editorOf(page).click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.type('Left here. ');
  await page.reload();
  await expect(page.getByText('This is what you left on this machine.')).toBeVisible();
  await expect(editorOf(page)).toContainText('Left here.');

  const second = await context.newPage();
  await second.goto(`${reading}/edit`);
  await editorOf(second).click();
  await second.keyboard.press('Control+Home');
  await second.keyboard.type('From the second window. ');
  await put(second);
  await expect(second).toHaveURL(new RegExp(`${reading}$`, 'u'));
  await expect(second.getByText('From the second window.').first()).toBeVisible();

  await put(page);
  await expect(page.getByRole('alert').filter({ hasText: 'Somebody else changed this text' })).toBeVisible();
  await expect(page.getByRole('group', { name: 'What differs' })).toContainText('4 words only in theirs');
  await page.getByRole('button', { name: 'Put mine in its place' }).click();
  await expect(page).toHaveURL(new RegExp(`${reading}$`, 'u'));
  await expect(page.getByText('Left here.').first()).toBeVisible();
  await page.goto(`${reading}/edit`);
  await expect(editorOf(page)).toContainText('Left here.');
  await expect(page.getByText('This is what you left on this machine.')).toBeHidden();
});
