import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeAll(() => startAfresh());

const SYLLABUS = `HIS 240 Cities and Their Water
Autumn 2026

Discussions
Each discussion asks for a first post of at least 180 words by Thursday, 11:59 pm, and two replies of at least 50 words by Sunday, 11:59 pm.

Week 6 (October 12 - October 18): Springs
Discussion: Who owns a well?

Week 7 (October 19 - October 25): Pipes
Discussion: What did pipes change?

Week 8 (October 26 - November 1): Fever
Discussion: Why did the town wait?`;

test('a syllabus becomes the discussions of its term in one table, and each prompt is brought in when the course shows it', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  await page.getByLabel('The prompt’s text').fill(SYLLABUS);
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Are these the term’s discussions?');
  const rows = page.getByRole('list', { name: 'Discussions' }).getByRole('listitem');
  await expect(rows).toHaveCount(3);
  await expect(rows.first().getByLabel('Response due')).toHaveValue('2026-10-15 23:59');
  await expect(page.getByLabel('Words of the response, at least')).toHaveValue('180');
  // One is no discussion, one has another title and no day yet.
  await rows.nth(2).getByRole('checkbox').uncheck();
  await rows.nth(1).getByLabel('Title').fill('What did the pipes change?');
  await rows.nth(1).getByLabel('Response due').fill('');
  await page.getByRole('button', { name: 'Make them discussions of mine' }).click();
  await expect(page.getByRole('status').filter({ hasText: '1 row needs something first' })).toBeVisible();
  await expect(rows.nth(1).getByLabel('Title')).toHaveValue('What did the pipes change?');
  await expect(rows.nth(2).getByRole('checkbox')).not.toBeChecked();
  await rows.nth(1).getByLabel('Response due').fill('2026-10-22 23:59');
  await page.getByRole('button', { name: 'Make them discussions of mine' }).click();
  await expect(page).toHaveURL(/\/discussions$/u);
  await page
    .getByRole('main')
    .getByRole('link', { name: /Who owns a well/u })
    .first()
    .click();
  await page.waitForURL(/\/discussions\/outside-/u);
  await page.goto(`${page.url().replace(/\/(?:response|conversation|part).*$/u, '')}/response`);
  await expect(page.getByText('The prompt itself is not here yet')).toBeVisible();
  await page.getByRole('link', { name: 'bring it in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The prompt of “Who owns a well?”');
  await page
    .getByLabel(/^The prompt’s text/u)
    .fill('Who owns the water under a field, and who should? Your response has at least 210 words.');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.getByLabel('Response due')).toHaveValue('2026-10-15 23:59');
  await page.getByRole('button', { name: 'Put it in its place' }).click();
  await expect(page).toHaveURL(/\/response$/u);
  await expect(page.getByRole('region', { name: 'Prompt' })).toContainText(
    'Who owns the water under a field',
  );
  await expect(page.getByText('The prompt itself is not here yet')).toHaveCount(0);
});

test('what a followed calendar names stands among the news, is looked through and made, and is offered no more', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro');
  await page.getByRole('button', { name: /Small Towns has 1 discussion/u }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Are these the term’s discussions?');
  await expect(page.getByLabel('Title')).toHaveValue('Discussion 6: The last ferry');
  await expect(page.getByLabel('Replies due')).toHaveValue('2026-10-19 20:00');
  await page.getByLabel('How many replies').fill('2');
  await page.getByRole('button', { name: 'Make them discussions of mine' }).click();
  await expect(page).toHaveURL(/\/discussions\/outside-\w+\/response$/u);
  await page.goto('/');
  await expect(page.getByRole('button', { name: /Small Towns has/u })).toHaveCount(0);
  await page.goto('/calendar/elsewhere');
  await page.getByLabel('Its address').fill('http://127.0.0.1:1/term.ics');
  await page.getByRole('button', { name: 'Follow it' }).click();
  await expect(page.getByText('That address leads into a private network')).toBeVisible();
  await page.getByRole('button', { name: 'Follow no more Small Towns' }).click();
  await expect(page.getByText('It is asked for no more. What you made of it stays.')).toBeVisible();
});
