import type { Page } from '@playwright/test';
import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

const DESK = '/courses/geo-115/desk';
const said = (page: Page, text: string) => page.getByRole('status').filter({ hasText: text });

test('a prompt is written beside its brief, looked at as a student, shown, and changed under a student’s open page', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/new?week=9`);
  await page.getByLabel('The prompt’s text').fill('The last word\n\nSay it in at least 80 words.');
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  const text = page.getByRole('textbox', { name: 'The prompt’s text' });
  await expect(page.getByLabel('Words, at least')).toHaveValue('80');
  // What the prose says goes into the form as it is written; what somebody typed there stays, and both are shown.
  await text.press('Control+End');
  await text.pressSequentially(' Then reply to two classmates.');
  await expect(page.getByLabel('How many replies')).toHaveValue('2');
  await page.getByLabel('How many replies').fill('3');
  await expect(page.getByText('The text says “2”.')).toBeVisible();
  await text.press('Control+End');
  await text.pressSequentially(' Your response needs at least one source.');
  await expect(page.getByLabel('Sources, at least')).toHaveValue('1');
  await expect(page.getByLabel('How many replies')).toHaveValue('3');
  await page.getByRole('button', { name: 'Take that' }).click();
  await expect(page.getByLabel('How many replies')).toHaveValue('2');
  await page.getByRole('button', { name: 'Make it a discussion' }).click();
  await expect(said(page, 'It is a discussion now')).toBeVisible();
  const slug = new URL(page.url()).pathname.split('/').pop() ?? '';

  await page.getByRole('link', { name: 'As a student sees it' }).click();
  await expect(page.getByText('at least one source')).toBeVisible();
  await page.getByRole('link', { name: 'When it is over' }).click();
  await expect(page.getByText('This discussion closed on')).toBeVisible();
  await page.getByRole('link', { name: 'Back to the desk' }).click();
  await page.getByRole('button', { name: 'Show it to the class' }).click();

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', `/discussions/${slug}/response`);
  await expect(student.getByText('at least one source')).toBeVisible();
  await page.getByLabel('Replies due').fill('2026-11-09 12:00');
  await page.getByRole('button', { name: 'Keep the dates' }).click();
  await expect(said(page, 'The dates are kept')).toBeVisible();
  await student.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(said(student, 'was changed just now')).toBeVisible();
  await student.getByRole('button', { name: 'Show it as it is now' }).click();
  await expect(student.getByText('Mon 9 Nov, 12:00').first()).toBeVisible();
  await student.getByRole('link', { name: 'What is other than before' }).click();
  await expect(student.getByRole('definition').filter({ hasText: 'Mon 9 Nov, 12:00' })).toBeVisible();
});

test('a change that would cost somebody what counted is asked about, with whom it touches', async ({
  page,
}) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/geo-115-w6/rules`);
  await page.getByLabel('How many replies').fill('9');
  await page.getByLabel('Words, at least', { exact: true }).fill('200');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  const alert = page.getByRole('alert').filter({ hasText: 'touched' });
  await expect(alert).toContainText('Noor Vasquez');
  await expect(alert).toContainText('Nothing is changed yet');
  await expect(page.getByLabel('How many replies')).toHaveValue('9');
  await page.getByRole('button', { name: 'Change it all the same' }).click();
  await expect(said(page, 'this is what it asks for now')).toBeVisible();

  await page.getByLabel('Response due').fill('2026-10-12 10:00');
  await page.getByRole('button', { name: 'Keep the dates' }).click();
  await expect(page.getByRole('heading', { name: /^Other dates for/u })).toBeVisible();
  await expect(page.getByText('it is worse than before')).toBeVisible();
  await page.getByRole('link', { name: 'Leave them as they were' }).click();
  await expect(page.getByLabel('Response due')).toHaveValue('2026-10-15 23:59');
});

test('groups talk apart; somebody is moved in mid-week, by keyboard, and reads on where they wrote', async ({
  page,
  browser,
}) => {
  const slug = 'geo-115-w8-reach';
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/${slug}`);
  await page.getByLabel('Opens').fill('2026-10-12 06:00');
  await page.getByRole('button', { name: 'Keep the dates' }).click();
  await expect(said(page, 'The dates are kept')).toBeVisible();

  const open = async (name: string) => {
    const person = await (await browser.newContext()).newPage();
    await enterAs(person, name, `/discussions/${slug}/response`);
    return person;
  };
  const imani = await open('Imani Okoro');
  await expect(imani.getByText('Only your group and your instructors read')).toBeVisible();
  await imani
    .getByRole('textbox', { name: 'Your response' })
    .fill(
      'I would walk the upper reach, where the stones are still sharp, and look at what the banks are made of after each bend. I would count the drains that come in, and draw the one that runs in summer. It is the reach nobody photographs.',
    );
  await imani.getByRole('button', { name: /Share with the class|Share/u }).click();
  await expect(imani.getByText('Counts as your response')).toBeVisible();
  // Noor walks another reach; then she is moved into this one.
  const noor = await open('Noor Vasquez');
  await noor.goto(`/discussions/${slug}/conversation?show=all`);
  await expect(noor.getByText('Imani Okoro')).toHaveCount(0);
  await page.goto(`${DESK}/groups`);
  await page.getByRole('checkbox', { name: 'Noor Vasquez' }).press('Space');
  await page.getByLabel('Into').selectOption('Upper Amber');
  await page.getByRole('button', { name: 'Move them' }).press('Enter');
  await expect(said(page, 'Moved')).toBeVisible();
  await noor.reload();
  await expect(noor.getByText('Imani Okoro').first()).toBeVisible();
});

test('who leads a week owes the leader’s replies and reads from the start', async ({ page, browser }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/geo-115-w9`);
  await expect(page.getByRole('listitem').filter({ hasText: 'Viktor Amadi' })).toBeVisible();
  await page.getByText('Name who leads this one').click();
  await page.locator('#lead').locator('..').getByLabel('Student').selectOption('Imani Okoro');
  await page.locator('#lead').locator('..').getByRole('button', { name: 'Keep it' }).click();
  await expect(said(page, 'who leads sees it')).toBeVisible();
  await page.getByRole('button', { name: 'Show it to the class' }).click();
  const imani = await (await browser.newContext()).newPage();
  await enterAs(imani, 'Imani Okoro', '/discussions/geo-115-w9/response');
  await expect(imani.getByText('You lead this discussion')).toBeVisible();
  await expect(imani.getByText('You owe 5 replies, and nothing is sealed to you')).toBeVisible();
  const noor = await (await browser.newContext()).newPage();
  await enterAs(noor, 'Noor Vasquez', '/discussions/geo-115-w9/response');
  await expect(noor.getByText('Somebody of the class leads it')).toBeVisible();
});

