import { expectSound } from './axe';
import { expect, test, type Page } from './test';
import { readFileSync } from 'node:fs';
import { another, enterAs, startAfresh } from './help';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

const PROMPT = `Module 6 Discussion: Who speaks for the forest?

Write a response of 20-60 words:

1. Who is allowed to decide what happens to a forest?
2. Which voices are missing?

Cite at least one source. Your initial post is due Thursday at 11:59 pm. Then reply to one classmate in at least 5 words by Sunday at 6 pm. Late posts lose 10% a day for up to 3 days.`;

const TEXT = 'The prompt’s text';

async function bringIn(page: Page, course = 'FOR 220 Forest Policy') {
  await page.goto('/outside/new');
  await page.getByLabel(TEXT).fill(PROMPT);
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Is this what the prompt asks?');
  await page.getByLabel('Course', { exact: true }).fill(course);
}

test('a pasted prompt says at once what was found in it, read beside the page that draws', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  const worker = page.waitForEvent('worker');
  await page.getByLabel(TEXT).fill(PROMPT);
  await worker;
  await expect(page.getByRole('status')).toContainText('at least 20 words');
  await expect(page.getByRole('status')).toContainText('response due on Thursday');
});

test('each field shows the words it was read from, and pointing at either leads to the other', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro');
  await bringIn(page);
  await expect(page.getByLabel('Response due')).toHaveValue('2026-10-15 23:59');
  await expect(page.getByLabel('Replies due')).toHaveValue('2026-10-18 18:00');
  await expect(page.getByLabel('Questions to answer, one on each line')).toHaveValue(
    'Who is allowed to decide what happens to a forest?\nWhich voices are missing?',
  );
  await page.getByLabel('Words, at least').focus();
  await expect(page.locator('[data-pointed]')).toContainText('20-60 words');
  await page.getByRole('button', { name: /^one classmate/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('How many replies')).toBeFocused();
  await expect(page.locator('[data-pointed]')).toContainText('one classmate');
});

test('what is wrong is said at its field, and nothing typed is lost', async ({ page }) => {
  await enterAs(page, 'Imani Okoro');
  await bringIn(page, 'GEO 115 Rivers');
  await page.getByLabel('Title', { exact: true }).fill('My own title');
  await page.getByLabel('Words, at most').fill('ten');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page.getByText('2 fields are not right yet')).toHaveCount(0);
  await expect(page.getByText('One field is not right yet')).toBeVisible();
  await expect(page.getByText('This must be a whole number, at most 20,000, or empty.')).toBeVisible();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('My own title');
  await page.getByLabel('Words, at most').fill('60');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page.getByText('You are in a course called GEO 115 here.')).toBeVisible();
  await page.goto('/outside/new');
  await expect(page.getByRole('link', { name: /^Module 6 Discussion/ }).first()).toBeVisible();
});

