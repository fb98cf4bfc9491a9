import { expect, test, type Page } from './test';
import { enterAs, setClock, startAfresh, START, sentencesOf } from './help';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

const GEO = '/discussions/geo-115-w6';
const tally = (page: Page) => page.getByRole('img', { name: /^Response/ }).first();

test('This week says what Imani owes, before when, and the one next step of each discussion', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'You owe 1 response and 5 replies before Sunday night.',
  );
  await expect(
    page.getByText(/Next: your GEO 115 response, due Thu 15 Oct, 23:59; if you start/),
  ).toBeVisible();
  await expect(page.getByText('Response in 2 d 7 h')).toBeVisible();
  const geo = page.getByRole('listitem').filter({ hasText: 'Should the Amber valley levees' });
  await expect(geo.getByRole('img')).toHaveAccessibleName('Response draft; 3 replies: 3 owed');
  await expect(geo).toContainText('117 of 250 words');
  await expect(geo.getByRole('link', { name: /Continue draft/ })).toBeVisible();
  const pla = page.getByRole('listitem').filter({ hasText: 'A sign that lies' });
  await expect(pla).toContainText('Sat 17 Oct, 10:00');
  await expect(pla).toContainText('Sat 17 Oct, 08:00 your time');
});

test('the prompt faces the writing, and each check marks its evidence or says what is missing', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  const prompt = page.getByRole('region', { name: 'Prompt' });
  await expect(prompt).toContainText('Which plan would you choose');
  await expect(prompt).toContainText('Not accepted after the deadline');
  await expect(prompt).toContainText('12 responses waiting');
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await expect(editor.getByText('3. What would the other side say')).toBeVisible();
  await page.getByRole('button', { name: /^Course ideas 2 \/ 2/ }).click();
  await expect(page.locator('.evidence')).toHaveText(['flood storage', 'levee effect']);
  await page.getByRole('button', { name: /^Own words 117 \/ 250/ }).click();
  await expect(page.getByText('133 more words needed.')).toBeVisible();
  await page.getByRole('button', { name: /^Questions 2 \/ 3/ }).click();
  await expect(page.getByText('Question 3 has no answer yet.')).toBeVisible();
  await page.getByRole('button', { name: /^Sources 0 \/ 1/ }).click();
  await expect(page.getByText('1 more source needed.')).toBeVisible();
});

test('a draft is there after a reload in mid-sentence, and on another browser', async ({ page, browser }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await editor.getByRole('paragraph').last().click();
  await page.keyboard.type('The other side would say that cattle cannot');
  await page.reload();
  await expect(editor).toContainText('cattle cannot');
  await expect(page.getByText(/^Draft kept/)).toBeVisible();
  const elsewhere = await (await browser.newContext()).newPage();
  await enterAs(elsewhere, 'Imani Okoro', `${GEO}/response`);
  await expect(elsewhere.getByRole('textbox', { name: 'Your response' })).toContainText('cattle cannot');
  await elsewhere.context().close();
});

test('going back from the desk shows the figures of what was just written', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  const geo = page.getByRole('listitem').filter({ hasText: 'Should the Amber valley levees' });
  const words = Number(/(\d+) of 250 words/u.exec(await geo.innerText())?.[1]);
  await geo.getByRole('link', { name: /Continue draft/ }).click();
  await page.getByRole('textbox', { name: 'Your response' }).getByRole('paragraph').last().click();
  await page.keyboard.press('End');
  await page.keyboard.type(' and sheep and goats too');
  await page.goBack();
  await expect(geo).toContainText(`${words + 5} of 250 words`);
});

test('two windows never overwrite each other silently', async ({ page, context }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  const other = await context.newPage();
  await other.goto(`${GEO}/response`);
  const write = async (p: Page, text: string) => {
    await p.getByRole('textbox', { name: 'Your response' }).getByRole('paragraph').last().click();
    await p.keyboard.press('End');
    await p.keyboard.type(text);
  };
  await write(page, ' climb stairs.');
  await expect(page.getByText(/^Draft kept/)).toBeVisible();
  await write(other, ' swim well.');
  await expect(other.getByRole('status').filter({ hasText: 'Changed in another window' })).toBeVisible();
  await expect(other.getByRole('alert').filter({ hasText: 'another window' })).toContainText(
    'Both texts are kept',
  );
  await other.getByRole('button', { name: 'The other text' }).click();
  await expect(other.getByRole('textbox', { name: 'Your response' })).toContainText(
    'cattle cannot and sheep and goats too climb stairs.',
  );
});

test('sharing gives a receipt and opens the seal; a double click makes one post', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await page.getByRole('textbox', { name: 'Your response' }).getByRole('paragraph').last().click();
  await page.keyboard.press('End');
  await page.keyboard.insertText(` That is so (Amber Growers, 2020). ${sentencesOf(160)}`);
  await expect(page.getByText('If shared now: counts as your response.')).toBeVisible();
  const sent: string[] = [];
  page.on('request', (r) => r.url().endsWith('/posts') && sent.push(r.url()));
  await page.getByRole('button', { name: 'Share with the class' }).dblclick();
  const heading = page.getByRole('heading', { name: 'Your response is shared with the class' });
  await expect(heading).toBeFocused();
  await expect(heading).toBeInViewport();
  await expect(page.getByText(/2 d 7 h before the deadline/)).toBeVisible();
  await expect(page.getByText(/([0-9a-f]{8} ){7}[0-9a-f]{8}/)).toBeVisible();
  await expect(tally(page)).toHaveAccessibleName('Response counted; 3 replies: 3 owed');
  await page.goto(`${GEO}/part`);
  await expect(page.getByText('Response · Give the meadows back')).toHaveCount(1);
  expect(sent).toHaveLength(1);
});

