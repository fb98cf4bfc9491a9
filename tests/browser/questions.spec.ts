import { another, enterAs, questionsLearnt, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeEach(() => startAfresh());

const QUESTIONS = '/courses/geo-115/questions';
const list = (page: Page) => page.getByRole('navigation', { name: 'Questions' });

test('a question under cover about a prompt is answered by a classmate, confirmed by staff, and its asker hears of it', async ({
  page,
  browser,
}) => {
  // From the prompt, with who will see it said before.
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  await page.getByRole('link', { name: 'Ask about this prompt' }).click();
  await expect(page.getByText('Your name stands beside it.')).toBeVisible();
  await page.getByRole('link', { name: 'Name covered from the class' }).click();
  await expect(
    page.getByText('The class does not see your name; Dr. Maren Holt and Bastian Grey do.'),
  ).toBeVisible();
  await page.getByRole('textbox', { name: 'Title' }).fill('Whose land is behind the levee?');
  await page.getByRole('textbox', { name: 'What you ask' }).click();
  await page.keyboard.type('The map ends at the dyke.');
  // What is chosen is still there after a reload, and so are the words.
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'What you ask' })).toContainText(
    'The map ends at the dyke.',
  );
  await expect(page.getByText('The class does not see your name')).toBeVisible();
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('article', { name: 'Question by Imani Okoro' })).toContainText(
    'your name is covered here',
  );
  const address = new URL(page.url()).pathname;

  // A classmate sees nobody, and answers by keyboard.
  const noor = await another(browser, 'Noor Vasquez', QUESTIONS);
  await list(noor)
    .getByRole('link', { name: /Whose land is behind the levee\?/u })
    .focus();
  await noor.keyboard.press('Enter');
  await expect(noor.getByRole('article', { name: 'Question by A classmate' })).toBeVisible();
  await expect(noor.getByText('Imani')).toHaveCount(0);
  await noor.keyboard.press('r');
  await noor.keyboard.type('The water board’s, up to the second ditch.');
  await noor.keyboard.press('Control+Enter');
  await noor.keyboard.press('Enter');
  await expect(noor.getByRole('article', { name: 'Answer by Noor Vasquez' })).toBeVisible();

  // Staff know who asks, and confirm the answer.
  const holt = await another(browser, 'Dr. Maren Holt', address);
  await expect(holt.getByText('the class does not see this name')).toBeVisible();
  await holt.getByRole('button', { name: 'This answer is right , the answer of Noor Vasquez' }).click();
  await expect(holt.getByText('Confirmed by Dr. Maren Holt')).toBeVisible();
  await expect(list(holt).getByRole('link', { name: /Whose land/u })).toContainText('confirmed by staff');

  // Whoever asked finds it among the notices, which leads to the answer.
  await page.goto('/notices');
  await page.getByRole('link', { name: /Noor Vasquez answered in question \d+/u }).click();
  await expect(page).toHaveURL(/\/courses\/geo-115\/questions\/\d+\?post=\d+$/u);
  await expect(page.getByText('Confirmed by Dr. Maren Holt')).toBeVisible();
});

test('what only the staff may read is theirs and its asker’s; the line goes on as one exchange', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Noor Vasquez', QUESTIONS);
  await page.getByRole('link', { name: 'Your line to the staff' }).click();
  await page.getByRole('textbox', { name: 'What you ask' }).click();
  await page.keyboard.type('My grandmother is ill, and I may be slow this week.');
  await expect(page.getByText('Dr. Maren Holt and Bastian Grey and nobody else will see it.')).toBeVisible();
  await page.getByRole('button', { name: 'Send to the staff' }).click();
  await expect(page.getByRole('article', { name: 'Question by Noor Vasquez' })).toBeVisible();
  const address = new URL(page.url()).pathname;

  const imani = await another(browser, 'Imani Okoro', QUESTIONS);
  await expect(list(imani)).not.toContainText('grandmother');
  expect((await imani.request.get(address)).status()).toBe(404);

  const holt = await another(browser, 'Dr. Maren Holt', QUESTIONS);
  await list(holt)
    .getByRole('link', { name: /grandmother/u })
    .click();
  await holt.getByRole('button', { name: 'I take this one' }).click();
  await expect(holt.getByText('Dr. Maren Holt has taken it.').first()).toBeVisible();
  await holt.getByRole('textbox', { name: 'Your answer' }).click();
  await holt.keyboard.type('Take the time you need.');
  await holt.getByRole('button', { name: 'Share the answer' }).click();
  await expect(holt.getByRole('article', { name: 'Answer by Dr. Maren Holt' })).toBeVisible();

  // It goes on from the same button, under what stands there.
  await page.goto(QUESTIONS);
  await page.getByRole('link', { name: 'Your line to the staff', exact: true }).click();
  await expect(page).toHaveURL(address);
  await expect(page.getByRole('article', { name: 'Answer by Dr. Maren Holt' })).toBeVisible();
});

test('what was asked before is offered while one types, and whoever finds it there is counted', async ({
  page,
}) => {
  await questionsLearnt();
  await enterAs(page, 'Imani Okoro', `${QUESTIONS}?ask=asks`);
  await page.getByRole('textbox', { name: 'Title' }).fill('does it count if I reply to a reply');
  const offers = page.getByRole('region', { name: 'Asked already' });
  await expect(offers.getByRole('link', { name: '“Can a reply answer a reply?”' })).toBeVisible();
  await offers.getByRole('button', { name: 'This answers it' }).click();
  await expect(offers.getByText('Good: it is counted.')).toBeVisible();
  await offers.getByRole('link', { name: '“Can a reply answer a reply?”' }).click();
  await expect(list(page).getByRole('link', { name: /Can a reply answer a reply/u })).toContainText(
    'spared 3 people asking',
  );
});

