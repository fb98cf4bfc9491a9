import { expectSound, settled } from './axe';
import { photograph } from '../fixtures/files';
import { clipsMade, enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeAll(() => startAfresh());

test('axe finds nothing, light and dark: all tools, proofreading, and the dialogs of the desk', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await editor.getByRole('paragraph').last().click();
  await page.keyboard.type('The the rivver $v^2$ rose, as Teodroa said.');
  await page.getByRole('button', { name: 'More tools' }).click();
  await page.getByRole('button', { name: 'Formula' }).click();
  await page.getByLabel('Pictures or files to attach').setInputFiles([
    { name: 'levee.jpg', mimeType: 'image/jpeg', buffer: await photograph(300, 200) },
    { name: 'walk.txt', mimeType: 'text/plain', buffer: Buffer.from('Step three.') },
    { name: 'run.exe', mimeType: 'text/plain', buffer: Buffer.from('MZ' + '\0'.repeat(99)) },
  ]);
  await expect(page.locator('.ProseMirror .file-card')).toBeVisible();
  await expect(page.getByText('programs are not taken')).toBeVisible();
  await page.getByRole('button', { name: 'Proofread' }).click();
  await expect(page.getByRole('heading', { name: /things to look at/ })).toBeVisible();
  await expectSound(page, 'proofreading');
  for (const [button, dialog] of [
    ['Earlier versions', 'Earlier versions of this draft'],
    ['Cite', 'Your sources in this course'],
    ['Preview', 'As classmates will read it'],
  ] as const) {
    await page.getByRole('button', { name: button, exact: true }).click();
    await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
    // What lies beneath a dialog is dimmed and out of reach.
    await expectSound(page, dialog, '[role=dialog]');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
});

test('axe finds nothing, light and dark: recording, its review, a note, bringing in, and what a post carries', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation?post=221');
  const editor = page.locator('.ProseMirror');
  await editor.click();
  await page.keyboard.type('As the sign says');
  await page.keyboard.press('Control+Alt+f');
  await page.getByLabel('Note at the foot of the text').fill('Holt (2019), p. 12.');
  await expectSound(page, 'a note');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Record a clip' }).click();
  const panel = page.getByRole('region', { name: 'Record a clip' });
  await expect(panel.getByText('Loudness')).toBeVisible();
  await expectSound(page, 'recording');
  await panel.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(panel.getByRole('timer')).toContainText(/0:(?!00)\d\d/u);
  await panel.getByRole('button', { name: 'End', exact: true }).click();
  await expect(panel.getByLabel('Title of the clip')).toBeVisible();
  await expectSound(page, 'a review');
  await panel.getByRole('button', { name: 'Put it in the text' }).click();
  await expect(editor.locator('.file-card')).toBeVisible();
  await page.getByRole('button', { name: 'In and out' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('menuitem', { name: 'Bring in a text from a file…' }).click(),
  ]);
  await chooser.setFiles({
    name: 'a.md',
    mimeType: 'text/markdown',
    buffer: Buffer.from('# One\n\nTwo[^1]\n\n[^1]: x\n'),
  });
  await expect(page.getByText(/^It brings/u)).toBeVisible();
  await expectSound(page, 'bringing in', '[role=dialog]');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /all checks/u }).click();
  await page.getByRole('button', { name: 'Preview', exact: true }).click();
  await clipsMade();
  await expect(page.getByRole('dialog').locator('video')).toBeVisible();
  await expectSound(page, 'a clip and a note', '[role=dialog]');
});

test('axe finds nothing, light and dark: what a reply says, whom to answer, a person’s card', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation?post=221');
  await page.locator('.ProseMirror').click();
  await page.keyboard.insertText(
    'Great post! Your two arrows only work because the stair is in sight. But a blind man gets no look from anybody.',
  );
  await page.getByRole('button', { name: /all checks/u }).click();
  const says = page.getByRole('region', { name: 'What this reply says' });
  await says.getByRole('button', { name: /^Praise/ }).click();
  await expect(page.locator('.ProseMirror .evidence').first()).toBeVisible();
  await expectSound(page, 'what it says');
  await page.getByRole('button', { name: 'Noor Vasquez: posts here' }).first().click();
  await expect(page.getByRole('dialog', { name: 'Posts of Noor Vasquez here' })).toBeVisible();
  await expectSound(page, 'a card', '[role=dialog]');
  for (const filter of ['to-you', 'bookmarked', 'worth']) {
    await page.goto(`/discussions/pla-204-w6/conversation?show=${filter}`);
    await expectSound(page, filter);
  }
});

test('axe finds nothing, light and dark: a prompt and a reading on the desk', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', '/discussions/geo-115-w6/prompt/edit');
  await expect(page.locator('.ProseMirror')).toBeVisible();
  await expectSound(page, 'a prompt');
  await page.goto('/readings/geo-room-for-the-river/edit');
  await expect(page.locator('.ProseMirror')).toBeVisible();
  await expectSound(page, 'a reading');
});

test('axe finds nothing, light and dark: a report, and the log of care', async ({ page }) => {
  await enterAs(page, 'Prof. Elias Wick', '/discussions/pla-204-w6/conversation?post=221');
  await page.getByRole('button', { name: /^More about post 221/ }).click();
  await page.getByRole('button', { name: /^Hide from the class/ }).click();
  await expect(page.getByLabel('Why is it hidden?')).toBeVisible();
  await expectSound(page, 'a reason', '[role=dialog]');
  await page.goto('/discussions/pla-204-w6/care');
  await expectSound(page, 'the log');
});

test('axe finds nothing, light and dark: signing in, the account menu, the palette', async ({ page }) => {
  await page.goto('/sign-in');
  await expectSound(page, 'signing in');
  await enterAs(page, 'Imani Okoro');
  await page.getByRole('button', { name: /^Account of/ }).click();
  await expect(page.getByRole('menu')).toBeVisible();
  await expectSound(page, 'account menu');
  await page.goto('/');
  await settled(page);
  await page.keyboard.press('/');
  await page.getByRole('combobox').fill('sign');
  await expect(page.getByRole('option').first()).toBeVisible();
  await expectSound(page, 'palette');
});
