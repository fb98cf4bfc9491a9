import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { CHROMIUM } from './debian';

/** What a phone waits for, in milliseconds; and what it is sent of scripts, in thousands of bytes as they travel. */
export type Phone = {
  firstLoad: number;
  coldStart: number;
  bare: number;
  weekScripts: number;
  writingScripts: number;
};
type Session = { name: string; value: string };

const ROUNDS = 3;
/** A slow connection: 1.6 Mbit/s to the phone, 0.75 from it, 150 ms there and back. */
const SLOW = {
  offline: false,
  downloadThroughput: 1_600_000 / 8,
  uploadThroughput: 750_000 / 8,
  latency: 150,
};
/** A phone's processor takes so many times as long as this machine's. */
const SLOWER = 4;
const READ_MS = 60_000;

const median = (numbers: number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? NaN;

/** Before any script of the page: notes when its heading stands and has been drawn. No function in it has a name: the page knows nothing of whoever keeps names. */
function watchHeading() {
  const timer = setInterval(() => {
    // The bare page has no heading.
    const heading = document.querySelector(location.pathname.startsWith('/bench/') ? 'main' : 'h1');
    if (!heading || heading.getBoundingClientRect().height === 0) return;
    clearInterval(timer);
    // The frame after the one in which it stands is drawn.
    requestAnimationFrame(() =>
      requestAnimationFrame(() => Object.assign(window, { readable: performance.now() })),
    );
  }, 10);
}

/** Opens an address as a phone would, and says when it can be read. */
async function open(
  context: BrowserContext,
  address: string,
  slow: boolean,
): Promise<{ ms: number; kilobytes: number; page: Page }> {
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await session.send('Network.enable');
  if (slow) await session.send('Network.emulateNetworkConditions', SLOW);
  const scripts = new Set<string>();
  let bytes = 0;
  session.on('Network.requestWillBeSent', ({ requestId, type }) => {
    if (type === 'Script') scripts.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await page.addInitScript(watchHeading);
  await page.goto(address, { waitUntil: 'commit' });
  await page.waitForFunction(() => 'readable' in window, null, { timeout: READ_MS });
  const ms = await page.evaluate(() => (window as unknown as { readable: number }).readable);
  await page.waitForLoadState('networkidle');
  return { ms, kilobytes: bytes / 1_000, page };
}

/** Works in a browser of its own, with nothing kept from before. */
async function inFreshPhone<T>(
  base: string,
  session: Session,
  work: (context: BrowserContext) => Promise<T>,
): Promise<T> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'],
  });
  try {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      isMobile: true,
      hasTouch: true,
      deviceScaleFactor: 3,
    });
    await context.addCookies([{ ...session, url: base }]);
    return await work(context);
  } finally {
    await browser.close();
  }
}

/** Waits until the page has been kept for a time without a network. */
const kept = (page: Page) =>
  page.waitForFunction(async () => Boolean(await caches.match('/')), null, {
    timeout: READ_MS,
    polling: 500,
  });

/** Opens This week as a phone does that has never been here, and again with everything kept; with a bare page beside it. */
export async function measurePhone(base: string, session: Session): Promise<Phone> {
  const first: number[] = [];
  const bare: number[] = [];
  const cold: number[] = [];
  let weekScripts = 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    bare.push(await inFreshPhone(base, session, async (c) => (await open(c, `${base}/bench/bare`, true)).ms));
    await inFreshPhone(base, session, async (context) => {
      const week = await open(context, `${base}/`, true);
      first.push(week.ms);
      weekScripts = week.kilobytes;
      await kept(week.page);
      await week.page.close();
      const again = await open(context, `${base}/`, false);
      cold.push(again.ms);
    });
  }
  const writing = await inFreshPhone(base, session, (c) =>
    open(c, `${base}/discussions/geo-115-w6/response`, false),
  );
  return {
    firstLoad: median(first),
    coldStart: median(cold),
    bare: median(bare),
    weekScripts,
    writingScripts: writing.kilobytes,
  };
}
