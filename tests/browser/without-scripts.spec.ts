import { expect, test } from './test';
import { enterAs, startAfresh, sentencesOf } from './help';

test.beforeAll(() => startAfresh());
test.use({ javaScriptEnabled: false });
test.describe.configure({ mode: 'serial' });

const OWN = 'The wall is a promise that nobody can keep for long, and the meadow keeps itself. ';

test('a draft is kept and a response shared through a plain form', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const third = page.getByLabel(/^3\. What would the other side say/);
  await expect(page.getByLabel(/^1\. Which plan/)).toHaveValue(/^I would move the levees back/);
  await third.fill('They would say (Holt, 2021) that it costs too much.');
  await page.getByRole('button', { name: 'Keep as draft' }).click();
  await expect(page.getByText('Your draft is kept.')).toBeVisible();
  await expect(third).toHaveValue('They would say (Holt, 2021) that it costs too much.');
  await third.fill(`They would say (Holt, 2021) that it costs too much. ${OWN}${sentencesOf(160)}`);
  await page.getByRole('button', { name: 'Share with the class' }).click();
  await expect(page.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
  await expect(page.getByText('Counts as your response.')).toBeVisible();
});

test('and a classmate is answered the same way', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/conversation');
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: /Noor Vasquez/ })
    .click();
  await page.getByLabel('Your text').fill(`> The old wall held for sixty years\n\n${OWN}${sentencesOf(90)}`);
  await page.getByRole('button', { name: 'Share reply 1 of 3' }).click();
  await expect(page.getByRole('heading', { name: 'Your reply to Noor is shared' })).toBeVisible();
});

test('an empty one is refused in words', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/conversation');
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: /Jun Hathaway/ })
    .click();
  await page.getByRole('button', { name: 'Share reply 2 of 3' }).click();
  await expect(page.getByText('There is nothing to share yet: the text is empty.')).toBeVisible();
});