test('a draft in trouble is handed over, let count as of then, and the receipt says so', async ({
  page,
  browser,
}) => {
  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', '/discussions/geo-115-w6/response');
  await student
    .getByRole('group')
    .filter({ hasText: 'Hand your draft to the staff' })
    .getByText('Hand your draft')
    .click();
  await student
    .getByLabel('What happened, in a sentence')
    .fill('The library closes and my own machine is dead.');
  await student.getByRole('button', { name: 'Hand it over' }).click();
  await expect(said(student, 'Handed over')).toBeVisible();

  await enterAs(page, 'Dr. Maren Holt', DESK);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'handed to you · Should the Amber' })
    .getByRole('link', { name: /^Answer/u })
    .click();
  const answer = page.getByRole('form', { name: 'Answer Imani Okoro' });
  await expect(page.getByText('my own machine is dead')).toBeVisible();
  await answer.getByLabel('Why').fill('The versions show it was there on Tuesday.');
  await answer.getByRole('button', { name: 'Let it count' }).press('Enter');
  await expect(said(page, 'It counts as of then')).toBeVisible();

  await student.goto('/discussions/geo-115-w6/response');
  await expect(student.getByText('The staff let it count as of')).toBeVisible();
  await expect(student.getByText('The versions show it was there on Tuesday.')).toBeVisible();
});

test('a syllabus is signed, and asked for anew once it says something else', async ({ page, browser }) => {
  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', '/courses/geo-115/syllabus');
  await expect(student.getByText('You signed this syllabus')).toBeVisible();
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/syllabus`);
  await page.getByLabel('What counts how much').fill('Discussions forty');
  await page.getByRole('button', { name: 'Keep the syllabus' }).click();
  await expect(page.getByText('This line cannot be read: “Discussions forty”.')).toBeVisible();
  await page.getByLabel('What counts how much').fill('Discussions 100 %');
  await page.getByRole('button', { name: 'Keep the syllabus' }).click();
  await expect(said(page, 'The syllabus is kept')).toBeVisible();
  await student.goto('/');
  await student.getByRole('link', { name: 'GEO 115 asks you to sign its syllabus' }).click();
  await student.getByRole('button', { name: 'I have read it, and sign it' }).press('Enter');
  await expect(said(student, 'You have signed it')).toBeVisible();
});

test('a course goes out as a cartridge and comes in again', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/cartridge`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save the cartridge' }).click(),
  ]);
  const path = await download.path();
  await page.getByLabel('File (.imscc or .zip, or a discussion’s .json)').setInputFiles({
    name: 'geo.imscc',
    mimeType: 'application/zip',
    buffer: await (await import('node:fs/promises')).readFile(path),
  });
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(said(page, 'Taken: 9 weeks')).toBeVisible();
  await page.goto(DESK);
  await expect(page.getByRole('region', { name: 'What needs you' })).toContainText('prompts wait');
});

test('what is written before the scripts have come is still there when they have', async ({ browser }) => {
  const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await enterAs(page, 'Dr. Maren Holt', DESK);
  let come = () => {};
  const scripts = new Promise<void>((done) => (come = done));
  await page.route('**/_next/static/**/*.js*', async (route) => {
    await scripts;
    await route.continue();
  });
  await page.goto(`${DESK}/syllabus`, { waitUntil: 'commit' });
  const words = page.getByLabel('In your own words');
  await words.fill('Written a slow line.');
  // Whoever goes back to mend something, and types on while the page wakes, types on there.
  for (let i = 0; i < ' a slow line.'.length; i += 1) await words.press('ArrowLeft');
  come();
  await expect
    .poll(() => words.evaluate((field) => Object.keys(field).some((key) => key.startsWith('__reactProps'))))
    .toBe(true);
  await page.keyboard.insertText(' on');
  await expect(words).toHaveValue('Written on a slow line.');
  await page.getByRole('button', { name: 'Keep the syllabus' }).click();
  await expect(said(page, 'The syllabus is kept')).toBeVisible();
  await page.goto('/courses/geo-115/syllabus');
  await expect(page.getByText('Written on a slow line.')).toBeVisible();
});
