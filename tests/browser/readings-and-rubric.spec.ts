import { expect, test, type Page } from './test';
import { readFileSync } from 'node:fs';
import { enterAs, startAfresh } from './help';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

const READING = '/readings/geo-room-for-the-river';
const RESPONSE = '/discussions/geo-115-w6/response';
const notes = (page: Page) => page.getByRole('list', { name: 'Margin notes', exact: true });

/** Selects words of the reading as a mouse would: the browser's own selection over the text nodes. */
async function select(page: Page, words: string) {
  const done = await page.locator('[data-reading]').evaluate((root, wanted) => {
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = (node.textContent ?? '').indexOf(wanted);
      if (at < 0) continue;
      const range = document.createRange();
      range.setStart(node, at);
      range.setEnd(node, at + wanted.length);
      window.getSelection()?.removeAllRanges();
      window.getSelection()?.addRange(range);
      return true;
    }
    return false;
  }, words);
  expect(done).toBe(true);
}

test('a passage is selected and noted, changed, answered and removed, all on one page', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', READING);
  await expect(page.getByText(/about 1\d min at your reading pace/u)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Hide the marks' })).toBeVisible();
  await select(page, 'villages forget it');
  await expect(page.locator('[data-passage]')).toHaveText('“villages forget it”');
  await page.getByLabel('Your note on this passage').fill('Ours did, in thirty years.');
  await page.getByRole('button', { name: 'Note it for the class' }).click();
  const mine = notes(page).getByRole('listitem').filter({ hasText: 'Ours did' });
  await expect(mine).toContainText('“villages forget it”');
  await expect(page.getByRole('button', { name: /^villages forget it/ })).toBeVisible();
  await mine.getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('Your note, changed').fill('Ours did, in twenty years.');
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(notes(page)).toContainText('Ours did, in twenty years.');

  const other = await (await browser.newContext()).newPage();
  await enterAs(other, 'Noor Vasquez', READING);
  const theirs = notes(other).getByRole('listitem').filter({ hasText: 'twenty years' });
  await expect(theirs.getByRole('button', { name: 'Change' })).toHaveCount(0);
  await theirs.getByRole('button', { name: /^Answer/ }).click();
  await other.getByLabel('Your answer to Imani Okoro').fill('And ours in ten.');
  await other.getByRole('button', { name: 'Answer, seen by the class' }).click();
  await expect(theirs).toContainText('And ours in ten.');
  // Imani's own note is hers alone.
  await expect(notes(other)).not.toContainText('Use this for question 3');
  await other.context().close();

  await page.reload();
  const again = notes(page).getByRole('listitem').filter({ hasText: 'And ours in ten.' }).first();
  await again.getByRole('button', { name: 'Remove' }).first().click();
  await expect(page.getByText('Its author took this note back. The answers stay.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^villages forget it/ })).toHaveCount(0);
});

test('a passage that is selected before the scripts have come is there to be noted when they have', async ({
  browser,
}) => {
  const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await enterAs(page, 'Imani Okoro');
  let come = () => {};
  const scripts = new Promise<void>((done) => (come = done));
  await page.route('**/_next/static/**/*.js*', async (route) => {
    await scripts;
    await route.continue();
  });
  await page.goto(READING, { waitUntil: 'commit' });
  await expect(page.locator('[data-reading]')).toContainText('villages forget it');
  await select(page, 'villages forget it');
  come();
  await expect(page.locator('[data-passage]')).toHaveText('“villages forget it”');
  await page.context().close();
});

test('a crowded passage is one mark with a number; marks can be hidden; a mark shows its notes', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', READING);
  const mark = page.getByRole('button', {
    name: /^The wall does not make the flood\. It makes the damage\. \(2 margin notes\)/,
  });
  await expect(mark).toContainText('2');
  await mark.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('2 notes on this passage')).toBeVisible();
  await expect(notes(page).locator('> li')).toHaveCount(2);
  await page.getByRole('button', { name: /^Show all/ }).click();
  await page.getByRole('button', { name: 'Hide the marks' }).click();
  await expect(mark).toHaveCount(0);
  await page.getByRole('button', { name: 'Show the marks' }).click();
  await expect(mark).toBeVisible();
});

test('by keyboard: a passage is named by its words, a question goes to the staff only', async ({
  page,
  browser,
}) => {
  await enterAs(page, 'Imani Okoro', READING);
  await page.getByText('On a passage: select it in the text').press('Enter');
  await page.getByLabel(/^Words of the passage/).fill('Insurers live by this number');
  await page.getByLabel('Who can read it').selectOption('staff');
  await page.getByLabel('Your note', { exact: true }).fill('Which number, the yearly or the whole?');
  await page.getByRole('button', { name: 'Ask the staff' }).press('Enter');
  await expect(notes(page).getByRole('listitem').filter({ hasText: 'Which number' })).toContainText(
    'staff and you',
  );
  await page.getByLabel(/^Words of the passage/).fill('wells and deeds in quite another land');
  await page.getByLabel('Your note', { exact: true }).fill('This one stays in the box.');
  await page
    .getByRole('button', { name: 'Note it for the class' })
    .or(page.getByRole('button', { name: 'Ask the staff' }))
    .click();
  await expect(page.getByRole('alert').filter({ hasText: 'do not stand in the reading' })).toBeVisible();
  await expect(page.getByLabel('Your note', { exact: true })).toHaveValue('This one stays in the box.');

  for (const [who, sees] of [
    ['Noor Vasquez', 0],
    ['Dr. Maren Holt', 1],
  ] as const) {
    const other = await (await browser.newContext()).newPage();
    await enterAs(other, who, READING);
    await expect(other.getByText('Which number, the yearly or the whole?')).toHaveCount(sees);
    await other.context().close();
  }
});

