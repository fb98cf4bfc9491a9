import { enterAs, sentencesOf, startAfresh } from './help';
import { expect, test, type Locator, type Page } from './test';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
test.beforeEach(() => startAfresh());

const GEO = '/discussions/geo-115-w6';
const PLA = '/discussions/pla-204-w6';
/** What a phone's keyboard takes of the height. */
const KEYBOARD = 300;

const responses = (page: Page) => page.getByRole('navigation', { name: 'Responses' });
const yours = (page: Page) => page.getByRole('textbox', { name: 'Your response' });
const reply = (page: Page) => page.getByRole('textbox', { name: /^Your reply to/u });
const top = async (of: Locator) => (await of.boundingBox())?.y ?? Infinity;
const sideways = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - innerWidth);

/** Opens the response that is listed first. */
async function openFirst(page: Page) {
  await responses(page)
    .getByRole('link', { name: /^Kwame Sorley/u })
    .tap();
  await expect(page).toHaveURL(/post=\d/u);
}

/** A keyboard that covers the page, as a browser tells of it that does not make the page smaller. */
const openKeyboard = (page: Page, covered = KEYBOARD) =>
  page.evaluate((px) => {
    const view = window.visualViewport;
    Object.defineProperty(view, 'height', { configurable: true, get: () => innerHeight - px });
    view?.dispatchEvent(new Event('resize'));
  }, covered);

test('the words come first: what one writes, what one reads and whom one answers begin in the upper third', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await expect(yours(page)).toBeVisible();
  expect(await top(yours(page).getByRole('paragraph').first())).toBeLessThan(220);
  await page.goto(`${PLA}/conversation`);
  expect(await top(responses(page).getByRole('link', { name: /Kwame Sorley/u }))).toBeLessThan(260);
  await openFirst(page);
  const text = page.getByRole('article').first().locator('[data-quotable] .text > *').first();
  await expect(text).toBeVisible();
  expect(await top(text)).toBeLessThan(260);
  await page.getByRole('button', { name: /^Reply to/u }).tap();
  await expect(reply(page)).toBeFocused();
  expect(await top(reply(page).getByRole('paragraph').first())).toBeLessThan(220);
});

test('rooms and pages are one control, a reload keeps the page in front, and Back leaves the room', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation`);
  const places = page.getByRole('navigation', { name: 'Pages of this discussion' });
  await places.getByRole('link', { name: 'Prompt' }).tap();
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await expect(places.getByRole('link', { name: 'Prompt' })).toHaveAttribute('aria-current', 'page');
  await places.getByRole('link', { name: 'Yours', exact: true }).tap();
  await expect(page.getByRole('region', { name: 'Your response', exact: true })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeHidden();
  await page.goBack();
  await expect(responses(page)).toBeVisible();
  await places.getByRole('link', { name: /^Your part/u }).tap();
  await expect(page.getByRole('heading', { name: 'What is left' })).toBeVisible();
});

test('the post is looked at from the middle of its answer, and put away again', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation`);
  await openFirst(page);
  await page.getByRole('button', { name: /^Reply to/u }).tap();
  await page.keyboard.type('Hi Kwame, nobody');
  const post = page.getByRole('region', { name: 'The post' });
  await expect(post).toBeHidden();
  await page.getByRole('button', { name: /read it all/u }).tap();
  await expect(post).toBeVisible();
  await expect(reply(page)).toBeInViewport();
  const box = await post.boundingBox();
  // What was written stands under it, and not behind it.
  expect(await top(reply(page).getByText('Hi Kwame'))).toBeGreaterThanOrEqual(
    (box?.y ?? 0) + (box?.height ?? 0) - 1,
  );
  await page.getByRole('button', { name: 'Put this away' }).tap();
  await expect(post).toBeHidden();
  await page.getByRole('button', { name: 'Back to the post' }).tap();
  await expect(post).toBeVisible();
  await expect(reply(page)).toBeHidden();
});

