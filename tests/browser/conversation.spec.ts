import { randomUUID } from 'node:crypto';
import { instant, personId } from '@/core/ids';
import { documentFromText } from '@/core/document/compose';
import { share } from '@/server/posts/share';
import { expect, test, type Page } from './test';
import { servingUrl } from '../../scripts/lib/serving';
import { runningWeb, startWeb, stopWeb } from '../../scripts/lib/web';
import { database, enterAs, START, startAfresh } from './help';
import { ownServer } from './server';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

const PLA = '/discussions/pla-204-w6/conversation';
const arrived = (page: Page) => page.getByRole('button', { name: /: show$/ });
const bar = (page: Page) => page.getByRole('group', { name: 'Reading this conversation' });
const openPost = (page: Page) => Number(new URL(page.url()).searchParams.get('post'));

/** Another person, in a browser of their own. */
async function another(page: Page, name: string, to: string) {
  const context = await page.context().browser()?.newContext();
  const theirs = await context?.newPage();
  if (!context || !theirs) throw new Error('no second browser');
  await enterAs(theirs, name, to);
  return { page: theirs, close: () => context.close() };
}

async function answer(page: Page, post: number, words: string) {
  await page.goto(`${PLA}?post=${post}`);
  const editor = page.locator('.ProseMirror');
  await expect(editor).toBeVisible();
  await editor.click();
  await page.keyboard.insertText(words);
  await expect(page.getByText(/^Draft kept/)).toBeVisible();
  await page.getByRole('button', { name: /^Share(?: reply|, not counted)/ }).click();
  const short = page.getByRole('alertdialog');
  await expect(short.or(page.getByRole('heading', { name: /^Your reply to/ }))).toBeVisible();
  if (await short.isVisible()) await page.getByRole('button', { name: 'Share it as it is' }).click();
  await expect(page.getByRole('heading', { name: /^Your reply to/ })).toBeVisible();
}

test('a room is read in three arrangements, each in the address and remembered', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', PLA);
  await expect(page.getByRole('navigation', { name: 'Responses' })).toBeVisible();
  await bar(page).getByRole('button', { name: 'Headlines' }).click();
  await expect(page).toHaveURL(/as=headlines/);
  await expect(page.getByRole('navigation', { name: 'Responses' })).toHaveCount(0);
  // A line opens in its place, and closes.
  const line = page.locator('#headline-221');
  await line.click();
  await expect(page).toHaveURL(/post=221/);
  await expect(page.getByRole('article', { name: 'Response by Rafi Castellan' })).toBeVisible();
  await expect(page.locator('#headline-229')).toBeVisible();
  await page.getByRole('link', { name: 'Close post 221' }).click();
  await expect(line).toBeVisible();
  // It is remembered: an address that says nothing is laid out so.
  await page.goto(PLA);
  await expect(line).toBeVisible();
  await bar(page).getByRole('button', { name: 'By time' }).click();
  await expect(page.getByRole('article').first()).toBeVisible();
  const first = await page.getByRole('article').first().getAttribute('id');
  await page.getByRole('button', { name: 'Oldest first' }).click();
  await expect(page.getByRole('button', { name: 'Newest first' })).toBeVisible();
  await expect(page.getByRole('article').first()).not.toHaveAttribute('id', first ?? '');
  await expect(page.getByRole('article').last()).toHaveAttribute('id', first ?? '');
  // What is given on says how it looks, whatever the other is used to.
  const given = page.url();
  const noor = await another(page, 'Noor Vasquez', PLA);
  await noor.page.goto(given);
  await expect(noor.page.getByRole('article').last()).toHaveAttribute('id', first ?? '');
  await noor.page.goto(PLA);
  await expect(noor.page.getByRole('navigation', { name: 'Responses' })).toBeVisible();
  await noor.close();
  await bar(page).getByRole('button', { name: 'Threads' }).click();
  await expect(page.getByRole('navigation', { name: 'Responses' })).toBeVisible();
});

