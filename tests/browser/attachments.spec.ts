import { expect, test, type Page } from './test';
import sharp from 'sharp';
import { photograph } from '../fixtures/files';
import { database, enterAs, loseOne, startAfresh } from './help';

test.beforeEach(() => startAfresh());

const PLA = '/discussions/pla-204-w6';
const GEO = '/discussions/geo-115-w6';
const editorOf = (page: Page) => page.locator('.ProseMirror');
const kept = (page: Page) => expect(page.getByText(/^Draft kept/)).toBeVisible();
const picker = (page: Page) => page.getByLabel('Pictures or files to attach');

const photo = async (name = 'levee.jpg') => ({
  name,
  mimeType: 'image/jpeg',
  buffer: await photograph(2_400, 1_600),
});
const notes = { name: 'walk.txt', mimeType: 'text/plain', buffer: Buffer.from('Step three is under water.') };

/** Opens a reply to the first answerable post of an open discussion. */
async function reply(page: Page, who = 'Imani Okoro') {
  await enterAs(page, who, `${PLA}/conversation?post=221`);
  await editorOf(page).click();
}

test('a picture is described, sized and read by a classmate; a file is looked into where it stands', async ({
  page,
  browser,
}) => {
  await reply(page);
  await page.keyboard.type('Here is what I saw on the way home, and it is not what the sign says.');
  await picker(page).setInputFiles([await photo(), notes]);
  const picture = editorOf(page).locator('figure img');
  await expect(picture).toBeVisible();
  // It came in scaled, upright, and without a word of where it was taken.
  await expect(picture).toHaveAttribute('height', '1600');
  await expect(editorOf(page).locator('.file-card')).toContainText('walk.txt');
  // The writer's cursor was not taken away: one writes on, and is asked above.
  await page.keyboard.type(' So I wrote it down.');
  await expect(editorOf(page)).toContainText('So I wrote it down.');
  await page.getByLabel(/What it shows/).fill('A sign with an arrow to the left');
  await page.getByLabel(/^Caption/).fill('Mill Lane');
  await page.getByLabel('Width', { exact: true }).selectOption('50');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('group', { name: 'This picture' })).toBeHidden();
  await kept(page);
  await page.reload();
  await expect(editorOf(page).getByRole('img', { name: 'A sign with an arrow to the left' })).toBeVisible();
  await page.getByRole('button', { name: /^Share reply/ }).click();
  const short = page.getByRole('alertdialog', { name: 'Share it short?' });
  await short.getByRole('button', { name: 'Share it as it is' }).click();
  await expect(page).toHaveURL(/shared=\d+/);

  const post = new URL(page.url()).searchParams.get('shared');
  const other = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await enterAs(other, 'Noor Vasquez', `${PLA}/conversation?post=${post}`);
  const seen = other.getByRole('figure').filter({ hasText: 'Mill Lane' });
  await expect(seen.getByRole('img', { name: 'A sign with an arrow to the left' })).toHaveJSProperty(
    'complete',
    true,
  );
  await seen.getByRole('link', { name: /see it large/ }).click();
  await expect(other.getByRole('dialog', { name: 'A sign with an arrow to the left' })).toBeVisible();
  await other.keyboard.press('Escape');
  await expect(seen.getByRole('link', { name: /see it large/ })).toBeFocused();

  // Pressed before what acts on them has come, both open all the same.
  let come = () => {};
  let last = new Promise<void>((done) => (come = done));
  await other.route('**/_next/static/**/*.js*', async (route) => {
    const answer = await route.fetch();
    if ((await answer.text()).includes('Look inside')) await last;
    await route.fulfill({ response: answer });
  });
  await other.reload();
  await other.getByRole('button', { name: 'Look inside walk.txt' }).click();
  come();
  await expect(other.getByRole('group', { name: 'Inside walk.txt' })).toContainText('under water');
  last = new Promise<void>((done) => (come = done));
  await other.reload();
  await seen.getByRole('link', { name: /see it large/ }).click();
  come();
  await expect(other.getByRole('dialog', { name: 'A sign with an arrow to the left' })).toBeVisible();
  await other.unrouteAll({ behavior: 'wait' });
  await other.context().close();
});