test('with the keyboard open the tools stand over it, and the text has most of what is left', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await yours(page).getByRole('paragraph').last().tap();
  await openKeyboard(page);
  const tools = page.getByRole('toolbar', { name: 'Tools for your response' });
  const foot = 844 - KEYBOARD;
  await expect
    .poll(async () => {
      const box = await tools.boundingBox();
      return Math.round((box?.y ?? 0) + (box?.height ?? 0));
    })
    .toBeLessThanOrEqual(foot);
  const line = page.getByRole('button', { name: /all checks/u });
  const above = page.getByRole('button', { name: 'All places: This week, find, notices, account' });
  await expect(above).toBeHidden();
  // From the upper edge of the page to the line of checks all is text.
  expect(await top(line)).toBeGreaterThan(0.45 * 844);
  await page.keyboard.type(' and a line that is being written now');
  const caret = yours(page).getByText('a line that is being written now');
  const box = await caret.boundingBox();
  expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(await top(line));
});

test('the head goes away as one reads on, and comes back as one turns back or comes to it by keys', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro');
  await page.goto(`${GEO}/response#read`);
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  const back = page.getByRole('link', { name: 'Back to This week' });
  await expect(back).toBeInViewport();
  await page.evaluate(() => scrollTo(0, 400));
  await expect(back).not.toBeInViewport();
  await page.evaluate(() => scrollTo(0, 340));
  await expect(back).toBeInViewport();
  await page.evaluate(() => scrollTo(0, 600));
  await expect(back).not.toBeInViewport();
  await back.focus();
  await expect(back).toBeInViewport();
});

test('all other places are one press away, and closing them gives the focus back', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  const calendar = page.getByRole('navigation', { name: 'Main' }).getByRole('link', { name: 'Calendar' });
  await expect(calendar).toBeHidden();
  const all = page.getByRole('button', { name: /^All places/u });
  await all.tap();
  await expect(calendar).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(calendar).toBeHidden();
  await expect(all).toBeFocused();
  await all.tap();
  await calendar.tap();
  await expect(page).toHaveURL(/\/calendar/u);
});

test('the checks open from their line with all there is to do, and nothing of it stands sideways', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  const line = page.getByRole('button', { name: /all checks/u });
  await expect(line).toContainText('117');
  await expect(line).toContainText('2 of 3 questions');
  await line.tap();
  await page.getByRole('button', { name: /^Sources 0 \/ 1/u }).tap();
  await expect(page.getByText('1 more source needed.')).toBeVisible();
  for (const name of ['Proofread', 'Preview', 'Earlier versions', 'In and out'])
    await expect(page.getByRole('button', { name })).toBeVisible();
  expect(await sideways(page)).toBeLessThanOrEqual(0);
  await page.getByRole('button', { name: 'More tools' }).tap();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
  expect(await sideways(page)).toBeLessThanOrEqual(0);
});

