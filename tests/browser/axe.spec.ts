import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from './test';
import { photograph } from '../fixtures/files';
import { enterAs, startAfresh } from './help';

test.beforeAll(() => startAfresh());
test.setTimeout(300_000);

const SCREENS = [
  ['This week', '/'],
  ['Discussions', '/discussions'],
  ['Your response, writing', '/discussions/geo-115-w6/response'],
  ['Your response, shared', '/discussions/pla-204-w6/response'],
  ['Conversation, sealed', '/discussions/geo-115-w6/conversation'],
  ['Conversation, a list', '/discussions/pla-204-w6/conversation'],
  ['Conversation, replying', '/discussions/pla-204-w6/conversation?post=178'],
  ['Conversation, headlines', '/discussions/pla-204-w6/conversation?as=headlines&post=178'],
  ['Conversation, by time', '/discussions/pla-204-w6/conversation?as=time'],
  ['taking it along', '/discussions/pla-204-w6/take-along'],
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
  ['a reading beside the writing', '/discussions/geo-115-w6/response?reading=geo-room-for-the-river'],
  ['bringing in a prompt', '/outside/new'],
  ['changing a post', '/discussions/pla-204-w6/posts/186/edit'],
  ['every version of a post', '/discussions/pla-204-w6/posts/186/history'],
  ['a receipt', '/receipts/186'],
  ['verifying a receipt', '/verify'],
] as const;

/** The screens of a prompt that was brought in: waiting, confirmed, corrected, and a post being pasted in. */
async function outsideScreens(page: Page): Promise<[string, string][]> {
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
  await bringIn();
  const waiting = new URL(page.url()).pathname;
  await bringIn();
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await page.waitForURL(/\/response$/u);
  const slug = new URL(page.url()).pathname.replace(/\/response$/u, '');
  return [
    ['a prompt to confirm', waiting],
    ['an outside prompt', `${slug}/response`],
    ['its rules', `${slug}/brief`],
    ['a post pasted in', `${slug}/conversation?paste=response`],
  ];
}

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * What axe finds. On the dark paper only colours can differ from the light one, so only they are looked at there, and on a
 * phone everything but them.
 */
async function violations(page: Page, where: 'light' | 'dark' | 'phone' = 'light', within?: string) {
  const axe = new AxeBuilder({ page });
  if (within) axe.include(within);
  if (where === 'dark') axe.withRules(['color-contrast']);
  else axe.withTags(TAGS);
  if (where === 'phone') axe.disableRules(['color-contrast']);
  const found = await axe.analyze();
  return found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
}

/** The page has come to life: its scripts hold it, its faces are there, and an editor has taken the plain form's place. */
const settled = (page: Page) =>
  page.waitForFunction(() => {
    const main = document.querySelector('main');
    return (
      main !== null &&
      Object.keys(main).some((key) => key.startsWith('__react')) &&
      document.fonts.status === 'loaded' &&
      document.querySelector('form[action$="/posts"] textarea[name=text]') === null
    );
  });

/** So many screens to a test: on a slow machine axe takes half a minute for one. */
const AT_A_TIME = 5;
const GROUPS = Array.from({ length: Math.ceil(SCREENS.length / AT_A_TIME) }, (_, i) => {
  const screens = SCREENS.slice(i * AT_A_TIME, (i + 1) * AT_A_TIME);
  return { name: screens.map(([name]) => name).join(', '), screens: () => Promise.resolve(screens) };
});
const ALL = [...GROUPS, { name: 'prompts brought in', screens: outsideScreens }];

