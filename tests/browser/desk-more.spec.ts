import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

const DESK = '/courses/geo-115/desk';

test('what is broken is said from the prompt, stands above the sheet, and whoever said it hears when it is mended', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', '/readings/geo-room-for-the-river');
  await page.getByText('Something is wrong here').click();
  await page.getByLabel('What does not work, and where').fill('The third paragraph stands twice.');
  await page.getByRole('button', { name: 'Say it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'You hear when it is mended' })).toBeVisible();

  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Dr. Maren Holt', DESK);
  const needs = staff.getByRole('region', { name: 'What needs you' });
  await expect(needs).toContainText('“The third paragraph stands twice.”');
  await needs.getByText('It is mended').last().press('Enter');
  const tell = needs.getByRole('form', { name: /^Mended: .*for the river/iu });
  await tell.getByRole('textbox').fill('It stands once now.');
  await tell.getByRole('button', { name: 'Tell them' }).press('Enter');
  await expect(staff.getByText('Settled: whoever said it hears so.')).toBeVisible();
  await expect(needs).not.toContainText('third paragraph');

  await page.goto('/courses/geo-115/announcements');
  await expect(page.getByText(/^Looked at: .*for the river/iu)).toBeVisible();
  await expect(page.getByText('It stands once now.')).toBeVisible();
});

test('a rubric begins from what the prompt asks, is changed, and stands beside the prompt', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/geo-115-w9`);
  await page.getByRole('link', { name: 'Rubric' }).click();
  const form = page.getByRole('form', { name: 'The rubric' });
  await expect(form.getByLabel('Title of criterion 1')).toHaveValue(/prompt/u);
  await form.getByLabel('Title of criterion 2').fill('What the eels would say');
  await form.getByLabel('Points of level 1, criterion 2').fill('many');
  await page.getByRole('button', { name: 'Keep the rubric' }).click();
  await expect(page.getByText('Each level needs its points')).toBeVisible();
  // What was written is still there.
  await expect(form.getByLabel('Title of criterion 2')).toHaveValue('What the eels would say');
  await form.getByLabel('Points of level 1, criterion 2').fill('9');
  await expect(page.getByRole('status').filter({ hasText: 'Its best levels are worth' })).toBeVisible();
  await page.getByRole('button', { name: 'Keep the rubric' }).click();
  await expect(page.getByText('The rubric is kept.')).toBeVisible();
  await page.getByRole('button', { name: 'Show it to the class' }).click();
  await expect(page.getByText('The class sees it from now on.')).toBeVisible();

  const student = await (await browser.newContext()).newPage();
  await enterAs(student, 'Imani Okoro', '/discussions/geo-115-w9/response');
  await expect(student.getByText('What the eels would say')).toBeVisible();
});

test('a prompt is set to show itself, and says so on the sheet', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', `${DESK}/geo-115-w9`);
  await page.getByLabel('Or by itself, from').fill('2026-11-02 08:00');
  await page.getByRole('button', { name: 'Keep the time' }).click();
  await expect(page.getByText('it shows itself then')).toBeVisible();
  await expect(page.getByText('shown to students from Mon 2 Nov, 08:00').first()).toBeVisible();
});

test('a form that was refused comes back with what was written in it', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', '/courses/geo-115/announcements');
  await page.getByLabel('Title').fill('The walk is off');
  await page
    .getByRole('textbox', { name: 'The announcement’s text' })
    .fill('The river is over the path.\nWe meet in Room 2.11.');
  await page.getByLabel('When, by the course’s clock').fill('next week');
  await page.getByRole('button', { name: /^Announce to everybody/u }).click();
  await expect(page.getByText('The date is no time.')).toBeVisible();
  const text = page.getByRole('textbox', { name: 'The announcement’s text' });
  await expect(text).toContainText('The river is over the path.');
  await expect(text).toContainText('We meet in Room 2.11.');
  await expect(page.getByLabel('Title')).toHaveValue('The walk is off');
  await page.getByLabel('When, by the course’s clock').fill('');
  // Pressed twice it goes out once.
  await page.getByRole('button', { name: /^Announce to everybody/u }).dblclick();
  await expect(page.getByText('The walk is off')).toHaveCount(1);
  await expect(page.getByLabel('Title')).toHaveValue('');

  // Of many alike the one that was sent, with whom was chosen.
  await page.goto(`${DESK}/class`);
  await page.getByRole('checkbox', { name: 'Imani Okoro' }).check();
  await page.getByText('More time in one discussion').click();
  await page.getByRole('button', { name: 'Give more time' }).click();
  await expect(page.getByText('Say until when')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Imani Okoro' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Noor Vasquez' })).not.toBeChecked();
});
