import { documentFromMarkdown } from '@/core/formats/from-markdown';
import { docxOf } from '@/server/formats/to-docx';
import { emailOf } from '@/standins/world/people';
import { Effort } from './effort';
import { enterAs, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeAll(() => startAfresh());
test.describe.configure({ mode: 'serial' });

const TITLES = [
  'Where a river begins',
  'What it carries',
  'Who owns the bank',
  'Floods and their names',
  'Eels',
  'Weirs and mills',
  'The estuary',
  'What we owe it',
];
const promptOf = (title: string) =>
  `${title}: what would you do?\n\nIn at least 150 words, say what you would do and for whom it is the better way. Use one source. Then reply to two classmates in at least 40 words each.`;

/** A steward makes a course and lets somebody with an account teach it; what it takes is counted. */
async function make(page: Page, effort: Effort, code: string, term: string) {
  await page.goto('/stewards/courses');
  await effort.type(page.getByLabel('Code', { exact: true }), code);
  await effort.type(page.getByLabel('Term'), term);
  await effort.type(page.getByLabel('Title'), 'A River, Again');
  await effort.press(page.getByRole('button', { name: 'Make it' }));
  await expect(page.getByRole('status').filter({ hasText: 'The course is made' })).toBeVisible();
  const invite = page.getByRole('region', { name: 'Invite who teaches it' });
  await effort.type(invite.getByLabel('Mail address'), emailOf('Dr. Maren Holt'));
  await effort.press(invite.getByRole('button', { name: 'Invite' }));
  await expect(page.getByRole('status').filter({ hasText: 'it is in, and was told by mail' })).toBeVisible();
}

test('a course of eight weeks is made by hand, one prompt out of a document, in less than a quarter of an hour', async ({
  page,
  browser,
}) => {
  const effort = new Effort();
  const steward = await (await browser.newContext()).newPage();
  await enterAs(steward, 'Agnes Thorwald', '/stewards');
  await make(steward, effort, 'GEO 230', 'Spring 2027');

  await enterAs(page, 'Dr. Maren Holt', '/courses/geo-230/desk/settings');
  for (const what of ['Response', 'Replies'])
    await effort.choose(page.getByLabel(`${what} due, weekday`), what === 'Response' ? 'Thursday' : 'Sunday');
  await effort.choose(page.getByLabel('Late work'), 'is refused');
  await effort.press(page.getByRole('button', { name: 'Keep' }));
  await expect(page.getByText('Kept. New discussions begin with it.')).toBeVisible();
  await effort.press(page.getByRole('link', { name: 'The term' }));
  await effort.type(page.getByLabel('A week on each line'), TITLES.join('\n'));
  await effort.type(page.getByLabel('First day of the first'), '2027-01-11');
  await effort.press(page.getByRole('button', { name: 'Add them' }));
  await expect(page.getByRole('status').filter({ hasText: 'The weeks are added' })).toBeVisible();
  await expect(page.getByText('What we owe it · from')).toBeVisible();

  for (const [i, title] of TITLES.entries()) {
    const waits = page.getByRole('listitem').filter({ hasText: 'Nothing yet' }).first();
    await effort.press(waits.getByRole('link', { name: 'Write a prompt' }));
    if (i === 0) {
      const doc = documentFromMarkdown(promptOf(title));
      const docx = Buffer.from(await docxOf(title, doc, new Map()));
      await effort.file(page.locator('input[type=file]'), 'first week.docx', docx);
    } else await effort.paste(page.getByLabel('The prompt’s text'), promptOf(title));
    await effort.press(page.getByRole('button', { name: 'Read the prompt' }));
    await expect(page.getByLabel('How many replies')).toHaveValue('2');
    // What was read out of it stands there with its words: it is looked through.
    effort.look(15);
    await effort.press(page.getByRole('button', { name: 'Make it a discussion' }));
    await expect(page.getByRole('status').filter({ hasText: 'It is a discussion now' })).toBeVisible();
    await expect(page.getByLabel('Response due')).toHaveValue(/^2027-.*23:59$/u);
    await effort.press(page.getByRole('link', { name: 'The term' }));
  }
  await expect(page.getByRole('listitem').filter({ hasText: 'Nothing yet' })).toHaveCount(0);
  console.log(`A course of eight weeks: ${effort.toString()}`);
  expect(effort.minutes()).toBeLessThan(15);
});

test('its second term takes less than two minutes', async ({ page, browser }) => {
  const effort = new Effort();
  const steward = await (await browser.newContext()).newPage();
  await enterAs(steward, 'Agnes Thorwald', '/stewards');
  await make(steward, effort, 'GEO 230', 'Autumn 2027');
  await enterAs(page, 'Dr. Maren Holt', '/discussions');
  await effort.press(page.getByRole('link', { name: 'GEO 230 A River, Again, Autumn 2027' }));
  const over = page.getByRole('region', { name: 'Take a course over' });
  await effort.choose(over.getByLabel('From'), 'GEO 230 A River, Again · Spring 2027');
  await effort.type(over.getByLabel('The first day here'), '2027-09-13');
  await effort.press(over.getByRole('button', { name: 'Take it over' }));
  await expect(page.getByText('What we owe it · from')).toBeVisible();
  console.log(`Its second term: ${effort.toString()}`);
  expect(effort.minutes()).toBeLessThan(2);
});