for (const scheme of ['light', 'dark'] as const) {
  for (const { name: group, screens } of ALL) {
    test(`axe finds nothing, ${scheme}: ${group}`, async ({ page }) => {
      await page.emulateMedia({ colorScheme: scheme });
      await enterAs(page, 'Imani Okoro');
      for (const [name, path] of await screens(page)) {
        await page.goto(path);
        await settled(page);
        expect(await violations(page, scheme), name).toEqual([]);
      }
    });
  }

  test(`axe finds nothing, ${scheme}: all tools, proofreading, and the dialogs of the desk`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await enterAs(page, 'Imani Okoro', '/discussions/geo-115-w6/response');
    const editor = page.getByRole('textbox', { name: 'Your response' });
    await editor.getByRole('paragraph').last().click();
    await page.keyboard.type('The the rivver $v^2$ rose, as Teodroa said.');
    await page.getByRole('button', { name: 'More tools' }).click();
    await page.getByRole('button', { name: 'Formula' }).click();
    await page.getByLabel('Pictures or files to attach').setInputFiles([
      { name: 'levee.jpg', mimeType: 'image/jpeg', buffer: await photograph(300, 200) },
      { name: 'walk.txt', mimeType: 'text/plain', buffer: Buffer.from('Step three.') },
      { name: 'run.exe', mimeType: 'text/plain', buffer: Buffer.from('MZ' + '\0'.repeat(99)) },
    ]);
    await expect(page.locator('.ProseMirror .file-card')).toBeVisible();
    await expect(page.getByText('programs are not taken')).toBeVisible();
    await page.getByRole('button', { name: 'Proofread' }).click();
    await expect(page.getByRole('heading', { name: /things to look at/ })).toBeVisible();
    expect(await violations(page, scheme), 'proofreading').toEqual([]);
    for (const [button, dialog] of [
      ['Earlier versions', 'Earlier versions of this draft'],
      ['Cite', 'Your sources in this course'],
      ['Preview', 'As classmates will read it'],
    ] as const) {
      await page.getByRole('button', { name: button, exact: true }).click();
      await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
      // What lies beneath a dialog is dimmed and out of reach.
      expect(await violations(page, scheme, '[role=dialog]'), dialog).toEqual([]);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toBeHidden();
    }
  });

  test(`axe finds nothing, ${scheme}: recording, its review, a note, bringing in, and what a post carries`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation?post=178');
    const editor = page.locator('.ProseMirror');
    await editor.click();
    await page.keyboard.type('As the sign says');
    await page.keyboard.press('Control+Alt+f');
    await page.getByLabel('Note at the foot of the text').fill('Holt (2019), p. 12.');
    expect(await violations(page, scheme), 'a note').toEqual([]);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Record a clip' }).click();
    const panel = page.getByRole('region', { name: 'Record a clip' });
    await expect(panel.getByText('Loudness')).toBeVisible();
    expect(await violations(page, scheme), 'recording').toEqual([]);
    await panel.getByRole('button', { name: 'Record', exact: true }).click();
    await expect(panel.getByRole('timer')).toContainText('0:01');
    await panel.getByRole('button', { name: 'End', exact: true }).click();
    await expect(panel.getByLabel('Title of the clip')).toBeVisible();
    expect(await violations(page, scheme), 'a review').toEqual([]);
    await panel.getByRole('button', { name: 'Put it in the text' }).click();
    await expect(editor.locator('.file-card')).toBeVisible();
    await page.getByRole('button', { name: 'In and out' }).click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('menuitem', { name: 'Bring in a text from a file…' }).click(),
    ]);
    await chooser.setFiles({
      name: 'a.md',
      mimeType: 'text/markdown',
      buffer: Buffer.from('# One\n\nTwo[^1]\n\n[^1]: x\n'),
    });
    await expect(page.getByText(/^It brings/u)).toBeVisible();
    expect(await violations(page, scheme, '[role=dialog]'), 'bringing in').toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Preview', exact: true }).click();
    await expect(page.getByRole('dialog').locator('video')).toBeVisible();
    expect(await violations(page, scheme, '[role=dialog]'), 'a clip and a note').toEqual([]);
  });

  test(`axe finds nothing, ${scheme}: what a reply says, whom to answer, a person’s card`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation?post=178');
    await page.locator('.ProseMirror').click();
    await page.keyboard.insertText(
      'Great post! Your two arrows only work because the stair is in sight. But a blind man gets no look from anybody.',
    );
    const says = page.getByRole('region', { name: 'What this reply says' });
    await says.getByRole('button', { name: /^Praise/ }).click();
    await expect(page.locator('.ProseMirror .evidence').first()).toBeVisible();
    expect(await violations(page, scheme), 'what it says').toEqual([]);
    await page.getByRole('button', { name: 'Noor Vasquez: posts here' }).first().click();
    await expect(page.getByRole('dialog', { name: 'Posts of Noor Vasquez here' })).toBeVisible();
    expect(await violations(page, scheme, '[role=dialog]'), 'a card').toEqual([]);
    for (const filter of ['to-you', 'bookmarked', 'worth']) {
      await page.goto(`/discussions/pla-204-w6/conversation?show=${filter}`);
      expect(await violations(page, scheme), filter).toEqual([]);
    }
  });

  test(`axe finds nothing, ${scheme}: a prompt and a reading on the desk`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await enterAs(page, 'Dr. Maren Holt', '/discussions/geo-115-w6/prompt/edit');
    await expect(page.locator('.ProseMirror')).toBeVisible();
    expect(await violations(page, scheme), 'a prompt').toEqual([]);
    await page.goto('/readings/geo-room-for-the-river/edit');
    await expect(page.locator('.ProseMirror')).toBeVisible();
    expect(await violations(page, scheme), 'a reading').toEqual([]);
  });

  test(`axe finds nothing, ${scheme}: a report, and the log of care`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await enterAs(page, 'Prof. Elias Wick', '/discussions/pla-204-w6/conversation?post=178');
    await page.getByRole('button', { name: /^More about post 178/ }).click();
    await page.getByRole('button', { name: /^Hide from the class/ }).click();
    await expect(page.getByLabel('Why is it hidden?')).toBeVisible();
    expect(await violations(page, scheme, '[role=dialog]'), 'a reason').toEqual([]);
    await page.goto('/discussions/pla-204-w6/care');
    expect(await violations(page, scheme), 'the log').toEqual([]);
  });

  test(`axe finds nothing, ${scheme}: signing in, the account menu, the palette`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto('/sign-in');
    expect(await violations(page, scheme)).toEqual([]);
    await enterAs(page, 'Imani Okoro');
    await page.getByRole('button', { name: /^Account of/ }).click();
    await expect(page.getByRole('menu')).toBeVisible();
    expect(await violations(page, scheme), 'account menu').toEqual([]);
    await page.goto('/');
    await settled(page);
    await page.keyboard.press('/');
    await page.getByRole('combobox').fill('sign');
    await expect(page.getByRole('option').first()).toBeVisible();
    expect(await violations(page, scheme), 'palette').toEqual([]);
  });
}

for (const { name: group, screens } of ALL) {
  test(`nothing scrolls sideways on a phone, and axe finds nothing there: ${group}`, async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await enterAs(page, 'Imani Okoro');
    for (const [name, path] of await screens(page)) {
      await page.goto(path);
      await settled(page);
      const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(over, name).toBeLessThanOrEqual(0);
      expect(await violations(page, 'phone'), name).toEqual([]);
    }
  });
}
