import { GEO, editorOf, kept, atTheEnd } from './draft';
import { joinWords } from '@/core/text/joined';
import { words } from '@/core/text/words';
import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

test('the tools work by keyboard alone, and what they make is what classmates will read', async ({
  page,
}) => {
  await atTheEnd(page);
  await page.keyboard.type('A strong claim');
  await page.keyboard.press('Control+Shift+ArrowLeft');
  const bar = page.getByRole('toolbar');
  // One stop of Tab, arrows within; a tool that was used gives the text the focus back.
  await bar.getByRole('button', { name: 'Bold' }).focus();
  await page.keyboard.press('Enter');
  await expect(editorOf(page)).toBeFocused();
  await bar.getByRole('button', { name: 'Bold' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(bar.getByRole('button', { name: 'Italics' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(editorOf(page).locator('u strong, strong u')).toHaveText('claim');
  await bar.getByRole('button', { name: 'More tools' }).focus();
  await page.keyboard.press('Enter');
  await bar.getByRole('button', { name: /^Ink/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Red ink' }).press('Enter');
  await expect(editorOf(page).locator('[data-ink=brick]')).toHaveText('claim');
  // The menu gives the text the focus back when it is gone.
  await expect(editorOf(page)).toBeFocused();
  await editorOf(page).getByRole('paragraph').last().click();
  // The click has taken the marked word's place before anything is typed over it.
  await expect.poll(() => page.evaluate(() => getSelection()?.isCollapsed)).toBe(true);
  await page.keyboard.press('Control+End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('- first');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('nested');
  await expect(editorOf(page).locator('li li')).toHaveText('nested');
  await page.keyboard.press('Control+z');
  await expect(editorOf(page)).not.toContainText('nested');
  await page.keyboard.press('Control+y');
  await expect(editorOf(page).locator('li li')).toHaveText('nested');
  await expect(editorOf(page).locator('[data-ink=brick]')).toHaveText('claim');
  await kept(page);
  await page.getByRole('button', { name: 'Preview' }).click();
  const preview = page.getByRole('dialog', { name: 'As classmates will read it' });
  await expect(preview.locator('[data-ink=brick]')).toHaveText('claim');
  await expect(preview.locator('li li')).toHaveText('nested');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Preview' })).toBeFocused();
});

test('who comes to the text by keyboard goes on at the question without an answer, and types over none', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await expect(editorOf(page)).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'To your text' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(editorOf(page)).toBeFocused();
  await page.keyboard.type('The other side would say');
  await expect(editorOf(page).locator('.part-heading')).toHaveText([/^1\. /, /^2\. /, /^3\. What would/]);
  await expect(editorOf(page).getByRole('paragraph').first()).toHaveText(/^I would move/);
  await expect(editorOf(page).getByRole('paragraph').last()).toHaveText('The other side would say');
});

test('formulas, tables, names and the writing alone', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type('By $Q = vA$ as @teo');
  await expect(page.getByRole('option', { name: /Teodora Lind/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await page.keyboard.type('said.');
  await expect(editorOf(page).locator('.mention')).toHaveText('@Teodora Lind');
  await expect(editorOf(page).locator('.formula-inline .katex')).toBeVisible();
  await page.getByRole('button', { name: 'More tools' }).click();
  await page.getByRole('button', { name: 'Formula' }).click();
  await page.getByLabel('Formula in LaTeX').fill('\\frac{1}{n}');
  await expect(page.getByRole('group', { name: 'Preview' }).locator('.katex')).toBeVisible();
  await page.getByLabel('on a line of its own').check();
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(editorOf(page).locator('.formula .katex')).toBeVisible();
  await page.getByRole('button', { name: 'Table' }).click();
  await page.getByRole('menuitem', { name: 'Table of 3 columns' }).click();
  await page.keyboard.type('Reach');
  await expect(editorOf(page).getByRole('columnheader').first()).toHaveText('Reach');
  await kept(page);
  await page.keyboard.press('F9');
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeHidden();
  await expect(page.getByRole('heading', { level: 1 })).toBeHidden();
  await page.keyboard.press('F9');
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await page.reload();
  await expect(editorOf(page).locator('.formula .katex')).toBeVisible();
  await expect(editorOf(page).locator('.mention')).toHaveText('@Teodora Lind');
  // What is set is opened again by pressing it.
  await editorOf(page).locator('.formula').click();
  await expect(page.getByLabel('Formula in LaTeX')).toHaveValue('\\frac{1}{n}');
});

test('proofreading finds what is worth a look, leads there, mends it or leaves it', async ({ page }) => {
  await atTheEnd(page);
  await page.keyboard.type('The the rivver rose, as Teodroa said.');
  await page.getByRole('button', { name: 'Proofread' }).click();
  const panel = page.getByRole('region', { name: 'Proofreading' });
  await expect(panel.getByRole('heading')).toHaveText('3 things to look at');
  await panel.getByRole('button', { name: /rivver.* is not in the dictionary/ }).click();
  expect(await page.evaluate(() => getSelection()?.toString())).toBe('rivver');
  await panel.getByRole('button', { name: 'Suggest' }).click();
  await panel.getByRole('button', { name: 'river', exact: true }).click();
  await expect(panel.getByRole('heading')).toHaveText('2 things to look at');
  await panel.getByRole('button', { name: 'Teodora', exact: true }).click();
  await expect(editorOf(page)).toContainText('The the river rose, as Teodora said.');
  await panel.getByRole('button', { name: /^Leave it.*The the$/ }).click();
  await expect(panel.getByRole('heading')).toHaveText('Nothing to look at');
  // A word that is right here is learnt, and right the next time too.
  await expect(panel).toBeFocused();
  await editorOf(page).focus();
  await page.keyboard.press('Control+End');
  await page.keyboard.type(' The thalweg moved.');
  await panel.getByRole('button', { name: 'It is right: learn it' }).click();
  await expect(panel.getByRole('heading')).toHaveText('Nothing to look at');
  await page.reload();
  await page.getByRole('button', { name: 'Proofread' }).click();
  await expect(panel.getByRole('heading')).toHaveText('1 thing to look at');
  await expect(panel.getByText('“The the”')).toBeVisible();
});

test('a note to oneself is kept as one types, and nobody else gets it', async ({ page, browser }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await expect(editorOf(page)).toBeVisible();
  await page.getByText('Notes to self', { exact: true }).click();
  await page.getByLabel(/^Notes to self/).fill('Ask Desmond about the farms.');
  await expect(page.getByRole('status').filter({ hasText: 'Kept.' })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel(/^Notes to self/)).toHaveValue('Ask Desmond about the farms.');
  const staff = await (await browser.newContext()).newPage();
  await enterAs(staff, 'Dr. Maren Holt', `${GEO}/response`);
  await expect(staff.locator('body')).not.toContainText('Ask Desmond');
  await staff.context().close();
});

test('a source is put on the shelf and cited: the citation at the cursor, its entry in the list', async ({
  page,
}) => {
  await atTheEnd(page);
  await page.keyboard.type('Setting back works');
  const citing = page.getByRole('button', { name: 'Cite', exact: true });
  await citing.click();
  const shelf = page.getByRole('dialog', { name: 'Your sources in this course' });
  // A reading of this week is one press away.
  const reading = shelf.getByRole('button', { name: /^Cite ?: / }).first();
  await expect(reading).toHaveAccessibleName(/Chapter 6: Room for the river$/u);
  await reading.click();
  await expect(editorOf(page)).toContainText('Setting back works (Holt, n.d.)');
  await expect(page.getByRole('button', { name: /^Sources 1 \/ 1/ })).toBeVisible();
  await citing.click();
  await shelf
    .getByLabel(/^A new source/)
    .fill(
      '@book{h, author={Holt, Maren}, title={The wall that held}, publisher={Tidewell Press}, year={2019}}',
    );
  await shelf.getByRole('button', { name: 'Put it on the shelf', exact: true }).click();
  await shelf.getByLabel('Style').selectOption('MLA');
  await expect(shelf.getByRole('button', { name: /^Cite \(Holt\)/ })).toBeVisible();
  await shelf.getByLabel('Style').selectOption('APA');
  await shelf.getByRole('button', { name: /^Cite \(Holt, 2019\)/ }).click();
  await expect(editorOf(page)).toContainText('Setting back works (Holt, n.d.) (Holt, 2019)');
  await expect(editorOf(page).getByRole('heading', { name: 'References' })).toBeVisible();
  await expect(editorOf(page).locator('em').filter({ hasText: 'The wall that held' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Sources 2 \/ 1/ })).toBeVisible();
});

test.describe('what would run where it is pasted', () => {
  // The policy refuses it too, in whatever document the editor reads it.
  test.use({ mayRefuse: /Executing inline event handler/u });

  test('what is pasted is cleaned: nothing runs, its words stay', async ({ page }) => {
    await atTheEnd(page);
    await page.evaluate(() => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        `<p onclick="window.pwned=1">One<script>window.pwned=1</script>
       <img src=x onerror="window.pwned=1"><a href="javascript:window.pwned=1">two</a></p>
       <svg onload="window.pwned=1"><text>three</text></svg>
       <table><tr><td colspan=40 onmouseover="window.pwned=1">four</td></tr></table>
       <span data-ink="red;background:url(x)">five</span><span data-person="nobody">six</span>`,
      );
      document
        .querySelector('.ProseMirror')
        ?.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
    });
    for (const word of ['One', 'two', 'four', 'five', 'six'])
      await expect(editorOf(page)).toContainText(word);
    await expect(
      editorOf(page).locator('script, img:not(.ProseMirror-separator), svg, [onclick], a[href^=javascript]'),
    ).toHaveCount(0);
    await kept(page);
    await page.reload();
    await expect(editorOf(page)).toContainText('four');
    expect(await page.evaluate(() => 'pwned' in window)).toBe(false);
  });
});

test('a text has as many words in the browser as on the server', async ({ page }) => {
  const texts = [
    'Setting back works (Holt, 2019) https://tidewell.example/holt and it is 3:4, e.g. in the U.S.A.: see a.b:c.',
    'One sentence.Another one:and a third … naïve cafe\u0301.Then אב.ג カ.ナ 河.は ก.ข x\uff0ey x\uff1ay 3.5 2:30pm',
  ];
  const platform = await page.evaluate(
    (all) =>
      all.map((text) =>
        [...new Intl.Segmenter('en', { granularity: 'word' }).segment(text)].map((s) => ({
          segment: s.segment,
          index: s.index,
          isWordLike: s.isWordLike,
        })),
      ),
    texts,
  );
  const inBrowser = platform.map((found) =>
    [...joinWords(found)].filter((s) => s.isWordLike).map((s) => s.segment),
  );
  expect(inBrowser).toEqual(texts.map((text) => words(text).map((w) => w.text)));
});
