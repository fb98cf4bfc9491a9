import { expect, test } from './test';
import { servingUrl } from '../../scripts/lib/serving';
import { runningWeb, startWeb, stopWeb } from '../../scripts/lib/web';
import { enterAs, loseOne, startAfresh, sentencesOf } from './help';
import { ownServer } from './server';

test.beforeAll(() => startAfresh());

const { run, port, slot, database } = ownServer();
const restart = async () => {
  const env = { DATABASE_URL: await servingUrl(database), PULPIT_DEMO: '1' };
  return startWeb(run, { port, slot, mark: 'test', env });
};

// What a page asks for while its server is away nobody answers.
test.use({ mayBreak: /importScripts|Failed to fetch/u });
test('a killed server loses no word: the text waits on this machine and goes over when the server is back', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await editor.getByRole('paragraph').last().click();
  await page.keyboard.type('Before the lights went out. ');
  await expect(page.getByText(/^Draft kept/)).toBeVisible();
  const server = runningWeb(run);
  if (!server) throw new Error('no server to kill');
  process.kill(server.pid, 'SIGKILL');
  await page.keyboard.type('And in the dark.');
  await expect(page.getByText('No connection: kept on this machine, trying again')).toBeVisible();
  await stopWeb(run);
  await restart();
  await expect(page.getByText(/^Draft kept/)).toBeVisible({ timeout: 20_000 });
  await page.reload();
  await expect(editor).toContainText('Before the lights went out. And in the dark.');
});

test('a share whose answer was lost is tried again and makes one post', async ({ page }) => {
  // The first request reaches the server; its answer never reaches the page.
  const lost = await loseOne(page, { method: 'POST', holding: '/discussions/geo-115-w6/posts' });
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await editor.getByRole('paragraph').last().click();
  await page.keyboard.press('End');
  await page.keyboard.insertText(` So it was (Holt, 2021). ${sentencesOf(150)}`);
  await expect(page.getByText('If shared now: counts as your response.')).toBeVisible();
  await page.getByRole('button', { name: 'Share with the class' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Nobody answered' })).toContainText(
    'can never be shared twice',
  );
  expect(await lost()).toBe(1);
  await page.getByRole('button', { name: 'Share with the class' }).click();
  await expect(page.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
  await page.goto('/discussions/geo-115-w6/part');
  await expect(page.getByText('Response · Give the meadows back')).toHaveCount(1);
});
