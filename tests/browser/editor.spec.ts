import { enterAs, sentencesOf, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeEach(() => startAfresh());

const GEO = '/discussions/geo-115-w6';
const editorOf = (page: Page) => page.getByRole('textbox', { name: 'Your response' });
const headings = (page: Page) => editorOf(page).locator('.part-heading');

test('a tool acts on what is selected that very moment, however quickly it is chosen', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' claimed');
  // Selected and pressed within one task: the browser tells of a selection only afterwards.
  await page.evaluate(() => {
    const walker = document.createTreeWalker(document.querySelector('.ProseMirror')!, NodeFilter.SHOW_TEXT);
    let node: Node | null = null;
    for (let next = walker.nextNode(); next; next = walker.nextNode())
      if (next.textContent?.includes('claimed')) node = next;
    const at = node?.textContent?.indexOf('claimed') ?? 0;
    getSelection()?.setBaseAndExtent(node!, at, node!, at + 'claimed'.length);
    const tool = document.querySelector<HTMLElement>('[role=toolbar] [aria-label=Bold]')!;
    tool.focus();
    tool.click();
  });
  await expect(editorOf(page).locator('strong', { hasText: 'claimed' })).toHaveText('claimed');
  // The text has the focus at once, and not with a later frame, when it would take it from the next tool.
  const focused = await page.evaluate(() => {
    const tool = document.querySelector<HTMLElement>('[role=toolbar] [aria-label=Underline]')!;
    tool.focus();
    tool.click();
    return document.activeElement?.classList.contains('ProseMirror');
  });
  expect(focused).toBe(true);
  await expect(editorOf(page).locator('u', { hasText: 'claimed' })).toHaveText('claimed');
});

test('the tool that an arrow reaches is the one that Enter presses, and so in a menu, however quickly', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  // Within one task, as on a machine that is busy: the focus has moved when the key was handled.
  const reached = (key: string) =>
    page.evaluate((pressed) => {
      const press = { key: pressed, bubbles: true, cancelable: true };
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', press));
      const at = document.activeElement;
      return at?.getAttribute('aria-label') ?? at?.textContent ?? '';
    }, key);
  const bar = page.getByRole('toolbar');
  await bar.getByRole('button', { name: 'Bold' }).focus();
  expect(await reached('ArrowRight')).toBe('Italics');
  expect(await reached('ArrowRight')).toBe('Underline');
  expect(await reached('Home')).toBe('Bold');
  await bar.getByRole('button', { name: 'Headings' }).press('Enter');
  await expect(page.getByRole('menuitemradio').or(page.getByRole('menuitem')).first()).toBeFocused();
  expect(await reached('ArrowDown')).toMatch(/^Heading/u);
  expect(await reached('End')).toMatch(/^Smallest heading/u);
});

test('no key takes a question out of a draft or runs two answers together', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await expect(headings(page)).toHaveCount(3);
  const second = editorOf(page).locator('.part-heading').nth(1);
  const text = (await editorOf(page).innerText()).replace(/\s+/gu, ' ');
  // At the beginning of the second answer.
  await second.evaluate((node) => {
    const line = node.nextElementSibling!;
    const words = document.createTreeWalker(line, NodeFilter.SHOW_TEXT).nextNode() ?? line;
    getSelection()?.setBaseAndExtent(words, 0, words, 0);
  });
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Backspace');
  await expect(headings(page)).toHaveCount(3);
  expect((await editorOf(page).innerText()).replace(/\s+/gu, ' ')).toBe(text);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('x');
  await expect(headings(page)).toHaveCount(3);
  await expect(editorOf(page)).toContainText('x');
  await expect(editorOf(page)).not.toContainText('I would move the levees back');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(editorOf(page)).toContainText('I would move the levees back');
});

test('a click anywhere on an empty page begins to write', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/discussions/pla-204-w6/conversation?post=221');
  const paper = page.locator('[data-writing]');
  await expect(paper.locator('.ProseMirror')).toBeVisible();
  const box = (await paper.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height - 12);
  await page.keyboard.type('Here I begin');
  await expect(paper).toContainText('Here I begin');
});

test('addresses become links, what cannot be one is refused in words, and so is a formula', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' See https://tidewell.example/levees and so pays.It goes');
  await expect(editorOf(page).locator('a')).toHaveText(['https://tidewell.example/levees']);
  const bar = page.getByRole('toolbar');
  await bar.getByRole('button', { name: 'Link' }).click();
  await page.getByLabel('Address of the link').fill('javascript:alert(1)');
  await page.getByRole('button', { name: 'Set link' }).click();
  await expect(page.getByText('This is not an address that can be a link')).toBeVisible();
  await page.keyboard.press('Escape');
  await bar.getByRole('button', { name: 'More tools' }).click();
  await bar.getByRole('button', { name: /^Formula/ }).click();
  await page.getByLabel('Formula in LaTeX').fill('\\frac{1}{');
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByText('This formula cannot be set as it stands')).toBeVisible();
});

test('proofreading comes to an end with the service worker at work, and finds what a student types', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' The wall is is old and the town pays.It are not fair .');
  await page.getByRole('button', { name: 'Proofread' }).click();
  const panel = page.getByRole('region', { name: 'Proofreading' });
  for (const found of ['is is', 'pays.It', 'fair .']) await expect(panel).toContainText(found);
});

test('from the text to sharing by one key, and what opens the seal is said before', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await expect(
    page.getByText('Classmates’ posts open once you share a response that meets what is required'),
  ).toBeVisible();
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('button', { name: 'Share with the class' })).toBeFocused();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('alertdialog', { name: 'Share it short?' });
  await dialog.getByRole('button', { name: 'Share it as it is' }).click();
  await expect(page.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
  await page.goto(`${GEO}/conversation`);
  await expect(page.getByText('Your response is shared, and short of what is required')).toBeVisible();
  await expect(page.getByText('The old wall held')).toHaveCount(0);
});

test('the same reply to a second classmate is told before it is shared', async ({ page }) => {
  await enterAs(page, 'Noor Vasquez', `${GEO}/conversation`);
  const same = `${sentencesOf(70)} I wonder who of you would pay.`;
  const list = page.getByRole('navigation', { name: 'Responses' });
  const to = async (name: string) => {
    await page.goto(`${GEO}/conversation?show=all&as=threads`);
    await list
      .getByRole('link', { name: new RegExp(name) })
      .first()
      .click();
    await page.getByRole('textbox', { name: `Your reply to ${name}` }).click();
    await page.keyboard.insertText(same);
    await expect(page.getByText(/^Draft kept/)).toBeVisible();
    await page
      .getByRole('button', { name: /^Share/ })
      .last()
      .click();
  };
  await to('Anselm Quaye');
  await expect(page).toHaveURL(/shared=/u);
  await to('Tomasz Wray');
  await expect(page.getByRole('alertdialog', { name: 'The same again?' })).toContainText(
    'your reply to Anselm Quaye',
  );
});
