import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { documentFromMarkdown } from '../../src/core/formats/from-markdown';
import { docxOf } from '../../src/server/formats/to-docx';
import { enterAs, startAfresh } from './help';

test.beforeEach(() => startAfresh());

const DESK = '/discussions/geo-115-w6/response';
const editorOf = (page: Page) => page.getByRole('textbox', { name: 'Your response' });

const written = async () =>
  Buffer.from(
    await docxOf(
      'Pay for the meadows',
      documentFromMarkdown(
        'Which plan would you choose, and for whom is it the better one?\n\nI would *move* the wall.[^1]\n\n- meadows\n- houses\n\n[^1]: Holt (2019), p. 12.',
      ),
      new Map(),
    ),
  );

async function choose(page: Page, name: string, buffer: Buffer) {
  await editorOf(page).waitFor();
  await page.getByRole('button', { name: 'In and out' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('menuitem', { name: 'Bring in a text from a file…' }).click(),
  ]);
  await chooser.setFiles({ name, mimeType: 'application/octet-stream', buffer });
}

test('a text from a word processor is looked at, compared, and put in the draft’s place', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', DESK);
  await choose(page, 'levees.docx', await written());
  const dialog = page.getByRole('dialog', { name: 'Bring in levees.docx' });
  await expect(dialog.getByText(/It brings .* 1 heading, 1 list and 1 note/u)).toBeVisible();
  await expect(dialog.getByText('Left behind: typefaces, sizes and colours.')).toBeVisible();
  await expect(dialog.getByRole('heading', { name: 'Pay for the meadows' })).toBeVisible();
  await dialog.getByLabel('Show what changes in the draft, word by word').check();
  await expect(dialog.getByText(/only in the draft/u)).toBeVisible();
  await dialog.getByRole('button', { name: 'Put it in the draft’s place' }).click();
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Pay for the meadows');
  const editor = editorOf(page);
  // The question that was written out is the heading of its part again.
  await expect(editor.locator('.part-heading')).toHaveText(/^1\. Which plan would you choose/u);
  await expect(editor.getByRole('listitem')).toHaveText(['meadows', 'houses']);
  await expect(editor.locator('sup[title="Note: Holt (2019), p. 12."]')).toHaveCount(1);
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
  await page.reload();
  await expect(editor.getByRole('listitem')).toHaveText(['meadows', 'houses']);
  await page.getByRole('button', { name: 'Earlier versions' }).click();
  await expect(page.getByText('before another text took its place')).toBeVisible();
});

test('below a draft with a title, and in a reply, the title that is brought is a heading: no word is lost', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', DESK);
  await choose(page, 'levees.docx', await written());
  await page.getByRole('button', { name: 'Put it below the draft' }).click();
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue(
    'Give the meadows back, and pay for them',
  );
  await expect(editorOf(page)).toContainText('I would move the levees back.');
  await expect(editorOf(page).getByRole('heading', { name: 'Pay for the meadows' })).toBeVisible();
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
  await page.goto('/discussions/pla-204-w6/conversation?post=221');
  await page.locator('.ProseMirror').waitFor();
  await page.getByRole('button', { name: 'In and out' }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('menuitem', { name: 'Bring in a text from a file…' }).click(),
  ]);
  await chooser.setFiles({
    name: 'levees.docx',
    mimeType: 'application/octet-stream',
    buffer: await written(),
  });
  await page.getByRole('button', { name: /^Put it in/u }).click();
  await expect(
    page.locator('.ProseMirror').getByRole('heading', { name: 'Pay for the meadows' }),
  ).toBeVisible();
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
});

test('a file that cannot be read says why, and the draft is as it was', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', DESK);
  const before = await editorOf(page).innerText();
  await choose(page, 'broken.docx', Buffer.from('PK\u0003\u0004 not an archive'));
  await expect(page.getByText(/“broken.docx” is damaged or is no Word document/u)).toBeVisible();
  await page.getByRole('button', { name: 'Leave the draft as it is' }).click();
  expect(await editorOf(page).innerText()).toBe(before);
});