test('from post to post and to what is unread by keys, without the list', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${PLA}?post=221&show=all`);
  await expect(page.locator('.ProseMirror')).toBeVisible();
  const before = openPost(page);
  await page.keyboard.press('.');
  await expect.poll(() => openPost(page)).not.toBe(before);
  const second = openPost(page);
  await expect(page.locator(`#post-${second}`)).toBeInViewport();
  await page.keyboard.press(',');
  await expect.poll(() => openPost(page)).toBe(before);
  // Every key press leads to another unread post, until there is none.
  const seen = new Set<number>();
  for (let i = 0; i < 40; i += 1) {
    const next = page.locator('[data-key-unread]');
    await expect(next.or(bar(page).getByText('All read'))).toBeVisible();
    if ((await next.count()) === 0) break;
    const here = openPost(page);
    await page.keyboard.press('n');
    await expect.poll(() => openPost(page)).not.toBe(here);
    const now = openPost(page);
    expect(seen.has(now)).toBe(false);
    seen.add(now);
    await expect(
      page.locator(`#post-${now}`).getByRole('button', { name: /^Read: mark as unread/ }),
    ).toBeVisible();
  }
  expect(seen.size).toBeGreaterThan(5);
  await expect(bar(page).getByText('All read')).toBeVisible();
});

test('words are found within the conversation, and what was found is in the address', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${PLA}?as=headlines`);
  await page.getByRole('searchbox', { name: 'Find in this conversation' }).fill('underpass');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/words=underpass/);
  await expect(page.getByRole('link', { name: /^“underpass” \d/ })).toBeVisible();
  await expect(page.locator('#headline-221')).toContainText('underpass');
  await page.reload();
  await expect(page.locator('#headline-221')).toContainText('underpass');
});

test('what another shares waits without moving what one reads, and comes when asked for', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}?post=221&show=all&as=threads`);
  await expect(page.locator('.ProseMirror')).toBeVisible();
  const reading = await page.locator('#post-221').boundingBox();
  const noor = await another(page, 'Noor Vasquez', PLA);
  await answer(noor.page, 221, 'A reply that nobody has seen yet, and it asks: who hung the sign there?');
  await expect(arrived(page)).toHaveText(/1 new post/);
  await expect(page.getByText('A reply that nobody has seen yet')).toHaveCount(0);
  expect(await page.locator('#post-221').boundingBox()).toEqual(reading);
  await answer(noor.page, 221, 'And a second one, a little later, about the stair in the middle of it all.');
  await expect(arrived(page)).toHaveText(/2 new posts/);
  await page.keyboard.press('s');
  await expect(page.getByText('A reply that nobody has seen yet')).toBeVisible();
  await expect(page.getByText('And a second one')).toBeVisible();
  await expect(arrived(page)).toHaveCount(0);
  expect(await page.locator('#post-221').boundingBox()).toEqual(reading);
  await noor.close();
});

test.describe('while the server is away', () => {
  // What a page asks for in that moment nobody answers.
  test.use({ mayBreak: /importScripts|Failed to fetch/u });

  test('a lost connection goes on where it was: nothing is missed and nothing comes twice', async ({
    page,
  }) => {
    const { run, port, slot, database: url } = ownServer();
    await enterAs(page, 'Imani Okoro', `${PLA}?post=221&show=all&as=threads`);
    await expect(page.locator('.ProseMirror')).toBeVisible();
    const server = runningWeb(run);
    if (!server) throw new Error('no server to kill');
    process.kill(server.pid, 'SIGKILL');
    await stopWeb(run);
    // Said while nobody could hear it.
    const db = database();
    try {
      const noor = await db('people').where({ name: 'Noor Vasquez' }).first('id');
      const shared = await share(
        { db, now: instant(START + 3_600_000) },
        { id: personId(noor.id), name: 'Noor Vasquez', timeZone: 'Europe/London', previousVisit: null },
        'pla-204-w6',
        {
          kind: 'reply',
          parent: 221,
          submission: randomUUID(),
          title: '',
          doc: documentFromText('Said while nobody could hear it.'),
          private: false,
        },
      );
      expect(shared.ok).toBe(true);
    } finally {
      await db.destroy();
    }
    const env = { DATABASE_URL: await servingUrl(url), PULPIT_DEMO: '1' };
    await startWeb(run, { port, slot, mark: 'test', env });
    await expect(arrived(page)).toHaveText(/^\s*1 new post/, { timeout: 60_000 });
  });
});