async function replyTo(page: Page, name: string, text: string, button: RegExp) {
  await page.goto(`${GEO}/conversation?show=all`);
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: new RegExp(name) })
    .click();
  const editor = page.getByRole('textbox', { name: `Your reply to ${name}` });
  await editor.click();
  await page.keyboard.insertText(text);
  await page.getByRole('button', { name: button }).click();
}
const LONG =
  'You say that the wall was not the problem, and I think that it was half of it, because people build where they feel safe. ';

test('the classmate’s post faces the reply; the first counted reply fills a stroke', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/conversation`);
  await replyTo(page, 'Noor Vasquez', `${LONG} ${sentencesOf(70)}`, /^Share reply 1 of 3$/);
  await expect(page.getByRole('heading', { name: 'Your reply to Noor is shared' })).toBeVisible();
  await expect(page.getByText('Counts as reply 1 of 3.')).toBeVisible();
  await expect(tally(page)).toHaveAccessibleName('Response counted; 3 replies: 1 counted, 2 owed');
});

test('a second reply to the same classmate is shared, not counted, and says so before and after', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/conversation`);
  // Whom one has answered is not suggested again where classmates must be distinct.
  const responses = page.getByRole('navigation', { name: 'Responses' });
  await expect(responses.getByRole('link', { name: /Teodora Lind/ })).toBeVisible();
  await expect(responses.getByRole('link', { name: /Noor Vasquez/ })).toHaveCount(0);
  await page.goto(`${GEO}/conversation?show=all`);
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: /Noor Vasquez/ })
    .click();
  await expect(
    page.getByText(/will be shared but not counted\. Another reply to Noor already counts/),
  ).toBeVisible();
  await replyTo(page, 'Noor Vasquez', `${LONG} ${sentencesOf(80, 30)}`, /^Share, not counted$/);
  await expect(page.getByText(/^Not counted\. Another reply to Noor already counts/)).toBeVisible();
  await page.goto(`${GEO}/part`);
  await expect(page.getByRole('listitem').filter({ hasText: 'not counted' })).toContainText(
    'the prompt asks for different classmates',
  );
});

test('a passage selected in the post is quoted in the reply by key', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/conversation`);
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: /Tomasz Wray/ })
    .click();
  await expect(page.getByRole('textbox', { name: 'Your reply to Tomasz Wray' })).toBeVisible();
  await page.getByRole('article').getByText('In the churchyard at Nether Amber').selectText();
  await expect(page.getByRole('button', { name: 'Quote in reply' })).toBeVisible();
  await page.keyboard.press('q');
  await expect(page.getByRole('textbox').locator('blockquote')).toContainText(
    'In the churchyard at Nether Amber',
  );
  // Whose words they are stands beneath, and leads to the post.
  await expect(page.getByRole('textbox')).toContainText(/\(Tomasz Wray, #\d+\)/);
  await page.keyboard.press('Escape');
});

test('after the third counted reply the discussion is complete on every screen', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/conversation`);
  await replyTo(page, 'Teodora Lind', `${LONG} ${sentencesOf(70, 60)}`, /^Share reply 2 of 3$/);
  await expect(page.getByText('Counts as reply 2 of 3.')).toBeVisible();
  await replyTo(page, 'Desmond Aule', `${LONG} ${sentencesOf(70, 90)}`, /^Share reply 3 of 3$/);
  await expect(page.getByText('That was the last: this discussion is complete.')).toBeVisible();
  const done = 'Response counted; 3 replies: 3 counted';
  for (const room of ['response', 'conversation', 'part']) {
    await page.goto(`${GEO}/${room}`);
    await expect(tally(page)).toHaveAccessibleName(done);
    await expect(page.getByText('Complete', { exact: true }).filter({ visible: true })).toBeVisible();
  }
  await page.goto('/discussions');
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Amber valley' }).getByRole('img'),
  ).toHaveAccessibleName(done);
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'You owe 2 replies before Saturday morning.',
  );
});

test('after the closing nothing can be shared, the page says what was missed, and reading goes on', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Tomasz Wray', `${GEO}/conversation`);
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: /Noor Vasquez/ })
    .click();
  const editor = page.getByRole('textbox', { name: 'Your reply to Noor Vasquez' });
  await editor.click();
  await page.keyboard.insertText(`${LONG} ${sentencesOf(70, 120)}`);
  await expect(page.getByText(/^Draft kept/)).toBeVisible();
  await setClock(START + 6 * 86_400_000);
  await page.getByRole('button', { name: /^Share reply 1 of 3$/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'closed' })).toContainText(
    'Your text is kept as a draft',
  );
  const later = await (await browser.newContext()).newPage();
  await enterAs(later, 'Tomasz Wray', `${GEO}/part`);
  await expect(later.getByText('Missed on Sun 18 Oct, 23:59.').first()).toBeVisible();
  await later.goto(`${GEO}/conversation`);
  await later
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link', { name: /Noor Vasquez/ })
    .click();
  await expect(later.getByRole('region', { name: 'The post' })).toContainText(
    'The old wall held for sixty years',
  );
  await expect(later.getByText(/This discussion closed on Sun 18 Oct, 23:59/)).toBeVisible();
  await expect(later.getByRole('textbox', { name: 'Your reply to Noor Vasquez' })).toContainText(
    'You say that the wall',
  );
  await later.context().close();
});
