import { chromium, type CDPSession, type Page } from '@playwright/test';

/** What typing costs a browser, in milliseconds, at the 95th key of a hundred. */
export type Typed = {
  words: number;
  /** From a key to the foot of the page that counts its word. */
  footing: number;
  /** All that the drawing thread does for a key: the editor, the draft, layout and paint. */
  key: number;
  /** Of that, sending the text to the checks' worker and taking its message; to a tenth of a millisecond, as the browser's clock allows. */
  checks: number;
};

const KEYS = 60;
const SETTLE_MS = 120;

/** Notes how long the page's thread is held by asking a worker and by hearing from it. Runs before any script of the page. */
function watch() {
  const held = { ms: 0 };
  Object.assign(window, { held });
  const timed = <A extends unknown[], R>(work: (...args: A) => R) =>
    function (this: unknown, ...args: A): R {
      const began = performance.now();
      try {
        return work.apply(this, args);
      } finally {
        held.ms += performance.now() - began;
      }
    };
  const { postMessage, addEventListener } = Worker.prototype;
  Worker.prototype.postMessage = timed(postMessage) as typeof postMessage;
  Worker.prototype.addEventListener = function (
    this: Worker,
    type: string,
    listener: unknown,
    options?: unknown,
  ) {
    const heard = typeof listener === 'function' ? timed(listener as (e: Event) => void) : listener;
    addEventListener.call(this, type, heard as EventListener, options as AddEventListenerOptions);
  } as typeof addEventListener;
}

const at95 = (numbers: number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length * 0.95)] ?? NaN;

async function taskSeconds(session: CDPSession) {
  const { metrics } = await session.send('Performance.getMetrics');
  return metrics.find((m) => m.name === 'TaskDuration')?.value ?? NaN;
}

/** Puts a text of so many words into the editor, as somebody pastes it. */
async function paste(page: Page, words: number) {
  await page.evaluate((n) => {
    const sentence = 'The meadow is there whether or not anybody looks at the levee today ';
    const each = sentence.trim().split(' ').length;
    const html = Array.from({ length: Math.ceil(n / each / 8) }, () => `<p>${sentence.repeat(8)}</p>`).join(
      '',
    );
    const data = new DataTransfer();
    data.setData('text/html', html);
    document
      .querySelector('.ProseMirror')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, words);
}

/** From a key that begins a word until the foot of the page has counted it. */
const untilCounted = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const foot = document.querySelector('ul[aria-label^=Checks]');
        let began = 0;
        document
          .querySelector('.ProseMirror')
          ?.addEventListener('keydown', () => (began = performance.now()), {
            once: true,
            capture: true,
          });
        const seen = new MutationObserver(() => {
          if (began === 0) return;
          seen.disconnect();
          resolve(performance.now() - began);
        });
        if (foot) seen.observe(foot, { subtree: true, characterData: true, childList: true });
      }),
  );

/** Types into a draft of so many words and measures each key. */
export async function measureTyping(
  base: string,
  cookie: { name: string; value: string },
  words: number,
): Promise<Typed> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  });
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies([{ ...cookie, url: base }]);
    const page = await context.newPage();
    await page.addInitScript(watch);
    await page.goto(`${base}/discussions/geo-115-w6/response`);
    await page.locator('.ProseMirror').click();
    await page.keyboard.press('Control+End');
    await paste(page, words);
    // What was pasted may end in a word: the first key must begin one.
    await page.keyboard.press('Space');
    await page.waitForTimeout(3_000);
    const session = await context.newCDPSession(page);
    await session.send('Performance.enable');
    const held = () => page.evaluate(() => (window as unknown as { held: { ms: number } }).held.ms);
    const counted: number[] = [];
    const keys: number[] = [];
    const checks: number[] = [];
    for (let i = 0; i < KEYS; i += 1) {
      const waiting = untilCounted(page);
      const before = { task: await taskSeconds(session), held: await held() };
      await page.keyboard.press(i % 2 ? 'a' : 'o');
      counted.push(await waiting);
      await page.waitForTimeout(SETTLE_MS);
      const after = { task: await taskSeconds(session), held: await held() };
      keys.push((after.task - before.task) * 1_000);
      checks.push(after.held - before.held);
      // The space counts nothing: the next letter begins the next word.
      await page.keyboard.press('Space');
      await page.waitForTimeout(SETTLE_MS);
    }
    return { words, footing: at95(counted), key: at95(keys), checks: at95(checks) };
  } finally {
    await browser.close();
  }
}
