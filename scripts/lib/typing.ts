import { chromium, type CDPSession, type Page } from '@playwright/test';
import { mainThreadPerKey } from './trace';
import { CHROMIUM } from './debian';

/** What typing costs a browser, in milliseconds, at the 95th key of a hundred; `checks` at the middle one. */
export type Typed = {
  words: number;
  /** From a key to the foot of the page that counts its word. */
  footing: number;
  /** All tasks of the thread that draws, from one key to the next: the editor, the draft, checks, layout and paint. */
  key: number;
  /** The same where the checks' worker is never asked: the difference is what the checks hold that thread for. */
  unchecked: number;
  checks: number;
  /** A key in a bare editable page of the same text: what the browser itself takes. */
  bare: number;
};
type Session = { name: string; value: string };

const KEYS = 60;
const SETTLE_MS = 150;

const at = (share: number) => (numbers: number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length * share)] ?? NaN;
const at95 = at(0.95);
const middle = at(0.5);

/** Before any script of the page: no worker hears anything. */
function silenceWorkers() {
  Worker.prototype.postMessage = () => {};
}

/** A text of so many words, as HTML. */
function pageOf(words: number): string {
  const sentence = 'The meadow is there whether or not anybody looks at the levee today ';
  const each = sentence.trim().split(' ').length * 8;
  return Array.from({ length: Math.ceil(words / each) }, () => `<p>${sentence.repeat(8)}</p>`).join('');
}

/** Puts a text of so many words into the editor, as somebody pastes it. */
async function paste(page: Page, words: number) {
  await page.evaluate((html) => {
    const data = new DataTransfer();
    data.setData('text/html', html);
    document
      .querySelector('.ProseMirror')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, pageOf(words));
}

/** Watches for the next key, and for the foot of the page to count the word it begins. Runs in the page. */
function watchFooting() {
  const foot = document.querySelector('ul[aria-label^=Checks]');
  const counted = new Promise<number>((resolve, reject) => {
    let began = 0;
    document.querySelector('.ProseMirror')?.addEventListener('keydown', () => (began = performance.now()), {
      once: true,
      capture: true,
    });
    const seen = new MutationObserver(() => {
      if (began === 0) return;
      seen.disconnect();
      resolve(performance.now() - began);
    });
    if (foot) seen.observe(foot, { subtree: true, characterData: true, childList: true });
    setTimeout(() => reject(new Error('the foot of the page never counted the word')), 20_000);
  });
  Object.assign(window, { counted });
}

/** The time from a key that begins a word until the foot of the page has counted it, key by key. */
async function footings(page: Page): Promise<number[]> {
  const counted: number[] = [];
  for (let i = 0; i < KEYS; i += 1) {
    // The space counts nothing: the next letter begins the next word.
    await page.keyboard.press('Space');
    await page.waitForTimeout(SETTLE_MS);
    // Watching must have begun before the key: the browser takes keys before it takes other work.
    await page.evaluate(watchFooting);
    await page.keyboard.press(i % 2 ? 'a' : 'o');
    counted.push(await page.evaluate(() => (window as unknown as { counted: Promise<number> }).counted));
  }
  return counted;
}

/** What the thread that draws does for each key, by the browser's own trace: nothing of the measuring runs in the page. */
async function keyCosts(page: Page, session: CDPSession): Promise<number[]> {
  const events: unknown[] = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  const done = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
  await session.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['devtools.timeline', 'disabled-by-default-devtools.timeline'] },
  });
  for (let i = 0; i < KEYS; i += 1) {
    await page.keyboard.press(i % 6 === 5 ? 'Space' : i % 2 ? 'a' : 'o');
    await page.waitForTimeout(SETTLE_MS);
  }
  await session.send('Tracing.end');
  await done;
  return mainThreadPerKey(events);
}

const launch = () =>
  chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  });

async function measureBare(words: number): Promise<number[]> {
  const browser = await launch();
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.setContent('<div contenteditable style="font: 17px serif; width: 600px"></div>');
    await page.evaluate((text) => {
      const box = document.querySelector('div');
      if (box) box.innerHTML = text;
    }, pageOf(words));
    await page.locator('div').click();
    await page.keyboard.press('Control+End');
    return await keyCosts(page, await context.newCDPSession(page));
  } finally {
    await browser.close();
  }
}

/** Types into a draft of so many words; without checks where `silent`. */
async function measure(base: string, session: Session, words: number, silent: boolean) {
  const browser = await launch();
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies([{ ...session, url: base }]);
    const page = await context.newPage();
    if (silent) await page.addInitScript(silenceWorkers);
    await page.goto(`${base}/discussions/geo-115-w6/response`);
    await page.locator('.ProseMirror').click();
    // The draft is the same person's each time: what the last round wrote goes.
    await page.keyboard.press('Control+A');
    await page.keyboard.press('Delete');
    await paste(page, words);
    // What was pasted may end in a word: the first key must begin one.
    await page.keyboard.press('Space');
    await page.waitForTimeout(3_000);
    const keys = await keyCosts(page, await context.newCDPSession(page));
    return { keys, counted: silent ? [] : await footings(page) };
  } finally {
    await browser.close();
  }
}

/** Types into a draft of so many words and measures each key, with the checks and without. */
export async function measureTyping(base: string, session: Session, words: number): Promise<Typed> {
  const bare = await measureBare(words);
  const plain = await measure(base, session, words, true);
  const checked = await measure(base, session, words, false);
  return {
    words,
    footing: at95(checked.counted),
    key: at95(checked.keys),
    unchecked: at95(plain.keys),
    checks: Math.max(0, middle(checked.keys) - middle(plain.keys)),
    bare: at95(bare),
  };
}