test('a file goes on after a lost connection, and what is refused is said in words', async ({ page }) => {
  const lost = await loseOne(page, { method: 'PUT', holding: 'from=524288' });
  await reply(page);
  await page.keyboard.type('Kept while the file waits.');
  const large = {
    name: 'survey.bin',
    mimeType: 'application/octet-stream',
    buffer: Buffer.alloc(1_400_000, 9),
  };
  await picker(page).setInputFiles(large);
  await expect(editorOf(page).locator('.file-card')).toContainText('survey.bin');
  expect(await lost()).toBe(1);
  const db = database();
  expect(Number((await db('files').where({ name: 'survey.bin' }).count())[0]?.count)).toBe(1);
  await db.destroy();

  const program = {
    name: 'homework.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from('MZ' + '\0'.repeat(200)),
  };
  await picker(page).setInputFiles(program);
  const list = page.getByRole('list', { name: 'Files on their way' });
  await expect(list.getByRole('alert')).toContainText('programs are not taken');
  await expect(list.getByRole('button', { name: 'Try again' })).toBeHidden();
  await list.getByRole('button', { name: /Leave it out/ }).click();
  await expect(list).toBeHidden();
  const broken = { ...(await photo('broken.jpg')) };
  await picker(page).setInputFiles({ ...broken, buffer: broken.buffer.subarray(0, 3_000) });
  await expect(list.getByRole('alert')).toContainText('cannot be read');
  await expect(editorOf(page)).toContainText('Kept while the file waits.');
});

test('a picture is pasted and dropped in its place, and taken out again', async ({ page }) => {
  await reply(page);
  await page.keyboard.type('Before');
  const bytes = [
    ...(await sharp(await photograph(300, 200))
      .png()
      .toBuffer()),
  ];
  const give = (kind: 'paste' | 'drop') =>
    page.evaluate(
      ([how, content]) => {
        const data = new DataTransfer();
        data.items.add(new File([new Uint8Array(content as number[])], 'snap.png', { type: 'image/png' }));
        const text = document.querySelector('.ProseMirror');
        const { left, top } = text?.querySelector('p')?.getBoundingClientRect() ?? { left: 0, top: 0 };
        text?.dispatchEvent(
          how === 'paste'
            ? new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
            : new DragEvent('drop', {
                dataTransfer: data,
                bubbles: true,
                cancelable: true,
                clientX: left + 2,
                clientY: top + 4,
              }),
        );
      },
      [kind, bytes] as const,
    );
  await give('paste');
  await expect(editorOf(page).locator('figure')).toHaveCount(1);
  await give('drop');
  await expect(editorOf(page).locator('figure')).toHaveCount(2);
  await expect(editorOf(page)).toContainText('Before');
  await editorOf(page).locator('figure').first().click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(editorOf(page).locator('figure')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(editorOf(page).locator('figure')).toHaveCount(2);
});

test('proofreading asks for a description, and leads to where it is written', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await picker(page).setInputFiles(await photo());
  await expect(editorOf(page).locator('figure')).toBeVisible();
  await page.getByRole('button', { name: 'Later' }).click();
  await page.getByRole('button', { name: 'Proofread' }).click();
  const panel = page.getByRole('region', { name: 'Proofreading' });
  await panel.getByRole('button', { name: /^A picture without a description/ }).click();
  await page.getByLabel(/What it shows/).fill('The breach, from the church tower');
  await expect(panel.getByRole('button', { name: /^A picture without a description/ })).toBeHidden();
});

test('a file is not seen by who may not read the post, and is never a page of ours', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await picker(page).setInputFiles({
    name: 'page.html',
    mimeType: 'text/html',
    buffer: Buffer.from('<script>document.title="run"</script>'),
  });
  await expect(editorOf(page).locator('.file-card')).toContainText('Text');
  const db = database();
  const { id } = await db('files').where({ name: 'page.html' }).first('id');
  await db.destroy();
  const own = await page.request.get(`/attachments/${id}`);
  expect(own.headers()).toMatchObject({
    'content-type': 'text/plain; charset=utf-8',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
  });
  expect(own.headers()['content-disposition']).toMatch(/^attachment/);
  const part = await page.request.get(`/attachments/${id}`, { headers: { range: 'bytes=0-6' } });
  expect([part.status(), await part.text(), part.headers()['content-range']]).toEqual([
    206,
    '<script',
    'bytes 0-6/37',
  ]);
  expect((await page.request.get(`/attachments/${id}`, { headers: { range: 'bytes=99-' } })).status()).toBe(
    416,
  );
  const other = await (await browser.newContext()).newPage();
  expect((await other.request.get(`/attachments/${id}`)).status()).toBe(404);
  await enterAs(other, 'Noor Vasquez');
  expect((await other.request.get(`/attachments/${id}`)).status()).toBe(404);
  const foreign = await page.request.put(`/attachments/${id}?from=0`, {
    headers: { 'sec-fetch-site': 'cross-site' },
    data: Buffer.from('x'),
  });
  expect(foreign.status()).toBe(403);
  await other.context().close();
});
