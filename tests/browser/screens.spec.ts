import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { enterAs, startAfresh } from './help';

test.beforeAll(() => startAfresh());

const SCREENS = [
  ['This week', '/'],
  ['Discussions', '/discussions'],
  ['Your response, writing', '/discussions/geo-115-w6/response'],
  ['Your response, shared', '/discussions/pla-204-w6/response'],
  ['Conversation, sealed', '/discussions/geo-115-w6/conversation'],
  ['Conversation, a list', '/discussions/pla-204-w6/conversation'],
  ['Conversation, replying', '/discussions/pla-204-w6/conversation?post=178'],
  ['Conversation, closed', '/discussions/geo-115-w5/conversation?post=150'],
  ['Your part', '/discussions/geo-115-w5/part'],
  ['an upcoming discussion', '/discussions/geo-115-w7/response'],
  ['Discussions that need me', '/discussions?needs=me&course=geo-115'],
  ['a course’s week', '/courses/pla-204/weeks/7'],
  ['a syllabus', '/courses/geo-115/syllabus'],
  ['announcements', '/courses/snd-130/announcements'],
  ['people', '/courses/geo-115/people'],
  ['a reading', '/readings/geo-room-for-the-river'],
  ['a reading elsewhere', '/readings/geo-chapter-1'],
  ['a month', '/calendar'],
  ['an agenda', '/calendar?view=agenda'],
  ['the plan', '/calendar/plan'],
  ['other calendars', '/calendar/elsewhere'],
  ['find', '/find?q=levee'],
  ['find, nothing', '/find?q=zzzzqq'],
  ['nothing here', '/no/such/page'],
] as const;

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** What axe finds; on the dark paper only colours can differ from the light one, so only they are looked at there. */
async function violations(page: Page, scheme: 'light' | 'dark' = 'light') {
  const axe = new AxeBuilder({ page });
  const found = await (scheme === 'dark' ? axe.withRules(['color-contrast']) : axe.withTags(TAGS)).analyze();
  return found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
}

const settled = (page: Page) => page.waitForLoadState('networkidle');

for (const scheme of ['light', 'dark'] as const) {
  test(`axe finds nothing on any screen, ${scheme}`, async ({ page }) => {
    test.setTimeout(180_000);
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto('/sign-in');
    expect(await violations(page, scheme)).toEqual([]);
    await enterAs(page, 'Imani Okoro');
    for (const [name, path] of SCREENS) {
      await page.goto(path);
      await settled(page);
      expect(await violations(page, scheme), name).toEqual([]);
    }
    await page.goto('/');
    await page.getByRole('button', { name: /^Account of/ }).click();
    await expect(page.getByRole('menu')).toBeVisible();
    expect(await violations(page, scheme), 'account menu').toEqual([]);
    await page.goto('/');
    await page.keyboard.press('/');
    await page.getByRole('combobox').fill('sign');
    await expect(page.getByRole('option').first()).toBeVisible();
    expect(await violations(page, scheme), 'palette').toEqual([]);
  });
}

test('nothing scrolls sideways on a phone, and axe finds nothing there', async ({ page }) => {
  test.setTimeout(180_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await enterAs(page, 'Imani Okoro');
  for (const [name, path] of SCREENS) {
    await page.goto(path);
    await settled(page);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over, name).toBeLessThanOrEqual(0);
    expect(await violations(page), name).toEqual([]);
  }
});

test('on a phone the facing pages are two tabs, and the handle pulls the other one up', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
  const prompt = page.getByRole('region', { name: 'Prompt' });
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await expect(editor).toBeVisible();
  await expect(prompt).toBeHidden();
  await page.getByRole('button', { name: 'Pull up: Prompt' }).click();
  await expect(prompt).toBeVisible();
  await expect(editor).toBeVisible();
  await page.getByRole('button', { name: 'Put Prompt down' }).click();
  await page.getByRole('group', { name: 'Pages' }).getByRole('button', { name: 'Prompt' }).click();
  await expect(prompt).toBeVisible();
  await expect(editor).toBeHidden();
});

test('everything is reached by keyboard: from the week to a check’s evidence and back', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  await page.keyboard.press('g');
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/\/discussions$/u);
  await page.keyboard.press('g');
  await page.keyboard.press('w');
  await expect(page).toHaveURL(/\/$/u);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('link', { name: /Continue draft/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('textbox', { name: 'Title' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Your response' })).toBeFocused();
  await page.getByRole('button', { name: /^Course ideas/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.locator('.evidence').first()).toBeVisible();
});

test('j and k walk through a conversation, Back and reload stay where they were', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation');
  const responses = page.getByRole('navigation', { name: 'Responses' });
  await responses.getByRole('link', { name: /Teodora Lind/ }).click();
  await expect(page.getByRole('article', { name: 'Response by Teodora Lind' })).toBeVisible();
  await page.keyboard.press('j');
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
  await page.keyboard.press('k');
  await expect(page.getByRole('article', { name: 'Response by Teodora Lind' })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
});

test('the account menu chooses the paper and moves the demo’s clock', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  const choose = async (item: string) => {
    await page.getByRole('button', { name: /^Account of/ }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await choose('Dark');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await choose('3 days on');
  await expect(page.getByText(/^Fri 16 Oct, 16:4/)).toBeVisible();
  await expect(page.getByText(/response missed/i).first()).toBeVisible();
});
