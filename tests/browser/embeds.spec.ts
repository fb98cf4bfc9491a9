import { expect, test, type Page } from './test';
import { enterAs, startAfresh } from './help';

test.beforeEach(() => startAfresh());

const PLA = '/discussions/pla-204-w6';
const FILM = 'https://media.tidewell.example/watch/mill-lane-sign';

async function paste(page: Page, text: string, html = '') {
  await page.evaluate(
    ([plain, rich]) => {
      const data = new DataTransfer();
      data.setData('text/plain', plain ?? '');
      if (rich) data.setData('text/html', rich);
      document
        .querySelector('.ProseMirror')
        ?.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
    },
    [text, html],
  );
}

async function reply(page: Page) {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
  await page.locator('.ProseMirror').click();
}

test('a pasted link of the media site plays where it stands, in a frame that can reach nothing', async ({
  page,
  browser,
}) => {
  await reply(page);
  await page.keyboard.type('Nine walkers read it so:');
  await page.keyboard.press('Enter');
  await paste(page, FILM);
  const editor = page.locator('.ProseMirror');
  await expect(editor.locator('.file-card')).toContainText('The sign at Mill Lane, read by nine walkers');
  await expect(editor).not.toContainText('https://');
  await page.keyboard.type('It is the arrow.');
  await page.getByRole('button', { name: /^Share reply/u }).click();
  await page.getByRole('button', { name: 'Share it as it is' }).click();
  await expect(page).toHaveURL(/shared=\d+/u);

  const post = new URL(page.url()).searchParams.get('shared');
  const other = await (await browser.newContext()).newPage();
  const asked: string[] = [];
  other.on('request', (r) => asked.push(new URL(r.url()).pathname));
  await enterAs(other, 'Noor Vasquez', `${PLA}/conversation?post=${post}`);
  const player = other.getByRole('figure').filter({ hasText: 'read by nine walkers' });
  await expect(player.getByRole('link', { name: /Open its own page/u })).toHaveAttribute('href', FILM);
  // Before it is played nobody is told of the reader.
  expect(asked.filter((path) => path.startsWith('/media-site'))).toEqual([]);
  await player.getByRole('button', { name: /Play it here/u }).click();
  const outer = player.locator('iframe');
  await expect(outer).toHaveAttribute('sandbox', 'allow-scripts');
  const inner = outer.contentFrame().locator('iframe');
  await expect(inner).toHaveAttribute('sandbox', 'allow-scripts');
  const film = inner.contentFrame();
  await film.getByRole('button', { name: 'Play' }).click();
  await expect(film.getByRole('button', { name: 'Pause' })).toBeVisible();
  expect(
    await film.locator('body').evaluate(() => {
      const tried = (reach: () => unknown) => {
        try {
          return Boolean(reach());
        } catch {
          return 'refused';
        }
      };
      return [
        tried(() => document.cookie),
        tried(() => parent.document.body),
        tried(() => top?.document.body),
      ];
    }),
  ).toEqual(['refused', 'refused', 'refused']);
  await other.context().close();
});

test('pasted embed code is read for its address and otherwise dropped', async ({ page }) => {
  await reply(page);
  const editor = page.locator('.ProseMirror');
  await paste(
    page,
    '<iframe width="560" height="315" src="https://media.tidewell.example/player/levee-in-flood?autoplay=1" onload="fetch(\'/sign-out\')" allow="camera"></iframe><script src="https://evil.example/x.js"></script>',
  );
  await expect(editor.locator('.file-card')).toContainText('The old levee on the third day of the flood');
  expect(await editor.innerHTML()).not.toMatch(/iframe|script|onload|autoplay/u);
});

test('any other link stays a link; selected words become one', async ({ page }) => {
  await reply(page);
  const editor = page.locator('.ProseMirror');
  await paste(page, 'https://nobody.example/page');
  await expect(editor.getByRole('link', { name: 'https://nobody.example/page' })).toBeVisible();
  await page.keyboard.type(' says so');
  await expect(editor).toContainText('https://nobody.example/page says so');
  await paste(page, '<iframe src="https://evil.example/player/1"></iframe>');
  await expect(editor.getByRole('link', { name: 'https://evil.example/player/1' })).toBeVisible();
  await expect(editor.locator('iframe')).toHaveCount(0);
});

test('a frame around what is on no list shows a sentence and no player', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  for (const url of ['https://evil.example/x', 'javascript:alert(1)', `${FILM}/../../../sign-out`, '']) {
    const answer = await page.request.get(`/embeds/frame?url=${encodeURIComponent(url)}`);
    expect(await answer.text()).toContain('This cannot be played here.');
    expect(answer.headers()['content-security-policy']).toContain("frame-src 'none'");
  }
});
