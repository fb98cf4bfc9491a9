import { visitAll, visitEach, type Screens } from './axe';
import { startAfresh } from './help';
import { test, type Page } from './test';

test.beforeAll(() => startAfresh());

visitAll([
  ['This week', '/'],
  ['Discussions', '/discussions'],
  ['Your response, writing', '/discussions/geo-115-w6/response'],
  ['Your response, shared', '/discussions/pla-204-w6/response'],
  ['Conversation, sealed', '/discussions/geo-115-w6/conversation'],
  ['Conversation, a list', '/discussions/pla-204-w6/conversation'],
  ['Conversation, replying', '/discussions/pla-204-w6/conversation?post=221'],
  ['Conversation, headlines', '/discussions/pla-204-w6/conversation?as=headlines&post=221'],
  ['Conversation, by time', '/discussions/pla-204-w6/conversation?as=time'],
  ['taking it along', '/discussions/pla-204-w6/exports'],
  ['Conversation, closed', '/discussions/geo-115-w5/conversation?post=193'],
  ['Your part', '/discussions/geo-115-w5/part'],
  ['an upcoming discussion', '/discussions/geo-115-w7/response'],
  ['Discussions that need me', '/discussions?needs=me&course=geo-115'],
]);

/** The screens of a prompt that was brought in: waiting, confirmed, corrected, and a post being pasted in. */
async function outsideScreens(page: Page): Promise<Screens> {
  const bringIn = async () => {
    await page.goto('/outside/new');
    await page
      .getByLabel('The prompt’s text')
      .fill(
        'Week 6: Wells\n\nIn 200 words: (a) say who dug it, and (b) say who drinks. Reply to two classmates.',
      );
    await page.getByRole('button', { name: 'Read the prompt' }).click();
    await page.getByLabel('Course', { exact: true }).fill('HIS 101 Wells');
    await page.getByLabel('Response due').fill('2026-10-15T12:00');
  };
  await page.goto('/outside/new');
  await page.getByRole('link', { name: /^What closed first/u }).click();
  await page.waitForURL(/\/posts$/u);
  const found = new URL(page.url()).pathname;
  await page.goto('/outside/new');
  await page.getByRole('link', { name: /^MUS 130/u }).click();
  await page.waitForURL(/\/term$/u);
  const term = new URL(page.url()).pathname;
  await bringIn();
  const waiting = new URL(page.url()).pathname;
  await bringIn();
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await page.waitForURL(/\/response$/u);
  const slug = new URL(page.url()).pathname.replace(/\/response$/u, '');
  return [
    ['what stands on a page', found],
    ['a term’s discussions', term],
    ['a newer copy', `${slug}/newer`],
    ['a prompt to confirm', waiting],
    ['an outside prompt', `${slug}/response`],
    ['its rules', `${slug}/brief`],
    ['a post pasted in', `${slug}/conversation?paste=response`],
  ];
}

visitEach('prompts brought in', outsideScreens);
