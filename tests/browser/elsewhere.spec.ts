import { CLOCKS } from '../elsewhere/discussions';
import { KNOWN } from '../elsewhere/pages-known';
import { enterAs, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

/** A page as its student saves it: one of those who wrote on it is she herself. */
const pageOf = (name: string) =>
  (KNOWN.find((p) => p.name === name)?.content ?? '').replaceAll('Greta Lindqvist', 'Imani Okoro');
const saved = (content: string) => ({
  name: 'discussion.html',
  mimeType: 'text/html',
  buffer: Buffer.from(content),
});
const blocks = (page: Page) =>
  page.getByRole('list', { name: 'Blocks of the page' }).getByRole('listitem', { name: /^Block/u });
let conversation = '';

test('a saved page is dropped, its posts are looked through and put right, and it becomes a discussion of one’s own', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  await page.getByLabel(/^Or a file/u).setInputFiles(saved(pageOf('microdata')));
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Is this what stands on the page?');
  await expect(page.getByText(/9 posts by 5 people, and the prompt/u)).toBeVisible();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(CLOCKS.title);
  await expect(page.getByLabel('Course', { exact: true })).toHaveValue('HIS 230 Time and Towns');
  await expect(blocks(page)).toHaveCount(10);
  await expect(blocks(page).nth(2)).toContainText('Imani Okoro');
  await expect(blocks(page).nth(2)).toContainText('yours, posted there');
  await expect(blocks(page).nth(2)).toContainText('to Anselm Price: a link leads there');
  // A post is split in two, joined again, and nothing of the others moves.
  await blocks(page).nth(1).locator('summary').click();
  await page.getByRole('button', { name: /paragraph 2 of block 2$/u }).click();
  await expect(blocks(page)).toHaveCount(11);
  await expect(blocks(page).nth(3)).toContainText('to Anselm Price');
  await blocks(page).nth(2).locator('summary').click();
  await page.getByRole('button', { name: 'This goes on from block 2: join them' }).click();
  await expect(blocks(page)).toHaveCount(10);
  // One is left out, and a name is put right.
  await page.getByLabel('What block 10 is').selectOption({ label: 'Neither: leave it out' });
  await blocks(page).nth(1).locator('summary').click();
  await blocks(page).nth(1).getByLabel('Whose').fill('Anselm Pryce');
  await page.getByRole('button', { name: 'Go on: what the prompt asks' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Is this what the prompt asks?');
  await page.getByLabel('Response due').fill('2026-10-15 23:59');
  await page.getByLabel('Replies due').fill('2026-10-18 23:59');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page).toHaveURL(/\/discussions\/outside-[0-9a-f]+\/response/u);
  await page.getByRole('link', { name: /^Conversation/u }).click();
  const responses = page.getByRole('navigation', { name: 'Responses' });
  await responses.getByRole('link', { name: /^All/u }).click();
  await responses.getByRole('link', { name: /Anselm Pryce/u }).click();
  await expect(page.getByRole('article', { name: 'Response by Anselm Pryce' })).toContainText(
    'the sexton decided',
  );
  await expect(page.getByRole('article', { name: 'Reply by Imani Okoro' }).first()).toContainText(
    'Does Dunmore say',
  );
  conversation = page.url().replace(/\?.*$/u, '');
  // What she posted there counts as hers, at the time the page says.
  await page.goto(conversation.replace('/conversation', '/part'));
  await expect(page.getByText('Reply to Anselm Pryce').first()).toBeVisible();
});

test('a newer copy puts in what is new, changes what was changed, doubles nothing, and what is new is unread', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro');
  await page.goto(conversation);
  const responses = page.getByRole('navigation', { name: 'Responses' });
  await responses.getByRole('link', { name: 'Bring in the page again' }).click();
  const newer = pageOf('microdata').replace(
    'That is a moving noon',
    'That is, I have seen since, a moving noon',
  );
  await page.getByLabel(/^Or a file/u).setInputFiles(saved(newer));
  await page.getByRole('button', { name: 'Look what is new' }).click();
  await expect(page.getByText(/1 new, 1 changed, 7 here already/u)).toBeVisible();
  await expect(blocks(page).nth(4)).toContainText('changed since');
  await expect(blocks(page).nth(9)).toContainText('new');
  await page.getByRole('button', { name: 'Put 1 new post in, change 1' }).click();
  await expect(page).toHaveURL(/conversation\?show=unread/u);
  await expect(responses.getByRole('link', { name: /Ines de la Cruz/u })).toBeVisible();
  await responses.getByRole('link', { name: /^All/u }).click();
  await responses.getByRole('link', { name: /Bo Akintola/u }).click();
  await expect(page.getByRole('article', { name: 'Response by Bo Akintola' })).toContainText(
    'I have seen since',
  );
  // The same copy once more changes nothing.
  await page.goto(`${conversation.replace('/conversation', '/newer')}`);
  await page.getByLabel(/^Or a file/u).setInputFiles(saved(newer));
  await page.getByRole('button', { name: 'Look what is new' }).click();
  await expect(page.getByText(/0 new, 0 changed, 9 here already/u)).toBeVisible();
  await page.getByRole('button', { name: 'Put it away' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Bring in a discussion');
});

test('what holds no posts is taken as a prompt, and as a newer copy it changes nothing', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  await page.goto(conversation.replace('/conversation', '/newer'));
  await page.getByLabel('The page’s text').fill('Only a paragraph, by nobody.');
  await page.getByRole('button', { name: 'Look what is new' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'No post was found there' })).toBeVisible();
});
