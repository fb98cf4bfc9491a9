import { expect, test, type Browser, type Page } from './test';
import { enterAs, startAfresh } from './help';

test.beforeEach(() => startAfresh());

const PLA = '/discussions/pla-204-w6';
const editorOf = (page: Page) => page.locator('.ProseMirror');
const list = (page: Page) => page.getByRole('navigation', { name: 'Responses' });
const kept = (page: Page) => expect(page.getByText(/^Draft kept/)).toBeVisible();

async function another(browser: Browser, who: string, path: string) {
  const page = await (await browser.newContext()).newPage();
  await enterAs(page, who, path);
  return page;
}

test('who owes replies is shown whom to answer and why, and opens the first by keyboard', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation`);
  await expect(list(page).getByRole('link', { name: 'Worth answering' })).toHaveAttribute(
    'aria-current',
    'true',
  );
  await expect(page.getByText('Worth answering first: Kwame Sorley.')).toBeVisible();
  await expect(page.getByText('Worth answering first: Kwame Sorley. Nobody has answered it.')).toBeVisible();
  const first = list(page).locator('ul').last().getByRole('link').first();
  await expect(first).toContainText('no replies yet');
  await expect(list(page).locator('ul').last()).not.toContainText('Imani Okoro');
  await page.getByRole('link', { name: 'Read Kwame’s response' }).press('Enter');
  await expect(page.getByRole('textbox', { name: 'Your reply to Kwame Sorley' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin with “Hi Kwame,”' }).press('Enter');
  await expect(editorOf(page)).toHaveText('Hi Kwame,');
  await expect(page.getByRole('button', { name: /^Begin with/ })).toBeHidden();
  await kept(page);
  await page.goBack();
  await expect(list(page).getByRole('link').filter({ hasText: 'Kwame Sorley' })).toContainText('draft begun');
});

test('the writer alone is told whether the reply says something, with its places in the text', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
  await editorOf(page).click();
  await page.keyboard.insertText('Great post, I agree with you! It was so interesting to read.');
  const says = page.getByRole('region', { name: 'What this reply says' });
  const line = page.getByRole('button', { name: /all checks|fold the checks/u });
  await expect(line).toContainText('Says little of its own yet');
  await line.click();
  await expect(says).toContainText('Says little of its own yet.');
  await expect(says).toContainText('Missing: one thing that Rafi wrote');
  await says.getByRole('button', { name: /^Praise/ }).click();
  await expect(says).toContainText('it could stand under any post');
  await expect(editorOf(page).locator('.evidence').first()).toContainText('Great post');
  await page.keyboard.press('Tab');
  await editorOf(page).press('Control+a');
  await page.keyboard.insertText(
    'Your two arrows only work because the stair is in sight from both ends, and people copy each other. But a blind man with a stick gets no look from anybody. Would a painted 3 help him, or does he need a strip on the floor from each arrow to the stair?',
  );
  await expect(says).toContainText(/Moves the discussion on\.|So far: takes up a point of Rafi’s/u);
  await says.getByRole('button', { name: /A point of Rafi’s/ }).press('Enter');
  await expect(says).toContainText('It takes up this of Rafi’s: “A "3" painted over the stair');
  await expect(editorOf(page).locator('.evidence').first()).toContainText('Would a painted 3');
  await kept(page);
  await page.getByRole('button', { name: /^Share reply 1 of 2/ }).click();
  await expect(page).toHaveURL(/shared=\d+/u);
  const post = new URL(page.url()).searchParams.get('shared');
  const rafi = await another(browser, 'Rafi Castellan', `${PLA}/conversation?post=${post}`);
  await expect(rafi.getByText('Your two arrows only work').first()).toBeVisible();
  expect(await rafi.content()).not.toMatch(/Moves the discussion on/u);
  await rafi.context().close();
});

test('a post that is changed while it is answered: both texts are shown before the answer goes out', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=232`);
  const name = await page.getByRole('article').first().getByRole('heading').first().innerText();
  await editorOf(page).click();
  await page.keyboard.insertText(
    'You say where the arrow points, but nobody stands where it would be read. If it hung lower, would the bus driver still follow it, or is the whole board too late for anybody who comes by road and not on foot from the market?',
  );
  await kept(page);
  const author = await another(browser, name, `${PLA}/posts/232/edit`);
  await editorOf(author).press('Control+End');
  await author.keyboard.type(' I have measured it since: two metres.');
  await kept(author);
  await author.getByRole('button', { name: 'Share the change' }).click();
  await expect(author).toHaveURL(/\/response|conversation/u);
  await author.context().close();

  await page.getByRole('button', { name: /^Share reply 1 of 2/ }).click();
  const dialog = page.getByRole('alertdialog', { name: /changed the post meanwhile/ });
  await expect(dialog).toContainText('Your reply is not shared yet and is kept as a draft.');
  await expect(dialog.getByRole('group', { name: /What .* changed/ })).toContainText(
    'I have measured it since',
  );
  await dialog.getByRole('button', { name: 'Keep writing' }).click();
  // The newer text is on the left page now, and the desk says so.
  await expect(page.getByText(/changed this post .* after you began/)).toBeVisible();
  await expect(page.getByRole('article').first()).toContainText('I have measured it since');
  await page.getByRole('button', { name: /^Share reply 1 of 2/ }).click();
  await expect(page.getByText('Counts as reply 1 of 2.')).toBeVisible();
});