test('notes go out as Web Annotations and come in again as one’s own', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', READING);
  await page.getByText('Take notes out or in').click();
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Save the notes I can read' }).click(),
  ]);
  const file = readFileSync(await saved.path());
  const json = JSON.parse(file.toString()) as { '@context': string; first: { items: unknown[] } };
  expect(json['@context']).toBe('http://www.w3.org/ns/anno.jsonld');
  expect(json.first.items.length).toBeGreaterThan(4);

  const upload = async (name: string, buffer: Buffer) => {
    await page.goto(READING);
    await page.getByText('Take notes out or in').click();
    await page
      .getByLabel('A file of Web Annotations')
      .setInputFiles({ name, mimeType: 'application/ld+json', buffer });
    await page.getByRole('button', { name: 'Take them in for myself' }).click();
  };
  const gone = {
    '@context': json['@context'],
    id: 'urn:example:gone',
    type: 'Annotation',
    bodyValue: 'Where has this gone?',
    target: {
      source: 'urn:example:book',
      selector: { type: 'TextQuoteSelector', exact: 'words of quite another edition of it' },
    },
  };
  await upload('gone.jsonld', Buffer.from(JSON.stringify([gone, { type: 'Person' }])));
  await expect(page.getByRole('status').filter({ hasText: 'came in' })).toHaveText(
    '1 note came in; 1 entry was no note and left out; the passages of 1 are not in this text.',
  );
  await expect(page.getByRole('list', { name: 'Notes whose passage is gone' })).toContainText(
    'no longer in the text',
  );
  await upload('gone.jsonld', Buffer.from(JSON.stringify([gone])));
  await expect(page.getByRole('status').filter({ hasText: 'came in' })).toHaveText(
    '0 notes came in, 1 was known.',
  );
  await upload('broken.jsonld', Buffer.from('{"@context":'));
  await expect(page.getByText('This file is not JSON')).toBeVisible();
});

test('“chapter 6” in the prompt opens the reading beside the writing, and a passage goes into the draft', async ({
  page,
}) => {
  // On a slow line: whoever goes back at once is there before it is noted that they have read it.
  await page.addInitScript(() => {
    const real = window.fetch.bind(window);
    window.fetch = async (asked, how) => {
      if (String(asked).endsWith('/progress')) await new Promise((go) => setTimeout(go, 700));
      return real(asked, how);
    };
  });
  await enterAs(page, 'Imani Okoro', RESPONSE);
  await page
    .getByRole('region', { name: 'Prompt' })
    .getByRole('link', { name: 'chapter 6', exact: true })
    .click();
  const left = page.getByRole('region', { name: 'Reading' });
  await expect(left.getByRole('heading', { name: 'Chapter 6: Room for the river' })).toBeVisible();
  const editor = page.getByRole('textbox', { name: 'Your response' });
  await expect(editor).toContainText('I would move the levees back.');
  await select(page, 'Five hours is not a wall');
  await left.getByRole('button', { name: 'Quote it in my response' }).click();
  await expect(editor.locator('blockquote')).toHaveText('Five hours is not a wall');
  await expect(editor).toContainText('(M. Holt, “Chapter 6: Room for the river”)');
  await left.getByRole('button', { name: 'I have read this' }).click();
  await expect(left.getByRole('button', { name: /^Read\./ })).toBeVisible();
  await left.getByRole('link', { name: 'Back to the prompt' }).click();
  await expect(
    page.getByRole('region', { name: 'Prompt' }).getByRole('listitem').filter({ hasText: 'Chapter 6: Room' }),
  ).toContainText('read');
  await page.goBack();
  await expect(left).toBeVisible();
});

test('a note goes into the draft from the reading’s own page', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', READING);
  const note = notes(page).getByRole('listitem').filter({ hasText: 'Use this for question 3' });
  await note.getByRole('button', { name: /^Into my draft/ }).click();
  await expect(page.getByText('It stands at the end of your draft, with its source.')).toBeVisible();
  await page.goto(RESPONSE);
  await expect(page.getByRole('textbox', { name: 'Your response' })).toContainText(
    '(Imani Okoro, margin note on “Chapter 6: Room for the river”)',
  );
});

