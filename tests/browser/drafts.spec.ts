import { connect } from '@/db/connection';
import { GEO, editorOf, kept, atTheEnd, heldHere } from './draft';
import { enterAs, startAfresh } from './help';
import { ownServer } from './server';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

test('earlier versions are looked at, compared and brought back', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type('And one more thing.');
  await kept(page);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('All gone.');
  await expect(editorOf(page)).toContainText('All gone.');
  await expect(editorOf(page)).not.toContainText('And one more thing.');
  await kept(page);
  await page.getByRole('button', { name: 'Earlier versions' }).click();
  const dialog = page.getByRole('dialog', { name: 'Earlier versions of this draft' });
  await dialog.getByRole('navigation').getByRole('button').first().click();
  await expect(dialog.locator('del.only-first').filter({ hasText: 'thing' })).toBeVisible();
  await expect(dialog.locator('ins.only-second').filter({ hasText: 'gone' })).toBeVisible();
  await dialog.getByLabel('Compare with the text of now').uncheck();
  await expect(dialog.getByRole('article')).toContainText('And one more thing.');
  await dialog.getByRole('button', { name: 'Bring this version back' }).click();
  await expect(editorOf(page)).toContainText('And one more thing.');
  await kept(page);
  await page.getByRole('button', { name: 'Earlier versions' }).click();
  await expect(dialog.getByText('before another text took its place')).toBeVisible();
});

test('two windows: what differs is shown word by word, and both are taken with one press', async ({
  page,
  context,
}) => {
  await atTheEnd(page);
  const other = await context.newPage();
  await other.goto(`${GEO}/response`);
  await expect(editorOf(other)).toBeVisible();
  await page.keyboard.type('From the first window.');
  await kept(page);
  await editorOf(other).getByRole('paragraph').last().click();
  await other.keyboard.press('Control+End');
  await other.keyboard.type('Out of the second.');
  const alert = other.getByRole('alert').filter({ hasText: 'another window' });
  await expect(alert.locator('ins').filter({ hasText: 'first' })).toBeVisible();
  await expect(alert.locator('del').filter({ hasText: 'second' })).toBeVisible();
  await alert.getByRole('button', { name: 'Both, one below the other' }).click();
  await expect(editorOf(other)).toContainText('Out of the second.');
  await expect(editorOf(other)).toContainText('From the first window.');
  await kept(other);
});

test.describe('without a network', () => {
  // What a page asks for in that moment nobody answers.
  test.use({ mayBreak: /importScripts|Failed to fetch/u });

  test('without a network one writes on, is told so, and a closed tab loses nothing', async ({
    page,
    context,
  }) => {
    await atTheEnd(page);
    await context.setOffline(true);
    await page.keyboard.type('Written in the tunnel.');
    await expect(page.getByText('No connection: kept on this machine, trying again')).toBeVisible();
    await page.keyboard.type(' And closed in mid-sent');
    // A moment later, and well within a second, the browser's database has it; from then on the tab may die.
    await expect
      .poll(() => heldHere(page), { timeout: 1_000, intervals: [50] })
      .toContain('And closed in mid-sent');
    await page.keyboard.type('ence, as it ha');
    await page.close({ runBeforeUnload: false });
    await context.setOffline(false);
    const again = await context.newPage();
    await again.goto(`${GEO}/response`);
    await expect(editorOf(again)).toContainText('Written in the tunnel. And closed in mid-sent');
    // What the closing page still sent may have arrived before this one was drawn (then it is what both have), or after it:
    // then both texts are here, and one is asked.
    await expect(again.getByText(/^Draft kept|^Changed in another window/)).toBeVisible();
  });
});