test('well said is seen by its author, a bookmark by nobody else; replies to me are a list', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Noor Vasquez', `${PLA}/conversation?post=229`);
  const post = page.getByRole('article').first();
  const well = post.getByRole('button', { name: /^Well said, post 229/ });
  await well.press('Enter');
  await expect(well).toHaveAttribute('aria-pressed', 'true');
  await expect(well).toContainText('Well said 1');
  const marked = page.waitForResponse(
    (r) => r.url().endsWith('/posts/229/reactions') && /bookmark/u.test(r.request().postData() ?? ''),
  );
  await post.getByRole('button', { name: /^Bookmark, post 229/ }).press('Space');
  await marked;
  await expect(post.getByText('Bookmarked', { exact: true })).toBeVisible();
  await page.reload();
  await expect(well).toHaveAttribute('aria-pressed', 'true');
  await list(page).getByRole('link', { name: 'Bookmarked 1' }).click();
  await expect(list(page).locator('ul').last().getByRole('link')).toHaveCount(1);

  const imani = await another(browser, 'Imani Okoro', `${PLA}/conversation?post=229`);
  const own = imani.getByRole('article').first();
  await expect(own).toContainText('Well said 1');
  await expect(own.getByRole('button', { name: /^Bookmark, post 229/ })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await list(imani)
    .getByRole('link', { name: /^To you/ })
    .click();
  const toMe = list(imani).locator('ul').last().getByRole('link');
  await expect(toMe.first()).toContainText('to Imani Okoro');
  await toMe.first().click();
  await expect(imani.getByRole('textbox', { name: /^Your reply to/ })).toBeVisible();
  await imani.context().close();
});

test('a name opens its owner’s posts here, and the number of a post shows how it begins', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation?post=221`);
  await page.getByRole('button', { name: 'Noor Vasquez: posts here' }).first().press('Enter');
  const card = page.getByRole('dialog', { name: 'Posts of Noor Vasquez here' });
  await expect(card.getByRole('link', { name: /^#\d+ response/ })).toBeVisible();
  await expect(card.getByRole('link', { name: 'Everything they wrote here' })).toHaveAttribute(
    'href',
    /show=person&of=/u,
  );
  await page.keyboard.press('Escape');
  await expect(card).toBeHidden();
  await editorOf(page).click();
  await page.keyboard.type('As #23');
  await page.keyboard.type('2');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type(' shows, the arrow and the stair say the same to who knows the town.');
  await kept(page);
  await page.getByRole('button', { name: /^Share reply/ }).click();
  await page.getByRole('button', { name: 'Share it as it is' }).click();
  await expect(page).toHaveURL(/shared=\d+/u);
  const number = page.getByRole('article').getByRole('link', { name: '#232' });
  await number.focus();
  await expect(page.getByText(/response #232/)).toBeVisible();
  await number.press('Enter');
  await expect(page).toHaveURL(/post=232/u);
});
