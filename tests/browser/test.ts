import { test as bare, type BrowserContext, type Page } from '@playwright/test';

export { expect } from '@playwright/test';
export type { APIRequestContext, Browser, BrowserContext, Locator, Page } from '@playwright/test';

/** Kinds of resources that a page of ours is made of: none of them may be missing or refused. */
const PARTS = new Set(['script', 'stylesheet', 'font', 'image', 'media', 'manifest']);
const REFUSED = /Content Security Policy|Refused to|blocked by CORS|Mixed Content|Hydration|did not match/u;

/**
 * Every test of the suite is also one of this: no page of it throws, is refused what it is made of, or asks for what is not
 * there. `mayMiss` names the addresses whose absence a test is about,
 * `mayBreak` what is thrown where a test takes the server away under a page, `mayRefuse` what the policy is to refuse.
 */
export const test = bare.extend<{
  mayMiss: RegExp | null;
  mayBreak: RegExp | null;
  mayRefuse: RegExp | null;
  sound: void;
}>({
  mayMiss: [null, { option: true }],
  mayBreak: [null, { option: true }],
  mayRefuse: [null, { option: true }],
  sound: [
    async ({ browser, context, mayMiss, mayBreak, mayRefuse }, use) => {
      const wrong: string[] = [];
      const threw = (where: string, said: string) => {
        if (!mayBreak?.test(said)) wrong.push(`${where} threw: ${said}`);
      };
      const watch = (page: Page) => {
        page.on('pageerror', (error) => threw(page.url(), error.stack ?? error.message));
        page.on('console', (message) => {
          const said = message.text();
          if (message.type() === 'error' && REFUSED.test(said) && !mayRefuse?.test(said))
            wrong.push(`${page.url()} said: ${said}`);
        });
        page.on('response', (response) => {
          const request = response.request();
          if (response.status() < 400 || !PARTS.has(request.resourceType())) return;
          if (mayMiss?.test(response.url())) return;
          wrong.push(`${page.url()} was answered ${response.status()} for ${response.url()}`);
        });
      };
      const watchAll = (all: BrowserContext) => {
        all.pages().forEach(watch);
        all.on('page', watch);
        all.on('weberror', (error) => {
          const { stack, message } = error.error();
          if (!error.page()) threw('a worker', stack ?? message);
        });
      };
      watchAll(context);
      const { newContext } = browser;
      browser.newContext = async (options) => {
        const made = await newContext.call(browser, options);
        watchAll(made);
        return made;
      };
      await use();
      browser.newContext = newContext;
      if (wrong.length) throw new Error(`A page of this test was not sound:\n${wrong.join('\n')}`);
    },
    { auto: true },
  ],
});