test.describe('a page that is kept', () => {
  test.use({ mayBreak: /importScripts|Failed to fetch/u });

  test('opens without a network, with the newest words, and what is written then goes over later', async ({
    page,
    context,
  }) => {
    await atTheEnd(page);
    await page.keyboard.type('Before the tunnel.');
    await kept(page);
    // The page and all it is made of are here.
    await expect
      .poll(() =>
        page.evaluate(async () => {
          const parts = await caches.open('pulpit-parts-1');
          return Boolean(await caches.match(location.href)) && (await parts.keys()).length > 10;
        }),
      )
      .toBe(true);
    await context.setOffline(true);
    await page.reload();
    await expect(editorOf(page)).toContainText('Before the tunnel.');
    await editorOf(page).getByRole('paragraph').last().click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' In the tunnel.');
    await expect(page.getByText('No connection: kept on this machine, trying again')).toBeVisible();
    await page.reload();
    await expect(editorOf(page)).toContainText('Before the tunnel. In the tunnel.');
    await context.setOffline(false);
    await kept(page);
    await page.reload();
    await expect(editorOf(page)).toContainText('Before the tunnel. In the tunnel.');
    await expect(editorOf(page).locator('.part-heading')).toHaveCount(3);
    // Signing out takes the page and the copies away.
    await page.getByRole('button', { name: /^Account/ }).click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/sign-in/);
    expect(await page.evaluate(() => caches.has('pulpit-pages-1'))).toBe(false);
    expect(await heldHere(page)).toBe('[]');
  });
});

test('what this machine kept of a draft does not come back once that was shared from another', async ({
  page,
  browser,
}) => {
  await atTheEnd(page);
  await page.keyboard.type('As it stood on the laptop.');
  await kept(page);
  await page.goto('about:blank');
  const phone = await (await browser.newContext()).newPage();
  await enterAs(phone, 'Imani Okoro', `${GEO}/response`);
  // Before the editor is there the same press asks on a page of its own.
  await expect(editorOf(phone)).toBeVisible();
  await phone.getByRole('button', { name: 'Share with the class' }).click();
  const short = phone.getByRole('alertdialog', { name: 'Share it short?' });
  await short.getByRole('button', { name: 'Share it as it is' }).click();
  await phone.getByRole('link', { name: 'Change or withdraw it' }).click();
  await phone.getByText('Withdraw it…').click();
  await phone.getByRole('button', { name: 'Withdraw this response' }).click();
  await editorOf(phone).getByRole('paragraph').last().click();
  await phone.keyboard.press('Control+End');
  await phone.keyboard.type(' And on from the phone.');
  await kept(phone);
  await phone.context().close();
  await page.goto(`${GEO}/response`);
  await expect(editorOf(page)).toContainText('And on from the phone.');
  await kept(page);
  await expect(page.getByText('Changed in another window')).toBeHidden();
});

test.describe('a page that was left without a network', () => {
  test.use({ mayBreak: /importScripts|Failed to fetch/u });

  test('words left behind never go over what was written on another device meanwhile', async ({
    page,
    context,
    browser,
  }) => {
    await atTheEnd(page);
    await context.setOffline(true);
    // A browser's lack of a network ends with the page that had it: what a closing page still sends would go out now and then.
    await page.evaluate(() => {
      window.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    });
    await page.keyboard.type('On the train.');
    await expect.poll(() => heldHere(page)).toContain('On the train.');
    await page.close({ runBeforeUnload: false });
    const home = await (await browser.newContext()).newPage();
    await atTheEnd(home);
    await expect(editorOf(home)).not.toContainText('On the train.');
    await home.keyboard.type('At home.');
    await kept(home);
    await home.context().close();
    await context.setOffline(false);
    const again = await context.newPage();
    await again.goto(`${GEO}/response`);
    const alert = again.getByRole('alert').filter({ hasText: 'another window' });
    await expect(alert).toContainText('home');
    await expect(alert).toContainText('the train');
  });
});

test('a database that is stopped loses no word: the text waits here and goes over when it is back', async ({
  page,
}) => {
  await atTheEnd(page);
  const { database } = ownServer();
  const name = new URL(database).pathname.slice(1);
  const elsewhere = new URL(database);
  elsewhere.pathname = '/postgres';
  const admin = connect(elsewhere.href, { poolMax: 1 });
  try {
    await admin.raw(`alter database ?? allow_connections false`, [name]);
    await admin.raw('select pg_terminate_backend(pid) from pg_stat_activity where datname = ?', [name]);
    await page.keyboard.type('While nothing could be stored.');
    await expect(page.getByText('No connection: kept on this machine, trying again')).toBeVisible();
  } finally {
    await admin.raw(`alter database ?? allow_connections true`, [name]);
    await admin.destroy();
  }
  await kept(page);
  await page.reload();
  await expect(editorOf(page)).toContainText('While nothing could be stored.');
});
