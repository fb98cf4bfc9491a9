import { expectSound } from './axe';
import { database, enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

const DESK = '/courses/geo-115/desk';

test('a student asks for more time, and the answer is one press', async ({ page, browser }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  await page.getByText('Ask for more time').click();
  await page.getByLabel('Why, in a sentence').fill('My shifts moved to Thursday night.');
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Until they answer' })).toBeVisible();

  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Dr. Maren Holt', DESK);
  await expect(staff.getByText('1 asks for more time')).toBeVisible();
  await staff.getByRole('link', { name: 'Answer: 1 student asks for more time' }).click();
  const answer = staff.getByRole('form', { name: 'Answer Imani Okoro' });
  await expect(staff.getByText('“My shifts moved to Thursday night.”')).toBeVisible();
  await answer.getByLabel('Response until').fill('2026-10-17 23:59');
  await answer.getByRole('button', { name: 'Give it' }).click();
  await expect(staff.getByRole('status').filter({ hasText: 'They have more time' })).toBeVisible();

  await page.goto('/discussions/geo-115-w6/response');
  await expect(page.getByText('You were given more time', { exact: false })).toBeVisible();
  await expect(page.getByText('Sat 17 Oct, 23:59').first()).toBeVisible();
  // Somebody else has everybody's.
  const other = await (await browser.newContext()).newPage();
  await enterAs(other, 'Noor Vasquez', '/discussions/geo-115-w6/response');
  await expect(other.getByText('Sat 17 Oct, 23:59')).toHaveCount(0);
});

test('a prompt is dropped in, confirmed, and opened to the class when it is shown', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Dr. Maren Holt', DESK);
  await expect(page.getByRole('heading', { name: 'The term on one sheet' })).toBeVisible();
  await expect(page.getByText('not shown to students yet')).toBeVisible();
  await page.getByRole('link', { name: 'Write a prompt' }).first().click();
  await page
    .getByLabel('The prompt’s text')
    .fill(
      'The last word\n\nIn at least 80 words, say what you would tell the council. Reply to two classmates in at least 30 words each. Responses are due Thursday, 17 December at 23:59; replies Sunday, 20 December at 23:59.',
    );
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByLabel('How many replies')).toHaveValue('2');
  await page.getByLabel('How many replies').fill('3');
  await page.getByRole('button', { name: 'Make it a discussion' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'It is a discussion now' })).toBeVisible();
  const address = new URL(page.url()).pathname.replace(`${DESK}/`, '/discussions/');

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro');
  expect((await student.goto(`${address}/response`))?.status()).toBe(404);
  await page.getByRole('link', { name: 'Change what it asks' }).click();
  await page.getByLabel('How many replies').fill('2');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'this is what it asks for now' })).toBeVisible();
  await page.getByRole('button', { name: 'Show it to the class' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'The class sees it' })).toBeVisible();
  await student.goto(`${address}/response`);
  await expect(student.getByRole('heading', { level: 1 })).toContainText('The last word');
  await expect(student.getByText('Response owed; 2 replies: 2 owed').first()).toBeAttached();
});

test('an introduction round begins from a text that is there, and is read as it asks', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/new?week=7`);
  await page.getByRole('link', { name: 'an introduction round' }).click();
  await expect(page.getByLabel('The prompt’s text')).toHaveValue(/^Who is here\?/u);
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByLabel('Words, at least').first()).toHaveValue('60');
  await expect(page.getByLabel('How many replies')).toHaveValue('2');
  await expect(page.getByLabel('Week', { exact: true })).toHaveValue('7');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Who is here?');
});

test('dates move together, and a week is made and taken away', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}?week=7`);
  const line = page
    .getByRole('listitem')
    .filter({ hasText: 'Week 7' })
    .or(page.getByText('Thu 22 Oct, 23:59'));
  await expect(line.first()).toBeVisible();
  await page.getByRole('button', { name: 'One week later' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Moved' })).toBeVisible();
  await expect(page.getByText('Thu 29 Oct, 23:59').first()).toBeVisible();
  await expect(page.getByText('Thu 22 Oct, 23:59')).toHaveCount(0);
  await page.getByRole('button', { name: 'One week earlier' }).click();
  await expect(page.getByText('Thu 22 Oct, 23:59').first()).toBeVisible();

  await page.goto(DESK);
  await page.getByLabel('Title').fill('The sea');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'The week is added' })).toBeVisible();
  await page.getByRole('link', { name: /The sea: change it$/u }).click();
  await page.getByRole('button', { name: 'Take the week away' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'taken away' })).toBeVisible();
});