test('what one puts right is given on only with a yes, after one has read what, and stewards see it', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro');
  await bringIn(page, 'FOR 221 Forest Law');
  await expect(page.getByRole('checkbox', { name: /^Give/u })).toHaveCount(0);
  await page.getByLabel('How many replies').fill('3');
  const give = page.getByRole('checkbox', { name: /^Give 1 correction on/u });
  await expect(give).not.toBeChecked();
  await page.getByText('What would be kept').click();
  await expect(page.getByText('How many replies: read 1, meant 3')).toBeVisible();
  await give.check();
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page).toHaveURL(/\/response$/u);
  const steward = await another(browser, 'Agnes Thorwald', '/stewards/corrections');
  await expect(steward.getByRole('listitem').filter({ hasText: 'meant 3' })).toContainText('one classmate');
  const [file] = await Promise.all([
    steward.waitForEvent('download'),
    steward.getByRole('button', { name: 'Save them as a file' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('"meant":"3"');
  await steward.getByRole('button', { name: 'Delete them all' }).click();
  await expect(steward.getByText('Nothing was given yet')).toBeVisible();
});

test('the whole job: write, copy out, note it as posted, paste a classmate in, answer, complete', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await enterAs(page, 'Imani Okoro');
  await bringIn(page);
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page).toHaveURL(/\/discussions\/outside-[0-9a-f]+\/response$/u);
  const room = page.url();
  await page.goto('/');
  const line = page.getByRole('listitem').filter({ hasText: 'FOR 220 · Week 6 · not hosted here' });
  await expect(line).toContainText('Thu 15 Oct, 23:59');
  await page.goBack();
  await expect(page).toHaveURL(room);

  const editor = page.getByRole('textbox', { name: 'Your response' });
  await editor.getByRole('paragraph').first().click();
  await page.keyboard.type(
    'Mostly those who own it decide, and that is a problem wherever a village lives from it (Holt, 2019). Nobody asked the mill either, for years.',
  );
  await editor.getByRole('paragraph').last().click();
  await page.keyboard.type('The foresters themselves are missing.');
  await expect(page.getByText(/If posted now: counts/)).toBeVisible();
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await expect(page.getByText('Copied, with its headings and links.')).toBeVisible();
  const html = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    return (await item?.getType('text/html'))?.text();
  });
  expect(html).toContain('<strong>2. Which voices are missing?</strong>');
  expect(html).toContain('<p>The foresters themselves are missing.</p>');
  expect(html).not.toMatch(/class=|style=/u);

  await page.getByRole('button', { name: 'In and out' }).click();
  const [markdown] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Markdown (.md)' }).click(),
  ]);
  expect(readFileSync(await markdown.path(), 'utf8')).toContain('**2. Which voices are missing?**');
  await page.getByRole('button', { name: 'In and out' }).click();
  const [word] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Word document (.docx)' }).click(),
  ]);
  expect(
    readFileSync(await word.path())
      .subarray(0, 2)
      .toString(),
  ).toBe('PK');

  await page.getByRole('button', { name: 'I posted it there' }).click();
  await page.getByLabel('Posted there at (your time)').fill('2026-10-13 09:30');
  await page.getByRole('button', { name: 'Note it as posted there' }).click();
  await expect(page.getByRole('heading', { name: 'Your response is posted there' })).toBeVisible();
  await expect(page.getByText('Tue 13 Oct, 09:30:00')).toBeVisible();

  await page.getByRole('link', { name: 'To the replies' }).click();
  await page.getByRole('link', { name: 'Paste a classmate’s post' }).click();
  await page.getByLabel('Whose post').fill('Benedikta Ruhl');
  await page.getByLabel('The text').fill('The owner decides, but neighbours should be asked first.');
  await page.getByRole('button', { name: 'Put it in' }).click();
  await page.getByRole('textbox', { name: 'Your reply to Benedikta Ruhl' }).click();
  await page.keyboard.type('Asked by whom, and would it bind the owner?');
  await page.getByRole('button', { name: 'I posted reply 1 of 1 there' }).click();
  await page.getByRole('button', { name: 'Note it as posted there' }).click();
  await expect(page.getByText('this discussion is complete')).toBeVisible();
  await page.goto('/');
  await expect(line).toContainText('Complete');
});