test('the list is narrowed by state and label, walked by keys, and stands on a phone', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  await page.keyboard.press('g');
  await page.keyboard.press('q');
  await expect(page).toHaveURL(/\/courses\/[a-z]+-\d+\/questions$/u);
  await page.goto(QUESTIONS);
  await page.getByRole('link', { name: /^Unanswered/u }).click();
  await expect(list(page).getByRole('link')).toHaveCount(4);
  await page.keyboard.press('j');
  await expect(page.getByRole('article', { name: /^Question by/u })).toBeVisible();
  await page.keyboard.press('j');
  await page.reload();
  await expect(list(page).getByRole('link')).toHaveCount(4);
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(list(page)).toBeHidden();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole('link', { name: 'All questions' }).click();
  await expect(list(page)).toBeVisible();
});

test('the notebook holds the notes of every course and discussion: kept as one types, found, and taken along', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  await page.getByText('Notes to self', { exact: true }).click();
  const beside = page.getByRole('textbox', { name: /^Notes to self/u });
  await beside.fill(`${await beside.inputValue()}\nAsk the archive about the weir of 1871.`);
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  await page.keyboard.press('Escape');
  await beside.blur();
  await page.keyboard.press('g');
  await page.keyboard.press('b');
  const note = page.getByRole('textbox', { name: /^Notes of GEO 115 week 6/u });
  await expect(note).toHaveValue(/the weir of 1871/u);
  await page.getByRole('textbox', { name: 'Notes of GEO 115, the course' }).fill('The exam is on the 4th.');
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Notes of GEO 115, the course' })).toHaveValue(
    'The exam is on the 4th.',
  );
  await page.getByRole('textbox', { name: 'Find in your notes' }).fill('archive 1871');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 page with “archive 1871”.')).toBeVisible();
  await expect(note).toBeVisible();
  const file = await (await page.request.get('/notebook/file')).text();
  expect(file).toContain('The exam is on the 4th.');
  expect(file).toContain('the weir of 1871');
  // It is nobody else's, of the staff neither.
  const holt = await another(browser, 'Dr. Maren Holt', '/notebook');
  await expect(holt.getByRole('main')).not.toContainText('1871');
  expect(await (await holt.request.get('/notebook/file')).text()).not.toContain('1871');
});

test('a show of hands: one raises one’s hand, changes one’s mind, and sees about how many', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', QUESTIONS);
  await list(page)
    .getByRole('link', { name: /Field walk: Friday or Saturday\?/u })
    .click();
  const hands = page.getByRole('region', { name: 'Show of hands' });
  await expect(hands).toContainText('15 or more have raised a hand.');
  await expect(hands.getByRole('table')).toHaveCount(0);
  await hands.getByRole('radio', { name: 'Friday at 15:00' }).check();
  await hands.getByRole('button', { name: 'Raise my hand' }).click();
  await expect(hands.getByRole('row', { name: /Friday at 15:00 about 5/u })).toBeVisible();
  await expect(hands.getByRole('row', { name: /Saturday at 10:00 about 10/u })).toBeVisible();
  await hands.getByRole('radio', { name: 'Saturday at 10:00' }).check();
  const changed = page.waitForResponse(/\/questions\/\d+\/act$/u);
  await hands.getByRole('button', { name: 'Change it to this' }).click();
  await changed;
  await page.reload();
  await expect(hands.getByRole('radio', { name: 'Saturday at 10:00' })).toBeChecked();
  await expect(hands).toContainText('15 or more have raised a hand.');
});

test('hands are asked for with choices and a time until when', async ({ page }) => {
  await enterAs(page, 'Noor Vasquez', `${QUESTIONS}?ask=hands`);
  await page.getByRole('textbox', { name: 'Title' }).fill('Where shall we meet on Thursday?');
  await page.getByRole('button', { name: 'Ask for hands' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'two choices at least' })).toBeVisible();
  await page
    .getByRole('textbox', { name: 'Choices, one on each line' })
    .fill('At the archive\nAt the gauge house');
  await page.getByRole('checkbox', { name: /With names/u }).check();
  await page.getByRole('combobox', { name: 'Seen' }).selectOption('now');
  await page.getByRole('button', { name: 'Ask for hands' }).click();
  const hands = page.getByRole('region', { name: 'Show of hands' });
  await hands.getByRole('radio', { name: 'At the archive' }).check();
  await hands.getByRole('button', { name: 'Raise my hand' }).click();
  await expect(hands.getByRole('row', { name: /At the archive Noor Vasquez 1/u })).toBeVisible();
});

test('a question is changed and withdrawn like any post, and one comes back to it', async ({ page }) => {
  await enterAs(page, 'Rafi Castellan', QUESTIONS);
  await list(page)
    .getByRole('link', { name: /Does the heading count/u })
    .click();
  await page.getByRole('link', { name: 'Change or withdraw it' }).click();
  await page.getByRole('textbox', { name: 'Title' }).fill('Do the headings count as my own words?');
  await page.getByRole('button', { name: 'Share the change' }).click();
  await expect(page).toHaveURL(/\/courses\/geo-115\/questions\/\d+\?post=\d+$/u);
  await expect(page.getByRole('heading', { name: 'Do the headings count as my own words?' })).toBeVisible();
  await page.getByRole('link', { name: 'Change or withdraw it' }).click();
  await page.getByText('Withdraw it…').click();
  await page.getByRole('button', { name: 'Withdraw this question' }).click();
  await expect(page).toHaveURL(/\/courses\/geo-115\/questions/u);
  await expect(page.getByRole('heading', { level: 1, name: 'Questions' })).toBeVisible();
});