test('what a prompt leaves unsaid is as in the course’s last discussion, in the week one came from', async ({
  page,
}) => {
  await enterAs(page, 'Dr. Maren Holt', DESK);
  await page.getByRole('button', { name: 'Add it' }).click();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Nothing yet' })
    .getByRole('link', { name: 'Write a prompt' })
    .click();
  await page
    .getByLabel('The prompt’s text')
    .fill('What would you tell the council?\n\nSay it in at least 80 words. Reply to two classmates.');
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByLabel('Week', { exact: true })).toHaveValue('10');
  await expect(page.getByText('As this course does; the text does not say.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Make it a discussion' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'It is a discussion now' })).toBeVisible();
  await expect(page.getByLabel('Response due')).toHaveValue('2026-11-12 23:59');
});

test('whoever has shared nothing gets a word, by keyboard, and nobody else sees it', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/geo-115-w6`);
  await page.getByRole('link', { name: 'Write to these' }).press('Enter');
  await expect(page.getByText('Chosen: who has shared no response in')).toBeVisible();
  const imani = page.getByRole('checkbox', { name: 'Imani Okoro' });
  await expect(imani).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Noor Vasquez' })).not.toBeChecked();
  // One of them is left out again.
  await page.getByRole('checkbox', { name: 'Farida Selkirk' }).press('Space');
  await page.getByLabel('Title').fill('Thursday is near');
  await page
    .getByRole('textbox', { name: 'The announcement’s text' })
    .fill('Is there something in your way?');
  await page.getByRole('button', { name: 'Send it to them alone' }).press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Sent to them alone' })).toBeVisible();

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', '/courses/geo-115/announcements');
  await expect(student.getByText('Thursday is near')).toBeVisible();
  await expect(student.getByText('to you')).toBeVisible();
  const other = await (await browser.newContext()).newPage();
  await enterAs(other, 'Noor Vasquez', '/courses/geo-115/announcements');
  await expect(other.getByText('Thursday is near')).toHaveCount(0);
});

test('more time all term is given once, and stands beside every deadline', async ({ page, browser }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/class`);
  await page.getByRole('checkbox', { name: 'Imani Okoro' }).check();
  await page.getByText('More time all term').click();
  await page.getByLabel('Hours more').fill('24');
  await page.getByRole('button', { name: 'From now on' }).click();
  await expect(page.getByText('always 24 hours more')).toHaveCount(2);
  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', '/discussions/geo-115-w6/response');
  await expect(student.getByText('Fri 16 Oct, 23:59').first()).toBeVisible();

  // Nobody chosen, nothing done.
  await page.getByText('More time all term').click();
  await page.getByRole('button', { name: 'No more of it' }).click();
  await expect(page.getByText('Choose whom first')).toBeVisible();
});

test('taking it back is asked about first where something counted by it, by name and discussion', async ({
  page,
}) => {
  const db = database();
  // Noor shared at ten minutes to eleven: for everybody it was over at six by then.
  await db.raw(
    `update discussions set response_due = response_due - interval '6 hours' where slug = 'geo-115-w5'`,
  );
  await db.destroy();
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/class`);
  const choose = async () => {
    await page.getByRole('checkbox', { name: 'Noor Vasquez' }).check();
    await page.getByText('More time all term').click();
  };
  await choose();
  await page.getByLabel('Hours more').fill('8');
  await page.getByRole('button', { name: 'From now on' }).click();
  await expect(page.getByText('always 8 hours more').first()).toBeVisible();
  await choose();
  await page.getByRole('button', { name: 'No more of it' }).click();
  await expect(
    page.getByRole('heading', { name: 'Everybody’s deadlines all term for Noor Vasquez?' }),
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'Who owns the water under a field?' })).toContainText(
    /Noor Vasquez.*1 post counts no more/u,
  );
  await expectSound(page, 'hours asked about');
  await page.getByRole('link', { name: 'Leave it as it was' }).click();
  await expect(page.getByText('always 8 hours more').first()).toBeVisible();
  await page.goBack();
  await page.getByRole('button', { name: 'No more of it' }).click();
  await expect(page.getByText('They have everybody’s deadlines again')).toBeVisible();
  await expect(page.getByText('always 8 hours more')).toHaveCount(0);
});

test('a course says once how it does it, and a new prompt begins so', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/settings`);
  await page.getByLabel('Response due, weekday').selectOption('Wednesday');
  await page.getByLabel('Response due, time').fill('18:00');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByText('Kept. New discussions begin with it.')).toBeVisible();
  await page.goto(`${DESK}/new?week=7`);
  await page.getByLabel('The prompt’s text').fill('Say in 200 words what a weir is for.');
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByLabel('Response due')).toHaveValue(/18:00$/u);
  await expect(page.getByText('As this course does; the text does not say.').first()).toBeVisible();
});