test('a prompt comes in as a printed page, as HTML, as Markdown; its dates from a calendar file', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  await page.setContent(
    '<h1>Week 3: Wells</h1><p>Write at least 180 words about a well that was closed in your region. Then reply to three classmates.</p><ol><li>Who closed it?</li><li>Who drank from it?</li></ol>',
  );
  const printed = await page.pdf({ format: 'A4', displayHeaderFooter: true });
  const files = [
    { name: 'week3.pdf', mimeType: 'application/pdf', buffer: printed },
    {
      name: 'week3.html',
      mimeType: 'text/html',
      buffer: Buffer.from(
        '<h1>Week 3: Wells</h1><p>At least <b>180 words</b>.</p><p>Reply to three classmates.</p>',
      ),
    },
    {
      name: 'week3.md',
      mimeType: 'text/markdown',
      buffer: Buffer.from('# Week 3: Wells\n\nAt least **180 words**. Reply to _three_ classmates.'),
    },
  ];
  const ics = `BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nSUMMARY:Wells, first post\r\nDTSTART:20261015T100000Z\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
  for (const file of files) {
    await page.goto('/outside/new');
    await page
      .getByLabel(/^Or a file/)
      .setInputFiles([file, { name: 'dates.ics', mimeType: 'text/calendar', buffer: Buffer.from(ics) }]);
    await page.getByRole('button', { name: 'Read the prompt' }).click();
    await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Week 3: Wells');
    await expect(page.getByLabel('Words, at least')).toHaveValue('180');
    await expect(page.getByLabel('How many replies')).toHaveValue('3');
    await page.getByRole('button', { name: /^Response due then ?: Wells, first post/ }).click();
    await expect(page.getByLabel('Response due')).toHaveValue('2026-10-15 11:00');
  }

  // Pressed before its script has come, it is done when that has.
  let release = () => {};
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route(/\/_next\/static\/.*\.js/u, async (route) => {
    await held;
    await route.continue();
  });
  await page.reload({ waitUntil: 'commit' });
  await page.getByRole('button', { name: /^Response due then ?: Wells, first post/ }).click();
  await expect(page.getByLabel('Response due')).toHaveValue('');
  release();
  await expect(page.getByLabel('Response due')).toHaveValue('2026-10-15 11:00');
});

/** A PDF that asks for a password: its key was made from one that is not empty. */
const lockedPdf = () => {
  const key = 'a1'.repeat(32);
  return `%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 200]>>endobj\n4 0 obj<</Filter/Standard/V 1/R 2/O<${key}>/U<${key}>/P -4>>endobj\nxref\n0 1\n0000000000 65535 f \ntrailer<</Root 1 0 R/Encrypt 4 0 R/Size 5/ID[<${key}><${key}>]>>\nstartxref\n0\n%%EOF\n`;
};

test('a file that cannot be read gets a sentence, and what was typed beside it is kept', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  const cases: [string, string, RegExp][] = [
    ['broken.docx', 'PK\u0003\u0004 and then nothing', /damaged or is no Word document/],
    ['locked.pdf', lockedPdf(), /locked with a password/],
    ['broken.pdf', '%PDF-1.7\nnothing follows', /damaged PDF/],
    ['page.bin', '\u0000\u0001\u0002', /is no text, web page, word processor’s file/],
  ];
  for (const [name, bytes, sentence] of cases) {
    await page.goto('/outside/new');
    await page
      .getByLabel(/^Or a file/)
      .setInputFiles({ name, mimeType: '', buffer: Buffer.from(bytes, 'latin1') });
    await page.getByRole('button', { name: 'Read the prompt' }).click();
    await expect(page.getByRole('alert').filter({ hasText: name })).toHaveText(sentence);

    await page.getByLabel(TEXT).fill(`Kept beside ${name}. At least 50 words.`);
    await page
      .getByLabel(/^Or a file/)
      .setInputFiles({ name, mimeType: '', buffer: Buffer.from(bytes, 'latin1') });
    await page.getByRole('button', { name: 'Read the prompt' }).click();
    await expect(page.getByRole('status').filter({ hasText: name })).toHaveText(sentence);
    await expect(page.getByRole('region', { name: 'The prompt' })).toContainText(`Kept beside ${name}.`);
  }
});

test('two megabytes, right to left, nothing asked, and a contradiction: each is taken and said', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  const take = async (text: string) => {
    await page.goto('/outside/new');
    await page.getByLabel(TEXT).fill(text);
    await page.getByRole('button', { name: 'Read the prompt' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Is this what the prompt asks?');
  };
  await take(`Write 150 words.\n\n${'And so on, line after line of the reader. '.repeat(50_000)}`);
  await expect(page.getByText('This text is very long (2,')).toBeVisible();
  await expect(page.getByLabel('Words, at least')).toHaveValue('150');
  await expect(page.getByText('This text was not read to its end')).toHaveCount(0);

  await take('اكتب ردًا من مئتي كلمة على الأقل.');
  await expect(page.getByRole('region', { name: 'The prompt' })).toContainText('اكتب ردًا من مئتي كلمة');

  await take('Welcome to the café. Say hello if you like.');
  await page.getByLabel('Course', { exact: true }).fill('Café');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page.getByText('Say when the response is due')).toBeVisible();

  await take(
    'Write at least 250 words.\n\nChecklist:\n- my response has at least 300 words\n- I replied to one classmate',
  );
  await expect(page.getByText('This text contradicts itself.')).toBeVisible();
  await expect(page.getByText(/The text also says (?:250|300)/u)).toBeVisible();

  await take(`Write 150 words by Thursday.\n\n${'And so on, line after line of the reader. '.repeat(1_200)}`);
  await expect(page.getByText('This text is very long (50,')).toBeVisible();
  await page.getByLabel('Course', { exact: true }).fill('Long Texts');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page).toHaveURL(/\/response$/u);
  await page.goto(page.url().replace(/\/response$/u, '/brief'));
  await expect(page.getByText('This text was not read to its end')).toBeVisible();
});

test('a paste keeps its lists and tables, and a file is taken where it is dropped', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  const box = page.getByLabel(TEXT);
  await expect(box).toBeEditable();
  const give = (kind: 'paste' | 'drop', html: string, file: string) =>
    box.evaluate(
      (target, given) => {
        const data = new DataTransfer();
        if (given.html) {
          data.setData('text/html', given.html);
          data.setData('text/plain', 'Week 3: Wells Write 180 words. Who dug it? Who drinks?');
        }
        if (given.file) data.items.add(new File([given.file], 'week3.md', { type: 'text/markdown' }));
        const how = { bubbles: true, cancelable: true };
        target.dispatchEvent(
          given.kind === 'paste'
            ? new ClipboardEvent('paste', { ...how, clipboardData: data })
            : new DragEvent('drop', { ...how, dataTransfer: data }),
        );
      },
      { kind, html, file },
    );
  await expect(async () => {
    await give(
      'paste',
      '<h2>Week 3: Wells</h2><p>Write 180 words.</p><ol><li>Who dug it?</li><li>Who drinks?</li></ol>',
      '',
    );
    await expect(box).toHaveValue(/^Week 3: Wells Write/u, { timeout: 2_000 });
  }).toPass();
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  const prompt = page.getByRole('region', { name: 'The prompt' });
  await expect(prompt.getByRole('heading', { name: 'Week 3: Wells' })).toBeVisible();
  await expect(prompt.getByRole('listitem')).toHaveText([/^Who dug it\?/, /^Who drinks\?/]);

  await page.goto('/outside/new');
  await expect(async () => {
    await give('drop', '', '# Week 4: Bread\n\nAt least 90 words.');
    await expect(page.getByLabel(/^Or a file/)).toHaveValue(/week3\.md$/u, { timeout: 2_000 });
  }).toPass();
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Week 4: Bread');
  await expect(page.getByLabel('Words, at least')).toHaveValue('90');
});

const WITH_RUBRIC = `<h1>Week 9: Wells</h1><p>Who owns a well? Write at least 5 words by Thursday.</p><table>
<tr><th>Criteria</th><th>Full (4 pts)</th><th>Part (2 pts)</th></tr>
<tr><td>Depth</td><td>Says why it is so</td><td>Says that it is so</td></tr>
<tr><td>Replies</td><td>Two that add something</td><td>One that adds something</td></tr></table>`;

test('the rubric in a prompt is shown as it was read, and by keyboard kept beside the response', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  await page
    .getByLabel(/^Or a file/)
    .setInputFiles({ name: 'wells.html', mimeType: 'text/html', buffer: Buffer.from(WITH_RUBRIC) });
  await page.getByRole('button', { name: 'Read the prompt' }).click();
  const keep = page.getByRole('checkbox', {
    name: /^Keep the table of this prompt as its rubric: 2 criteria, 8 points/u,
  });
  await expect(keep).toBeChecked();
  await expect(page.getByLabel('Points', { exact: true })).toHaveValue('8');
  await expect(page.getByLabel('Points', { exact: true })).toHaveAccessibleDescription(
    'All criteria of its rubric together.',
  );
  await keep.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Depth: Full 4 · Part 2')).toBeVisible();
  await expectSound(page, 'the rubric in a prompt');
  await page.getByLabel('Course', { exact: true }).fill('HIS 102 Wells');
  await page.getByLabel('Replies due').fill('2026-10-18 18:00');
  await keep.press('Enter');
  await expect(page).toHaveURL(/\/response$/u);
  const rubric = page.getByRole('form', { name: 'What you think of your own text' });
  await rubric.getByRole('group', { name: 'Depth' }).getByLabel(/^Full/).press('Space');
  await rubric.getByRole('button', { name: 'Keep my own estimate' }).press('Enter');
  await expect(rubric.getByRole('status')).toHaveText('Yours: 4 of 8, 1 open.');
});

test('all of it works without scripts', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await enterAs(page, 'Imani Okoro');
  await bringIn(page, 'HIS 101 Wells');
  await page.getByLabel('Words, at least').fill('3');
  await page.getByRole('button', { name: 'Make it a discussion of mine' }).click();
  await expect(page).toHaveURL(/\/response$/u);
  await page.getByLabel(/^1\. Who is allowed/).fill('Those who own it.');
  await page.getByRole('button', { name: 'Note it as posted there' }).click();
  await expect(page.getByRole('heading', { name: 'This is short. Posted all the same?' })).toBeVisible();
  await page.getByRole('button', { name: 'I posted it there as it is' }).click();
  await expect(page.getByRole('heading', { name: 'Your response is posted there' })).toBeVisible();
  await page.getByRole('button', { name: /^It is not posted there after all/ }).click();
  await expect(page.getByLabel(/^1\. Who is allowed/)).toHaveValue('Those who own it.');
  await context.close();
});