test('list and filters wait behind one press, beside an open post, too', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${PLA}/conversation`);
  await expect(page.getByRole('link', { name: 'Unread 7' })).toBeHidden();
  await page.getByRole('button', { name: /^Worth answering/u }).tap();
  await expect(page.getByRole('link', { name: 'Unread 7' })).toBeVisible();
  await openFirst(page);
  await expect(responses(page)).toBeHidden();
  await page.getByRole('button', { name: /^Worth answering/u }).tap();
  await responses(page)
    .getByRole('link', { name: /Pilar Ostrom/u })
    .tap();
  await expect(page.getByRole('article', { name: 'Response by Pilar Ostrom' })).toBeVisible();
  await expect(responses(page)).toBeHidden();
  const opened = page.url();
  await page.getByRole('link', { name: 'Next post' }).tap();
  await expect(page).not.toHaveURL(opened);
  await page.getByRole('link', { name: 'Previous post' }).tap();
  await expect(page).toHaveURL(opened);
});

test('the whole job by thumb, with no more taps than there are clicks on a desk', async ({ page }) => {
  let taps = 0;
  const tap = async (what: Locator) => {
    taps += 1;
    await what.tap();
  };
  await enterAs(page, 'Imani Okoro');
  await tap(page.getByRole('link', { name: /^Continue draft/u }));
  await tap(yours(page).getByRole('paragraph').last());
  await page.keyboard.insertText(` The farms would say so (Amber Growers, 2020). ${sentencesOf(170)}`);
  await expect(page.getByRole('button', { name: /all checks/u })).toContainText('nothing is missing');
  await tap(page.getByRole('button', { name: 'Share with the class' }));
  await expect(page.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
  await tap(page.getByRole('link', { name: /^The class/u }));
  for (const n of [1, 2, 3]) {
    if (n === 1) await tap(responses(page).getByRole('link', { name: /repl/u }).first());
    await tap(page.getByRole('button', { name: /^Reply to/u }));
    await expect(reply(page)).toBeFocused();
    await page.keyboard.insertText(`In answer number ${n}: I doubt it, because ${sentencesOf(80, n * 97)}`);
    await tap(page.getByRole('button', { name: `Share reply ${n} of 3` }));
    await expect(page.getByRole('heading', { name: /^Your reply to .* is shared/u })).toBeVisible();
    if (n < 3) await tap(page.getByRole('link', { name: /^Read .*’s response/u }));
  }
  await expect(page.getByText('this discussion is complete')).toBeVisible();
  // On a desk: the draft, its text, sharing, the conversation, a response; then each time the page to write on, sharing, the next response.
  expect(taps).toBeLessThanOrEqual(4 + 1 + 3 * 3 - 1);
});

test('landscape, small phones and large letters: nothing stands sideways, what one writes stays in sight', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  for (const [width, height] of [
    [844, 390],
    [360, 640],
    [320, 568],
  ] as const) {
    await page.setViewportSize({ width, height });
    await yours(page).getByRole('paragraph').last().tap();
    await expect(yours(page)).toBeInViewport();
    expect(await sideways(page)).toBeLessThanOrEqual(0);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await page.addStyleTag({ content: 'html { font-size: 200% !important }' });
  expect(await sideways(page)).toBeLessThanOrEqual(0);
  await page.goto(`${PLA}/conversation`);
  await page.addStyleTag({ content: 'html { font-size: 200% !important }' });
  expect(await sideways(page)).toBeLessThanOrEqual(0);
});

test('whatever one writes and answers with is large enough for a thumb', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  const small = () =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[data-head] :is(a, button), [data-foot] :is(a, button)')]
        .map((e) => ({ e, box: e.getBoundingClientRect() }))
        .filter(({ box }) => box.width > 0 && (box.width < 44 || box.height < 36))
        .map(({ e, box }) => `${e.ariaLabel ?? e.textContent}: ${box.width}x${box.height}`),
    );
  await expect(yours(page)).toBeVisible();
  expect(await small()).toEqual([]);
  await page.goto(`${PLA}/conversation`);
  await openFirst(page);
  expect(await small()).toEqual([]);
});

test.describe('on the way', () => {
  test.use({ mayBreak: /importScripts|Failed to fetch/u });

  test('what was shared without a network goes out by itself once there is one, and whoever writes on is asked again', async ({
    page,
    context,
  }) => {
    await enterAs(page, 'Imani Okoro', `${GEO}/response`);
    await yours(page).getByRole('paragraph').last().tap();
    await page.keyboard.insertText(` The farms would say so (Amber Growers, 2020). ${sentencesOf(170)}`);
    await expect(page.getByText(/^Draft kept/u)).toBeVisible();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Share with the class' }).tap();
    const waits = page.getByRole('alert').filter({ hasText: 'it is not shared yet' });
    await expect(waits).toBeVisible();
    await yours(page).getByRole('paragraph').last().tap();
    await page.keyboard.type(' Wait');
    await expect(page.getByRole('alert').filter({ hasText: 'another one by now' })).toBeVisible();
    await page.getByRole('button', { name: 'Share with the class' }).tap();
    await expect(waits).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
  });

  test('a reply for one person alone waits over a reload for that person alone, and goes to nobody once its text is another', async ({
    page,
    browser,
  }) => {
    await enterAs(page, 'Imani Okoro', `${PLA}/conversation`);
    await openFirst(page);
    await page.getByRole('button', { name: /^Reply to/u }).tap();
    await reply(page).getByRole('paragraph').last().tap();
    await page.keyboard.insertText('Between us: does your council take notes of what the trustees said?');
    await expect(page.getByText(/^Draft kept/u)).toBeVisible();
    const desk = new URL(page.url());
    const waits = page.getByRole('alert').filter({ hasText: 'it is not shared yet' });
    const shareWithOne = async () => {
      await page.getByRole('button', { name: /all checks/u }).tap();
      await page.getByRole('button', { name: 'Share with Kwame only' }).tap();
      await page.getByRole('alertdialog').getByRole('button', { name: 'Share with Kwame only' }).tap();
    };
    /** As on a way without a network: the page is there, and nobody answers. */
    const nobodyAnswers = async () => {
      await page.route('**/discussions/*/posts', (route) => route.abort());
      await shareWithOne();
      await expect(waits).toBeVisible();
    };
    /** It goes out by itself then: at once, or earlier where its page has waited long enough to ask again. */
    const networkIsBack = async () => {
      await page.unroute('**/discussions/*/posts');
      await page.evaluate(() => window.dispatchEvent(new Event('online')));
    };
    await nobodyAnswers();
    const other = await (await browser.newContext()).newPage();
    await enterAs(other, 'Imani Okoro', desk.pathname + desk.search);
    await other.goto(desk.href);
    await other.reload();
    await reply(other).getByRole('paragraph').last().tap();
    await other.keyboard.insertText(' Or does nobody write it down?');
    await expect(other.getByText(/^Draft kept/u)).toBeVisible();
    await page.reload();
    await expect(reply(page)).toContainText('Or does nobody write it down?');
    await networkIsBack();
    await expect(page.getByRole('alert').filter({ hasText: 'another one by now' })).toBeVisible();

    await nobodyAnswers();
    await page.reload();
    await expect(waits).toBeVisible();
    await networkIsBack();
    await expect(
      page.getByRole('heading', { name: 'Your reply to Kwame is shared with Kwame only' }),
    ).toBeVisible();
  });

  test('the week is kept with what is to be done, and opens without a network', async ({ page, context }) => {
    await enterAs(page, 'Imani Okoro');
    await expect
      .poll(() =>
        page.evaluate(async () =>
          Promise.all(
            ['/discussions/geo-115-w6/response', '/readings/geo-room-for-the-river'].map(async (kept) =>
              Boolean(await caches.match(kept)),
            ),
          ),
        ),
      )
      .toEqual([true, true]);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^You owe 1 response/u);
    await page.goto(`${GEO}/response`);
    await expect(yours(page)).toContainText('I would move the levees back');
    // And the readings of what is open.
    await page.goto('/readings/geo-room-for-the-river');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Room for the river');
    await context.setOffline(false);
  });
});

test('what another application shares is read like what one pastes, and what is due next is one press of the icon', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/outside/new');
  await page.evaluate(async () => {
    await navigator.serviceWorker.register('/without-network.js');
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  // As the device sends it.
  await page.evaluate(() => {
    document.body.insertAdjacentHTML(
      'beforeend',
      '<form id="device" action="/outside/shared" method="post" enctype="multipart/form-data"><input name="text" value="Write 200 words about wells."></form>',
    );
    document.querySelector<HTMLFormElement>('#device')?.submit();
  });
  await expect(page).toHaveURL(/outside\/new\?shared/u);
  await expect(page.getByLabel(/^The prompt’s text/u)).toHaveValue('Write 200 words about wells.');
  await page.goto('/next');
  await expect(page).toHaveURL(/geo-115-w6\/response/u);
});