test('one follows what one answered, and one press undoes it', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${PLA}?post=229&as=threads&show=all`);
  const follow = page.getByRole('button', { name: 'Follow this thread' });
  await expect(follow).toHaveAttribute('aria-pressed', 'true');
  const sent = page.waitForResponse((r) => r.url().endsWith('/follow') && r.ok());
  await follow.click();
  await sent;
  await page.reload();
  await expect(follow).toHaveAttribute('aria-pressed', 'false');
});

test('a reader reports, staff hide with a reason, pin and lock; all of it stands in the log', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}?post=221&as=threads&show=all`);
  await page.getByRole('button', { name: /^More about post 221/ }).click();
  await page.getByRole('button', { name: 'Report to staff…' }).click();
  await page.getByRole('button', { name: 'Report it' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Say why' })).toBeVisible();
  await page.getByLabel('What is wrong with it?').fill('It makes fun of the man with the ladder.');
  await page.getByRole('button', { name: 'Report it' }).click();
  await expect(page.getByText('The staff of the course will look at it.')).toBeVisible();
  await page.keyboard.press('Escape');

  const staff = await another(page, 'Prof. Elias Wick', '/discussions/pla-204-w6/moderation');
  await expect(staff.page.getByRole('heading', { name: '1 post reported' })).toBeVisible();
  await expect(staff.page.getByText('fun of the man with the ladder').first()).toBeVisible();
  await staff.page.goto(`${PLA}?post=221&as=threads&show=all`);
  const choose = async (act: string) => {
    await staff.page.getByRole('button', { name: /^More about post 221/ }).click();
    await staff.page.getByRole('button', { name: act }).click();
  };
  await choose('Pin to the top');
  await expect(staff.page.locator('#post-221').getByText('pinned')).toBeVisible();
  await choose('Lock the thread');
  await expect(staff.page.locator('#post-221').getByText('locked')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Staff have locked this thread').first()).toBeVisible();
  await choose('Hide from the class…');
  await staff.page.getByLabel('Why is it hidden?').fill('It names somebody who cannot answer.');
  await staff.page.getByRole('button', { name: 'Hide it' }).click();
  await expect(staff.page.locator('#post-221').getByText('Staff have hidden this post')).toBeVisible();
  await expect(arrived(page)).toHaveText(/1 post changed/);
  await arrived(page).click();
  await expect(page.locator('#post-221').getByText('Staff have hidden this post')).toBeVisible();
  await expect(page.getByText('Reply by Noor').first()).toHaveCount(0);
  await staff.page.goto('/discussions/pla-204-w6/moderation');
  const log = staff.page.getByRole('region', { name: 'What was done' });
  for (const done of ['hid #221', 'locked the thread of #221', 'pinned #221', 'reported #221'])
    await expect(log).toContainText(done);
  await staff.close();
});

test('a conversation is taken along as a file, and followed by a private address that can be stopped', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/exports');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'One HTML page' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('pla-204-w6.html');
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('The address').inputValue();
  const feed = await page.request.get(address);
  expect(feed.headers()['content-type']).toContain('application/atom+xml');
  expect(await feed.text()).toContain('Response by Noor Vasquez');
  const again = await page.request.get(address, { headers: { 'if-none-match': feed.headers().etag ?? '' } });
  expect(again.status()).toBe(304);
  await page.getByRole('button', { name: 'Stop the feed' }).click();
  await expect(page.getByText('its address no longer works')).toBeVisible();
  expect((await page.request.get(address)).status()).toBe(404);
});
