import { another, enterAs, questionsLearnt, startAfresh } from './help';
import { expect, test, type Browser, type Page } from './test';

test.beforeEach(() => startAfresh());

const QUESTIONS = '/courses/geo-115/questions';
const list = (page: Page) => page.getByRole('navigation', { name: 'Questions', exact: true });
const open = (page: Page, title: RegExp) => list(page).getByRole('link', { name: title }).click();

test('an hour to meet: a slot is taken, stands in the calendar, and is told of where it moves', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', QUESTIONS);
  await open(page, /Ten minutes each about your map/u);
  const hour = page.getByRole('region', { name: 'Hour to meet' });
  const slots = hour.getByRole('list', { name: 'Slots' });
  await expect(slots.getByRole('listitem')).toHaveCount(6);
  await expect(slots).not.toContainText('Pilar');
  await slots.getByRole('button', { name: /Take it.*16:20 to 16:30/u }).click();
  await expect(slots.getByText('yours')).toBeVisible();
  await page.reload();
  await expect(slots.getByText('yours')).toBeVisible();
  await page.goto('/calendar?view=agenda');
  await expect(page.getByText('GEO 115: to meet until 16:30')).toBeVisible();

  const holt = await another(browser, 'Dr. Maren Holt', QUESTIONS);
  await open(holt, /Ten minutes each about your map/u);
  const theirs = holt.getByRole('region', { name: 'Hour to meet' });
  await expect(theirs.getByText('Pilar Ostrom')).toBeVisible();
  await expect(theirs.getByText('Imani Okoro')).toBeVisible();
  await theirs.getByText('Move it, or call it off').click();
  await theirs.getByRole('textbox', { name: 'Begins' }).fill('2026-10-15 10:00');
  await theirs.getByRole('button', { name: 'Move it' }).click();
  await expect(theirs.getByText('Thu 15 Oct, 10:00 to 11:00')).toBeVisible();

  await page.goto('/notices');
  await page.getByRole('link', { name: /moved the hour to meet in which you have a slot/u }).click();
  await expect(slots.getByRole('listitem').filter({ hasText: 'yours' })).toContainText('10:20 to 10:30');
});

test('staff answer once for all who asked the same, with an answer they keep, and announce it', async ({
  page,
  browser,
}) => {
  await questionsLearnt();
  await enterAs(page, 'Dr. Maren Holt', QUESTIONS);
  await open(page, /Is the gauge table one source or twelve/u);
  const alike = page.getByRole('form', { name: 'Answer them with this one' });
  await alike.getByRole('checkbox', { name: /If I cite several rows/u }).check();
  await alike.getByRole('button', { name: 'Answer them with this one' }).click();
  await expect(alike).toHaveCount(0);
  await page.getByText('Your saved answers').click();
  await page.getByRole('button', { name: /^Put it in.*What counts as a source/u }).click();
  const answer = page.getByRole('textbox', { name: 'Your answer' });
  await expect(answer).toContainText('Anything somebody else can go and look at');
  await answer.press('Control+End');
  await answer.pressSequentially(' A table is one.');
  await page.getByRole('button', { name: 'Share the answer' }).click();
  const mine = page.getByRole('article', { name: 'Answer by Dr. Maren Holt' });
  await expect(mine).toContainText('A table is one.');

  // Whoever asked the same is told where it goes on, and reads it there.
  const lucinda = await another(browser, 'Lucinda Farrow', '/notices');
  await lucinda
    .getByRole('link', { name: /goes on in question 10/u })
    .first()
    .click();
  await expect(lucinda.getByText('A table is one.')).toBeVisible();

  await mine.getByRole('link', { name: 'Make it an announcement' }).click();
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue(
    'Is the gauge table one source or twelve?',
  );
  await expect(page.getByRole('textbox', { name: 'The announcement’s text' })).toContainText(
    'A table is one.',
  );
  await page.getByRole('button', { name: 'Announce to everybody in GEO 115' }).click();
  await lucinda.goto('/courses/geo-115/announcements');
  await expect(lucinda.getByText('Is the gauge table one source or twelve?')).toBeVisible();
});

test('what was asked of the staff alone is read by everybody once its asker says so', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Kwame Sorley', `${QUESTIONS}?show=staff`);
  await open(page, /our own street/u);
  const noor = await another(browser, 'Noor Vasquez', QUESTIONS);
  await expect(list(noor).getByText('our own street')).toHaveCount(0);
  await page.getByRole('button', { name: 'Everybody may read it' }).click();
  await expect(page.getByText('everybody in the course reads this')).toBeVisible();
  await noor.reload();
  await expect(list(noor).getByRole('link', { name: /our own street/u })).toBeVisible();
});

test('how questions are taken is the course’s to say, and what waits stands on its desk', async ({
  page,
}) => {
  await enterAs(page, 'Dr. Maren Holt', '/courses/geo-115/desk');
  await page.getByRole('link', { name: /^Answer: \d+ questions? waits? for an answer/u }).click();
  await expect(page.getByRole('link', { name: /^Unanswered/u })).toHaveAttribute('aria-current', 'true');
  await page.getByRole('link', { name: 'How they are taken' }).click();
  await page.getByRole('textbox', { name: 'A corner for anything' }).fill('The ferry steps');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.goto(QUESTIONS);
  await page.getByText('More', { exact: true }).click();
  await page.getByRole('link', { name: /^The ferry steps/u }).click();
  await expect(list(page).getByRole('link', { name: /Train from Merren/u })).toBeVisible();
});

/** Somebody whose browser runs no scripts. */
async function withoutScripts(browser: Browser, name: string, path: string): Promise<Page> {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await enterAs(page, name, path);
  return page;
}

test('without scripts one asks, is told what is missing with one’s words kept, and takes a slot', async ({
  browser,
}) => {
  const page = await withoutScripts(browser, 'Teodora Lind', `${QUESTIONS}?ask=asks`);
  await page.getByRole('link', { name: 'Show of hands', exact: true }).click();
  await page.getByRole('textbox', { name: 'Title' }).fill('Which bank of the river?');
  await page.getByRole('textbox', { name: 'Your text' }).fill('For the walk.');
  await page.getByRole('button', { name: 'Ask for hands' }).click();
  await expect(page.getByRole('alert').first()).toContainText('needs two choices at least');
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Which bank of the river?');
  const choices = page.getByRole('textbox', { name: 'Choices, one on each line' });
  await choices.fill('left\nright');
  await page.getByRole('textbox', { name: /^Until/u }).fill('2026-10-01 10:00');
  await page.getByRole('button', { name: 'Ask for hands' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Write another one.');
  await expect(choices).toHaveValue('left\nright');
  await page.getByRole('textbox', { name: /^Until/u }).fill('2026-10-16 10:00');
  await page.getByRole('button', { name: 'Ask for hands' }).click();
  await expect(page.getByRole('region', { name: 'Show of hands' })).toBeVisible();
  await page.goto(`${QUESTIONS}/11`);
  await page.getByRole('button', { name: /Take it.*16:00 to 16:10/u }).click();
  await expect(page.getByRole('list', { name: 'Slots' }).getByText('yours')).toBeVisible();
});
