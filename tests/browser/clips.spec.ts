import { expect, test, type Page } from './test';
import { clipsMade, enterAs, startAfresh } from './help';

test.beforeEach(() => startAfresh());

const PLA = '/discussions/pla-204-w6';
const recorder = (page: Page) => page.getByRole('region', { name: 'Record a clip' });

async function openRecorder(page: Page) {
  await page.locator('.ProseMirror').click();
  await page.getByRole('button', { name: 'Record a clip' }).click();
}
/** Records until so many seconds are shown, or more. */
async function record(page: Page, until: string) {
  await recorder(page).getByRole('button', { name: 'Record', exact: true }).click();
  await expect(recorder(page).getByText('Recording begins in 3')).toBeVisible();
  const seconds = (clock: string) => {
    const [minutes = 0, rest = 0] = clock.split(':').map(Number);
    return minutes * 60 + rest;
  };
  const shown = async () =>
    seconds((await recorder(page).getByRole('timer').innerText()).split(' ')[0] ?? '');
  await expect.poll(shown).toBeGreaterThanOrEqual(seconds(until));
}

test.describe('with a camera and a microphone', () => {
  test('a clip is recorded, paused, trimmed, named, captioned and shared before it is made; a classmate plays it', async ({
    page,
    browser,
  }) => {
    test.slow();
    await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
    await openRecorder(page);
    const panel = recorder(page);
    await expect(panel.getByText('Loudness')).toBeVisible();
    await record(page, '0:01');
    await panel.getByRole('button', { name: 'Pause' }).click();
    await expect(panel.getByText('Paused')).toBeVisible();
    const stood = await panel.getByRole('timer').innerText();
    await panel.getByRole('button', { name: 'Go on' }).click();
    await expect(panel.getByRole('timer')).not.toHaveText(stood);
    await panel.getByRole('button', { name: 'End', exact: true }).click();
    const ends = panel.getByLabel(/^Ends at/u);
    await ends.focus();
    for (let i = 0; i < 5; i += 1) await page.keyboard.press('ArrowLeft');
    await panel.getByLabel('Title of the clip').fill('The sign at Mill Lane');
    await panel.getByLabel(/What is said/u).fill('0:00 Here is the sign.\n0:01 It points at the river.');
    await expect(panel.getByText('2 captions')).toBeVisible();
    await panel.getByRole('button', { name: 'Put it in the text' }).click();
    const editor = page.locator('.ProseMirror');
    await expect(editor.locator('.file-card')).toContainText('The sign at Mill Lane');
    await expect(panel).toBeHidden();
    await editor.locator('.file-card').click();
    const named = page.getByRole('group', { name: 'This clip' });
    await named.getByLabel('Title').fill('The sign at Mill Lane, seen from the bridge');
    await named.getByLabel('Title').press('Enter');
    await expect(named).toBeHidden();
    await expect(editor.locator('.file-card')).toContainText('seen from the bridge');
    await page.getByRole('button', { name: /^Share reply/u }).click();
    await page.getByRole('button', { name: 'Share it as it is' }).click();
    await expect(page).toHaveURL(/shared=\d+/u);

    const post = new URL(page.url()).searchParams.get('shared');
    const other = await (await browser.newContext()).newPage();
    await enterAs(other, 'Noor Vasquez', `${PLA}/conversation?post=${post}`);
    const clip = other.getByRole('figure').filter({ hasText: 'The sign at Mill Lane' });
    const video = clip.locator('video');
    await clipsMade();
    await expect(video).toBeVisible();
    await expect(video).toHaveAttribute('poster', /\/poster$/u);
    await expect.poll(() => video.evaluate((v: HTMLVideoElement) => v.duration)).toBeGreaterThan(1);
    expect(await video.evaluate((v: HTMLVideoElement) => v.error)).toBeNull();
    await clip.getByText('What is said').click();
    await expect(clip.getByText('It points at the river.')).toBeVisible();
    await other.context().close();
  });

  test('what was recorded when the tab was closed is offered again', async ({ page }) => {
    await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
    await openRecorder(page);
    const sent = page.waitForResponse((r) => r.request().method() === 'PUT' && r.url().includes('from='));
    await record(page, '0:02');
    await sent;
    await page.reload();
    await openRecorder(page);
    await expect(
      page.getByText(/A recording of yours was not finished\. .*picture and sound/u),
    ).toBeVisible();
    await page
      .getByRole('list', { name: 'Recordings that were not finished' })
      .getByRole('button', { name: 'Use what there is' })
      .click();
    await expect(page.locator('.ProseMirror .file-card')).toContainText('Clip');
  });
});

test('without a device a test picture and a tone stand in, the voice alone too', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('none', 'NotFoundError'));
  });
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
  await openRecorder(page);
  const panel = recorder(page);
  await expect(panel.getByText(/A test picture and a tone stand in/u)).toBeVisible();
  await panel.getByLabel('With the camera').uncheck();
  await record(page, '0:01');
  await panel.getByRole('button', { name: 'End', exact: true }).click();
  await panel.getByRole('button', { name: 'Put it in the text' }).click();
  await expect(page.locator('.ProseMirror .file-card')).toContainText('Clip, sound');
  // The choice is remembered.
  await page.getByRole('button', { name: 'Record a clip' }).click();
  await expect(panel.getByLabel('With the camera')).not.toBeChecked();
});

test('where the browser forbids the camera it is said how to allow it, and the text is as it was', async ({
  page,
}) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
  await openRecorder(page);
  await expect(page.getByText(/The browser does not let Pulpit use the camera/u)).toBeVisible();
  await recorder(page).getByRole('button', { name: 'Close' }).click();
  await page.locator('.ProseMirror').click();
  await page.keyboard.type('I write instead.');
  await expect(page.locator('.ProseMirror')).toContainText('I write instead.');
});