test('the prompt is read aloud: the sentence under the voice is marked, it pauses, goes on and stops', async ({
  page,
}) => {
  // The machine has no voice: one that says nothing and ends when it is told to.
  await page.addInitScript(() => {
    const spoken: { text: string; rate: number; onend: (() => void) | null }[] = [];
    Object.assign(window, { spoken });
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        getVoices: () => [{ name: 'Stand-in' }],
        speak: (u: { text: string; rate: number; onend: (() => void) | null }) => spoken.push(u),
        cancel: () => {},
        pause: () => {},
        resume: () => {},
      },
    });
    Object.assign(window, {
      SpeechSynthesisUtterance: class {
        onend = null;
        rate = 1;
        constructor(readonly text: string) {}
      },
    });
  });
  await enterAs(page, 'Imani Okoro', RESPONSE);
  const spokenNow = page.locator('[data-spoken]');
  const sayNext = () =>
    page.evaluate(() => {
      const { spoken } = window as unknown as { spoken: { onend: (() => void) | null }[] };
      spoken[spoken.length - 1]?.onend?.();
    });
  await page.getByRole('button', { name: 'Hear it' }).click();
  await expect(spokenNow.first()).toContainText('After the spring flood the Amber valley council');
  await sayNext();
  await expect(spokenNow.first()).not.toContainText('After the spring flood');
  await page.getByRole('button', { name: 'One sentence back' }).click();
  await expect(spokenNow.first()).toContainText('After the spring flood');
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible();
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(spokenNow).toHaveCount(0);
});

test('an instructor’s own recording is what is heard first; without a voice the page says so', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', READING);
  await expect(page.getByText('Read by Dr. Maren Holt')).toBeVisible();
  const seconds = await page.locator('audio').evaluate(async (audio: HTMLAudioElement) => {
    audio.preload = 'metadata';
    audio.load();
    if (audio.readyState < 1)
      await new Promise((done) => audio.addEventListener('loadedmetadata', done, { once: true }));
    return audio.duration;
  });
  expect(seconds).toBeGreaterThan(3);
  await page.getByRole('button', { name: 'Or hear a machine voice' }).click();
  await expect(page.getByText('This browser has no voice to read with.')).toBeVisible();
});

test('viewings are ticked off, an own estimate is kept, and stands beside the mark later', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', RESPONSE);
  await expect(page.getByRole('heading', { name: 'To watch or hear first, 0 of 2 done' })).toBeVisible();
  await page.getByRole('button', { name: /^Tick off: The night of the breach/ }).click();
  await expect(page.getByRole('heading', { name: 'To watch or hear first, 1 of 2 done' })).toBeVisible();
  const rubric = page.getByRole('form', { name: 'What you think of your own text' });
  await expect(rubric).toContainText('Own words');
  await rubric
    .getByRole('group', { name: 'Answers what is asked' })
    .getByLabel(/^Most of it/)
    .check();
  await page.getByRole('button', { name: 'Keep my own estimate' }).click();
  await expect(rubric.getByRole('status')).toHaveText('Yours: 3 of 20, 3 open.');
  await page.reload();
  await expect(rubric.getByLabel(/^Most of it/)).toBeChecked();

  await page.goto('/discussions/geo-115-w5/part');
  const criterion = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Uses the week’s ideas' }) });
  await expect(criterion.getByRole('listitem').filter({ hasText: 'you thought so' })).toContainText(
    '4 Named',
  );
  await expect(criterion.getByRole('listitem').filter({ hasText: ', given' })).toContainText('6 At work');
  await expect(page.getByRole('heading', { name: /^Your mark: 16 of 20/u })).toBeVisible();
});

test('an instructor comes from a response to its mark, and puts in a reading and a newer text', async ({
  page,
}) => {
  await enterAs(page, 'Dr. Maren Holt', '/discussions/geo-115-w5/conversation?show=all');
  await page
    .getByRole('navigation', { name: 'Responses' })
    .getByRole('link')
    .filter({ hasText: 'Kwame Sorley' })
    .first()
    .click();
  await page.getByRole('link', { name: 'Mark Kwame Sorley’s part' }).click();
  await expect(page.getByRole('form', { name: 'Mark for Kwame Sorley' })).toContainText('14 of 20');

  await page.goto('/courses/geo-115/weeks/6');
  await page.getByText('Put a reading into this week').click();
  await page.getByLabel('Title').fill('Two storms at Hessle');
  await page.getByLabel(/^A file/).setInputFiles({
    name: 'storms.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('hour,level\n0,1.2\n6,3.4\n'),
  });
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Two storms at Hessle');
  await expect(page.getByRole('columnheader', { name: 'level' })).toBeVisible();
  await page.getByText('Put a newer text in its place').click();
  await page.getByLabel('Or its text, pasted').fill('Only words now.');
  await page.getByRole('button', { name: 'Put it in its place' }).click();
  await expect(page.getByText('The newer text stands here now.')).toBeVisible();
  await expect(page.locator('[data-reading]')).toHaveText('Only words now.');
});

test('notes are written without scripts too', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await enterAs(page, 'Imani Okoro', READING);
  await page.getByLabel('Your note', { exact: true }).fill('Written by a plain form.');
  await page.getByRole('button', { name: 'Note it for the class' }).click();
  await expect(page.getByText('Your note is there.')).toBeVisible();
  await expect(page.getByText('Written by a plain form.')).toBeVisible();
  await context.close();
});