test('the draft is saved as a file of each kind', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', DESK);
  await editorOf(page).waitFor();
  const begins: [string, string][] = [
    ['Word document (.docx)', 'PK'],
    ['OpenDocument text (.odt)', 'PK'],
    ['Web page (.html)', '<!doctype html>'],
    ['Markdown (.md)', '# Give the meadows back'],
  ];
  for (const [name, first] of begins) {
    await page.getByRole('button', { name: 'In and out' }).click();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name }).click(),
    ]);
    expect(readFileSync(await file.path(), 'latin1').startsWith(first)).toBe(true);
  }
});

for (const [paper, box] of [
  ['A4', /MediaBox \[0 0 59[45]\S* 84[12]/u],
  ['Letter', /MediaBox \[0 0 612\S* 792/u],
] as const) {
  test(`the text alone is printed on ${paper}`, async ({ page }) => {
    await page.addInitScript(() => {
      window.print = () => Object.assign(window, { printed: true });
    });
    await enterAs(page, 'Imani Okoro', DESK);
    await editorOf(page).waitFor();
    await page.getByRole('button', { name: 'In and out' }).click();
    await page.getByRole('menuitem', { name: `Print on ${paper}` }).click();
    await page.waitForFunction(() => 'printed' in window);
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.toString('latin1')).toMatch(box);
    // Printing is over: the sheet is gone.
    await expect(page.locator('.print-sheet')).toHaveCount(0);
  });
}

test('what is pasted from a word processor comes in with its list and its note', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', DESK);
  await editorOf(page).waitFor();
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('End');
  await page.evaluate(() => {
    const item = (mark: string, text: string) =>
      `<p class=MsoListParagraph style='mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>${mark}</span><span style='font-size:30pt;color:red'>${text}</span></p>`;
    const data = new DataTransfer();
    data.setData(
      'text/html',
      `<p>As said<a href="#_ftn1" name="_ftnref1">[1]</a>:</p>${item('1.', 'buy')}${item('2.', 'build')}<div id=ftn1><p><a href="#_ftnref1" name="_ftn1">[1]</a> Holt, p. 3.</p></div>`,
    );
    document
      .querySelector('.ProseMirror')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  const editor = editorOf(page);
  await expect(editor.locator('ol').getByRole('listitem')).toHaveText(['buy', 'build']);
  await expect(editor.locator('sup[title="Note: Holt, p. 3."]')).toHaveCount(1);
  expect(await editor.innerHTML()).not.toMatch(/30pt|mso-|\[1\]/u);
  await expect(page.getByText(/^Draft kept/u)).toBeVisible();
});

test('a note is written, changed and taken out by keyboard; classmates read it at the foot', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', DESK);
  const editor = editorOf(page);
  await editor.getByRole('paragraph').last().click();
  await page.keyboard.press('End');
  await page.keyboard.press('Control+Alt+f');
  await page.getByLabel('Note at the foot of the text').fill('Lind (2020), p. 7.');
  await page.keyboard.press('Enter');
  await expect(editor.locator('sup.note-in-text')).toHaveCount(1);
  await page.getByRole('button', { name: 'Preview' }).click();
  const preview = page.getByRole('dialog', { name: 'As classmates will read it' });
  await expect(preview.getByRole('link', { name: 'Note 1', exact: true })).toBeVisible();
  await expect(preview.getByRole('list', { name: 'Notes' })).toContainText('Lind (2020), p. 7.');
  await page.keyboard.press('Escape');
  await editor.locator('sup.note-in-text').click();
  await page.getByLabel('Note at the foot of the text').fill('');
  await page.keyboard.press('Enter');
  await expect(editor.locator('sup.note-in-text')).toHaveCount(0);
});
