import { expect, test, type Page } from './test';
import { connect } from '@/db/connection';
import { enterAs, startAfresh, sentencesOf } from './help';
import { ownServer } from './server';

test.beforeEach(() => startAfresh());

const GEO = '/discussions/geo-115-w6';
const PLA = '/discussions/pla-204-w6';
const editorOf = (page: Page) => page.getByRole('textbox', { name: 'Your response' });
const kept = (page: Page) => expect(page.getByText(/^Draft kept/)).toBeVisible();

/** Opens Imani's draft with the cursor at its very end. */
async function atTheEnd(page: Page) {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
}

/** All that this browser holds of drafts itself. */
const heldHere = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((resolve, reject) => {
        const opening = indexedDB.open('pulpit-drafts');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const all = opening.result.transaction('drafts').objectStore('drafts').getAll();
          all.onerror = () => reject(new Error('nothing held'));
          all.onsuccess = () => resolve(JSON.stringify(all.result));
        };
      }),
  );

test('the tools work by keyboard alone, and what they make is what classmates will read', async ({
  page,
}) => {
  await atTheEnd(page);
  await page.keyboard.type('A strong claim');
  await page.keyboard.press('Control+Shift+ArrowLeft');
  const bar = page.getByRole('toolbar');
  // One stop of Tab, arrows within; a tool that was used gives the text the focus back.
  await bar.getByRole('button', { name: 'Bold' }).focus();
  await page.keyboard.press('Enter');
  await expect(editorOf(page)).toBeFocused();
  await bar.getByRole('button', { name: 'Bold' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(bar.getByRole('button', { name: 'Italics' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(editorOf(page).locator('u strong, strong u')).toHaveText('claim');
  await bar.getByRole('button', { name: 'More tools' }).focus();
  await page.keyboard.press('Enter');
  await bar.getByRole('button', { name: /^Ink/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Red ink' }).press('Enter');
  await expect(editorOf(page).locator('[data-ink=brick]')).toHaveText('claim');
  // The menu gives the text the focus back when it is gone.
  await expect(editorOf(page)).toBeFocused();
  await editorOf(page).getByRole('paragraph').last().click();
  // The click has taken the marked word's place before anything is typed over it.
  await expect.poll(() => page.evaluate(() => getSelection()?.isCollapsed)).toBe(true);
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('- first');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('nested');
  await expect(editorOf(page).locator('li li')).toHaveText('nested');
  await page.keyboard.press('Control+z');
  await expect(editorOf(page)).not.toContainText('nested');
  await page.keyboard.press('Control+y');
  await expect(editorOf(page).locator('li li')).toHaveText('nested');
  await expect(editorOf(page).locator('[data-ink=brick]')).toHaveText('claim');
  await kept(page);
  await page.getByRole('button', { name: 'Preview' }).click();
  const preview = page.getByRole('dialog', { name: 'As classmates will read it' });
  await expect(preview.locator('[data-ink=brick]')).toHaveText('claim');
  await expect(preview.locator('li li')).toHaveText('nested');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Preview' })).toBeFocused();
});

test('who comes into the text by keyboard writes beneath the first question, never over it', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).focus();
  await page.keyboard.type('First: ');
  await expect(editorOf(page).locator('.part-heading').first()).toHaveText(/^1\. Which plan/);
  await expect(editorOf(page).getByRole('paragraph').first()).toHaveText(/^First: I would move/);
});

test('formulas, tables, names and the writing alone', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type('By $Q = vA$ as @teo');
  await expect(page.getByRole('option', { name: /Teodora Lind/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type('said.');
  await expect(editorOf(page).locator('.mention')).toHaveText('@Teodora Lind');
  await expect(editorOf(page).locator('.formula-inline .katex')).toBeVisible();
  await page.getByRole('button', { name: 'More tools' }).click();
  await page.getByRole('button', { name: 'Formula' }).click();
  await page.getByLabel('Formula in LaTeX').fill('\\frac{1}{n}');
  await expect(page.getByRole('group', { name: 'Preview' }).locator('.katex')).toBeVisible();
  await page.getByLabel('on a line of its own').check();
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(editorOf(page).locator('.formula .katex')).toBeVisible();
  await page.getByRole('button', { name: 'Table' }).click();
  await page.getByRole('menuitem', { name: 'Table of 3 columns' }).click();
  await page.keyboard.type('Reach');
  await expect(editorOf(page).getByRole('columnheader').first()).toHaveText('Reach');
  await kept(page);
  await page.keyboard.press('F9');
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeHidden();
  await expect(page.getByRole('heading', { level: 1 })).toBeHidden();
  await page.keyboard.press('F9');
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await page.reload();
  await expect(editorOf(page).locator('.formula .katex')).toBeVisible();
  await expect(editorOf(page).locator('.mention')).toHaveText('@Teodora Lind');
  // What is set is opened again by pressing it.
  await editorOf(page).locator('.formula').click();
  await expect(page.getByLabel('Formula in LaTeX')).toHaveValue('\\frac{1}{n}');
});

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
    await expect(again.getByText(/^Draft kept.*with what this machine still had/)).toBeVisible();
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
    await page.keyboard.type('On the train.');
    await expect.poll(() => heldHere(page)).toContain('On the train.');
    await page.close({ runBeforeUnload: false });
    const home = await (await browser.newContext()).newPage();
    await atTheEnd(home);
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

test('proofreading finds what is worth a look, leads there, mends it or leaves it', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type('The the rivver rose, as Teodroa said.');
  await page.getByRole('button', { name: 'Proofread' }).click();
  const panel = page.getByRole('region', { name: 'Proofreading' });
  await expect(panel.getByRole('heading')).toHaveText('3 things to look at');
  await panel.getByRole('button', { name: /rivver.* is not in the dictionary/ }).click();
  expect(await page.evaluate(() => getSelection()?.toString())).toBe('rivver');
  await panel.getByRole('button', { name: 'Suggest' }).click();
  await panel.getByRole('button', { name: 'river', exact: true }).click();
  await expect(panel.getByRole('heading')).toHaveText('2 things to look at');
  await panel.getByRole('button', { name: 'Teodora', exact: true }).click();
  await expect(editorOf(page)).toContainText('The the river rose, as Teodora said.');
  await panel.getByRole('button', { name: /^Leave it.*The the$/ }).click();
  await expect(panel.getByRole('heading')).toHaveText('Nothing to look at');
  // A word that is right here is learnt, and right the next time too.
  await expect(panel).toBeFocused();
  await editorOf(page).focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' The thalweg moved.');
  await panel.getByRole('button', { name: 'It is right: learn it' }).click();
  await expect(panel.getByRole('heading')).toHaveText('Nothing to look at');
  await page.reload();
  await page.getByRole('button', { name: 'Proofread' }).click();
  await expect(panel.getByRole('heading')).toHaveText('1 thing to look at');
  await expect(panel.getByText('“The the”')).toBeVisible();
});

test('a shared response is changed, the class reads “edited”, and its author and staff every version', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/response`);
  await page.getByRole('link', { name: 'Change or withdraw it' }).click();
  await expect(page.getByText('It cannot be withdrawn: somebody has answered it.')).toBeVisible();
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' One thing I saw later.');
  await expect(page.getByText('With this change: Counts as your response.')).toBeVisible();
  await page.getByRole('button', { name: 'Share the change' }).click();
  await expect(page.getByText('the new text is the one that counts.')).toBeVisible();
  await page.getByRole('link', { name: 'Every version' }).click();
  await expect(page.locator('ins.only-second').last()).toContainText('One thing I saw later.');
  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Prof. Elias Wick', `${PLA}/conversation`);
  await staff
    .getByRole('link', { name: /Imani Okoro/ })
    .first()
    .click();
  await staff.getByRole('link', { name: 'edited' }).click();
  await expect(staff.getByRole('heading', { name: 'Every version of Imani Okoro’s response' })).toBeVisible();
  await staff.context().close();
});

test('a response nobody has answered is withdrawn, and its text is the draft again', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type(`So it was (Holt, 2021). ${sentencesOf(170)}`);
  await expect(page.getByText('If shared now: counts as your response.')).toBeVisible();
  await page.getByRole('button', { name: 'Share with the class' }).click();
  await page.getByRole('link', { name: 'Change or withdraw it' }).click();
  await page.getByText('Withdraw it…').click();
  await page.getByRole('button', { name: 'Withdraw this response' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'It is withdrawn' })).toBeVisible();
  await expect(editorOf(page)).toContainText('So it was (Holt, 2021). Where the meadow floods');
});

test('a receipt is saved and verified by somebody who is not signed in; a changed one says what fails', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w5/part');
  await page.getByText('Receipt', { exact: true }).first().click();
  await page.getByRole('link', { name: 'Receipt to print or save' }).first().click();
  await expect(page.getByRole('heading', { name: 'Receipt for a shared response' })).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save the signed file' }).click();
  const path = await (await saving).path();
  const anybody = await (await browser.newContext()).newPage();
  await anybody.goto('/verify');
  await anybody.getByLabel('The file', { exact: true }).setInputFiles({
    name: 'receipt.json',
    mimeType: 'application/json',
    buffer: await (await import('node:fs/promises')).readFile(path),
  });
  await anybody.getByRole('button', { name: 'Verify it' }).click();
  await expect(anybody.getByRole('heading', { name: 'This receipt is genuine.' })).toBeVisible();
  const file = JSON.parse(await (await import('node:fs/promises')).readFile(path, 'utf8')) as {
    receipt: { sharedAt: string };
  };
  file.receipt.sharedAt = '2026-10-01T08:00:00.000Z';
  await anybody.getByLabel('or what is in it').fill(JSON.stringify(file));
  await anybody.getByRole('button', { name: 'Verify it' }).click();
  await expect(anybody.getByRole('heading', { name: 'This receipt cannot be trusted.' })).toBeVisible();
  await expect(
    anybody.getByText(/sharedAt was changed: the file says “2026-10-01T08:00:00.000Z”/),
  ).toBeVisible();
  await anybody.context().close();
});

test('a note to oneself is kept as one types, and nobody else gets it', async ({ page, browser }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await expect(editorOf(page)).toBeVisible();
  await page.getByText('Notes to self', { exact: true }).click();
  await page.getByLabel(/^Notes to self/).fill('Ask Desmond about the farms.');
  await expect(page.getByRole('status').filter({ hasText: 'Kept.' })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel(/^Notes to self/)).toHaveValue('Ask Desmond about the farms.');
  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Dr. Maren Holt', `${GEO}/response`);
  await expect(staff.locator('body')).not.toContainText('Ask Desmond');
  await staff.context().close();
});

test('a source is put on the shelf and cited: the citation at the cursor, its entry in the list', async ({
  page,
}) => {
  await atTheEnd(page);
  await page.keyboard.type('Setting back works ');
  await page.getByRole('button', { name: 'Cite' }).click();
  const shelf = page.getByRole('dialog', { name: 'Your sources in this course' });
  await shelf
    .getByLabel(/^A new source/)
    .fill(
      '@book{h, author={Holt, Maren}, title={The wall that held}, publisher={Tidewell Press}, year={2019}}',
    );
  await shelf.getByRole('button', { name: 'Put it on the shelf', exact: true }).click();
  await shelf.getByLabel('Style').selectOption('MLA');
  await expect(shelf.getByRole('button', { name: /^Cite \(Holt\)/ })).toBeVisible();
  await shelf.getByLabel('Style').selectOption('APA');
  await shelf.getByRole('button', { name: /^Cite \(Holt, 2019\)/ }).click();
  await expect(editorOf(page)).toContainText('Setting back works (Holt, 2019)');
  await expect(editorOf(page).getByRole('heading', { name: 'References' })).toBeVisible();
  await expect(editorOf(page).locator('em').filter({ hasText: 'The wall that held' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Sources 1 \/ 1/ })).toBeVisible();
});

test('what is pasted is cleaned: nothing runs, its words stay', async ({ page }) => {
  await atTheEnd(page);
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData(
      'text/html',
      `<p onclick="window.pwned=1">One<script>window.pwned=1</script>
       <img src=x onerror="window.pwned=1"><a href="javascript:window.pwned=1">two</a></p>
       <svg onload="window.pwned=1"><text>three</text></svg>
       <table><tr><td colspan=40 onmouseover="window.pwned=1">four</td></tr></table>
       <span data-ink="red;background:url(x)">five</span><span data-person="nobody">six</span>`,
    );
    document
      .querySelector('.ProseMirror')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  for (const word of ['One', 'two', 'four', 'five', 'six']) await expect(editorOf(page)).toContainText(word);
  await expect(
    editorOf(page).locator('script, img:not(.ProseMirror-separator), svg, [onclick], a[href^=javascript]'),
  ).toHaveCount(0);
  await kept(page);
  await page.reload();
  await expect(editorOf(page)).toContainText('four');
  expect(await page.evaluate(() => 'pwned' in window)).toBe(false);
});
