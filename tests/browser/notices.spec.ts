import { randomUUID } from 'node:crypto';
import { database, enterAs, sentencesOf, setClock, START, startAfresh } from './help';
import { expect, test, type Page } from './test';

test.beforeEach(() => startAfresh());

const HOUR = 3_600_000;
const W6 = '/discussions/pla-204-w6';
const GEO = '/discussions/geo-115-w6';
const number = (page: Page) => page.getByRole('link', { name: /^Notices/u });

/** Shares a reply, as the page's script does. */
const reply = (page: Page, parent: number, words: string) =>
  page.evaluate(
    async ([to, body]) =>
      (await fetch(`${to}/posts`, { method: 'POST', headers: { 'content-type': 'application/json' }, body }))
        .status,
    [
      W6,
      JSON.stringify({
        kind: 'reply',
        parent,
        submission: randomUUID(),
        title: '',
        doc: { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }] },
        private: false,
      }),
    ] as const,
  );

/** Has what is due sent now, and not when the minute is over. */
async function keptUp() {
  const db = database();
  try {
    await db.raw(`select graphile_worker.add_job('remind', '{}'::json, job_key := 'now remind')`);
  } finally {
    await db.destroy();
  }
}

/** What was due before has been sent: what is sent from now on is of what happens now. */
async function nothingWaits() {
  const db = database();
  try {
    await db('notices').where('due_at', '<', new Date(START)).update({ due_at: null });
  } finally {
    await db.destroy();
  }
}

/** Waits for a mail in the mailbox, and opens it. */
async function mailAbout(page: Page, subject: string | RegExp) {
  const mail = page
    .getByRole('listitem')
    .filter({ has: page.locator('summary', { hasText: subject }) })
    .first();
  await page.goto('/mailbox');
  await expect(async () => {
    await page.reload();
    await expect(mail).toBeVisible({ timeout: 500 });
  }).toPass({ timeout: 15_000 });
  const body = mail.locator('details').first();
  if ((await body.getAttribute('open')) === null) await mail.locator('summary').first().click();
  return mail;
}

/** Imani's own response of the week. */
async function ownResponse(): Promise<number> {
  const db = database();
  try {
    const row = await db('posts as p')
      .join('people as a', 'a.id', 'p.author_id')
      .join('discussions as d', 'd.id', 'p.discussion_id')
      .where({ 'a.name': 'Imani Okoro', 'd.slug': 'pla-204-w6', 'p.kind': 'response' })
      .first('p.id');
    return Number(row.id);
  } finally {
    await db.destroy();
  }
}

test('a classmate’s reply is a notice and a mail; seen in one place it is seen in all, and the link is its reader’s alone', async ({
  page,
  browser,
}) => {
  await nothingWaits();
  await page.clock.install();
  await enterAs(page, 'Imani Okoro', '/notices');
  await expect(number(page)).toHaveAccessibleName(/^Notices, \d+ not seen$/u);
  await page.getByRole('button', { name: 'All seen' }).click();
  await expect(number(page)).toHaveAccessibleName('Notices');
  const jun = await (await browser.newContext()).newPage();
  await enterAs(jun, 'Jun Hathaway', `${W6}/conversation`);
  expect(
    await reply(jun, await ownResponse(), 'The lamp posts would have told the same, had anybody read them.'),
  ).toBe(200);
  // A page that stays open says so within a minute.
  await page.clock.fastForward(61_000);
  await expect(number(page)).toHaveAccessibleName('Notices, 1 not seen');
  await page.clock.resume();
  // Before any job has run it stands here.
  await page.goto('/notices');
  const line = page.getByRole('link', { name: /Jun Hathaway.* replied to you/u });
  await expect(line).toContainText('The lamp posts would have told the same');
  // The mail is there, and says who and where; its link is nobody else's.
  await keptUp();
  const mail = await mailAbout(page, 'Jun Hathaway replied to you · PLA 204 week 6');
  const link = mail.getByRole('link', { name: /\/notices\/\d+\/open$/u }).first();
  const path = new URL((await link.getAttribute('href')) ?? '').pathname;
  await jun.goto(path);
  await expect(jun.getByText('This notice is not yours')).toBeVisible();
  await page.goto(path);
  await expect(page).toHaveURL(/conversation\?post=\d+/u);
  await expect(page.getByText('The lamp posts would have told the same').first()).toBeVisible();
  await page.goto('/notices');
  await expect(page.getByRole('link', { name: /^Not seen: Jun Hathaway/u })).toHaveCount(0);
  await expect(number(page)).toHaveAccessibleName('Notices');
});

test('how they reach one is chosen by keyboard, kept at once, and says what it means', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/notices');
  const means = page.getByText(/^With this,/u);
  await expect(means).toBeVisible();
  await page.getByRole('radio', { name: 'Replies to you: at once' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Kept.')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Replies to you: once a day' })).toBeChecked();
  await page.getByText('Quiet from 22:00 to 07:00').click();
  await page.getByRole('checkbox', { name: 'Saturday' }).check();
  await expect(page.getByText('Quiet from 22:00 to 07:00, and on Saturday')).toBeVisible();
  // One press to as few as there can be, and what is only here stays so.
  await page.getByRole('radio', { name: 'Your name in a post: only here' }).check();
  await page.getByRole('button', { name: /^All of it once a day: about \d+ mails? a week$/u }).click();
  await expect(page.getByRole('radio', { name: 'Marks and comments: once a day' })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'Your name in a post: only here' })).toBeChecked();
  await expect(page.getByRole('button', { name: /^All of it once a day/u })).toHaveCount(0);
  // A time that there is not is said, and nothing of what was kept goes.
  await page.getByRole('textbox', { name: 'From' }).fill('25:70');
  await page.getByRole('textbox', { name: 'From' }).blur();
  await expect(page.getByText(/^Not kept: a time is written as/u)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Replies to you: once a day' })).toBeChecked();
  await expect(page.getByText('Quiet from 22:00 to 07:00, and on Saturday')).toBeVisible();
  // More of one discussion than the rule says.
  await page.getByRole('link', { name: 'Each discussion' }).click();
  const line = page.getByRole('listitem').filter({ hasText: 'A sign that lies' });
  await line.getByRole('combobox', { name: /^New posts in A sign/u }).selectOption('at once');
  await line.getByRole('button', { name: 'Keep' }).first().click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: 'Notices' }).click();
  await expect(page.getByText('PLA 204 week 6: at once', { exact: false })).toBeVisible();
});

test('what is chosen before the scripts have come is kept when they have', async ({ browser }) => {
  const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  await enterAs(page, 'Imani Okoro');
  let come = () => {};
  const scripts = new Promise<void>((done) => (come = done));
  await page.route('**/_next/static/**/*.js*', async (route) => {
    await scripts;
    await route.continue();
  });
  await page.goto('/notices', { waitUntil: 'commit' });
  const onceADay = page.getByRole('radio', { name: 'Replies to you: once a day' });
  await onceADay.check();
  come();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.reload();
  await expect(onceADay).toBeChecked();
});

/** The mails to somebody in the open mailbox with such a subject. */
const mailsTo = (page: Page, who: string, subject: string | RegExp) =>
  page
    .getByRole('listitem')
    .filter({ has: page.locator('summary', { hasText: subject }) })
    .filter({ hasText: who });

test('through the week by the clock: reminders while something is owed and no longer, what one follows gathered, and the close', async ({
  page,
}) => {
  const day = async (hours: number) => {
    await setClock(START + hours * HOUR);
    await keptUp();
  };
  await day(2.1);
  await mailAbout(page, /new posts? in (?:PLA 204|SND 130) week 6/u);

  // Wednesday, five hours before the response in PLA is due by its clock: to whoever owes it.
  await day(18.4);
  await mailAbout(page, 'PLA 204: the response is due in five hours');
  await enterAs(page, 'Imani Okoro', '/notices');
  // What was three days on Tuesday is said as it is now.
  const geo = page.getByRole('link', { name: /GEO 115: the response is due in/u });
  await expect(geo).toHaveAccessibleName(/in 37 hours/u);

  // Thursday evening her response in GEO is still owed, and told of in a mail; she shares it, and nothing is said of it any more.
  await day(50.4);
  await mailAbout(page, 'GEO 115: the response is due in five hours');
  // Others' mails leave beside hers: she has hers when all have.
  await expect(async () => {
    await page.reload();
    await expect(mailsTo(page, 'imani.okoro', 'GEO 115: the response is due in five hours')).toHaveCount(1, {
      timeout: 500,
    });
  }).toPass({ timeout: 15_000 });
  // On Wednesday she owed nothing in PLA, and was not reminded of it.
  await expect(mailsTo(page, 'imani.okoro', 'PLA 204: the response is due in five hours')).toHaveCount(0);
  await page.goto('/notices');
  await expect(geo).toHaveAccessibleName(/in five hours/u);
  await page.goto(`${GEO}/response`);
  await page.getByRole('textbox', { name: 'Your response' }).getByRole('paragraph').last().click();
  await page.keyboard.press('End');
  await page.keyboard.insertText(` That is so (Amber Growers, 2020). ${sentencesOf(160)}`);
  await page.getByRole('button', { name: 'Share with the class' }).click();
  await expect(page.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
  await page.goto('/notices');
  await expect(geo).toHaveCount(0);

  // Friday, after the quiet hours: the replies are due in less than three days.
  await day(62.4);
  await mailAbout(page, /^GEO 115: three replies are due in/u);
  // Sunday evening, once more; and whoever has replied since hears nothing.
  await day(122.4);
  await mailAbout(page, /^GEO 115: three replies are due in five hours/u);
  await page.goto('/notices');
  await expect(
    page.getByRole('link', { name: /GEO 115: three replies are due in five hours/u }),
  ).toBeVisible();

  // Monday it is over: the page reminds of nothing that is past, and the next week begins.
  await day(138.4);
  await page.goto('/notices');
  await expect(page.getByRole('link', { name: /GEO 115: three replies are due/u })).toHaveCount(0);
});

test('an answer by mail waits as a draft where one answers, and is shared by nobody but its writer', async ({
  page,
  browser,
}) => {
  await nothingWaits();
  const jun = await (await browser.newContext()).newPage();
  await enterAs(jun, 'Jun Hathaway', `${W6}/conversation`);
  await reply(jun, await ownResponse(), 'Would you say the same of a sign that nobody reads?');
  await keptUp();
  const mail = await mailAbout(page, 'Jun Hathaway replied to you · PLA 204 week 6');
  await mail.getByRole('textbox').fill('I would: it says what somebody thought worth saying.');
  await mail.getByRole('button', { name: 'Send the answer' }).click();
  await expect(page.getByText('it waits as a draft under its post')).toBeVisible();
  await enterAs(page, 'Imani Okoro', '/notices');
  await page.getByRole('link', { name: /Your answer by mail waits as a draft/u }).click();
  await expect(page).toHaveURL(/conversation\?post=\d+/u);
  await page.keyboard.press('r');
  await expect(page.getByRole('textbox', { name: /reply/iu })).toContainText(
    'I would: it says what somebody thought worth saying.',
  );
});

test('less mail by the link of a mail: looking changes nothing, one press does, signed in or not', async ({
  page,
}) => {
  await keptUp();
  const mail = await mailAbout(page, /replied to you · /u);
  const href = await mail
    .getByRole('link', { name: /\/less-mail\// })
    .first()
    .getAttribute('href');
  await page.goto(new URL(href ?? '').pathname);
  await expect(page.getByRole('heading', { name: 'No mail of this kind any more?' })).toBeVisible();
  await page.getByRole('button', { name: 'No such mail any more' }).click();
  await expect(page.getByRole('status')).toContainText('Replies to you');
  await page.goto('/less-mail/nonsense');
  await expect(page.getByRole('heading', { name: 'This address does not work' })).toBeVisible();
});

test('without a network a page that is not kept says so, and Pulpit can be put on a device', async ({
  page,
  context,
}) => {
  await enterAs(page, 'Imani Okoro', '/notices');
  await page.evaluate(async () => {
    await navigator.serviceWorker.register('/without-network.js');
    await navigator.serviceWorker.ready;
  });
  const manifest = await (await page.request.get('/manifest.webmanifest')).json();
  expect(manifest).toMatchObject({ name: 'Pulpit', display: 'standalone' });
  for (const { src } of manifest.icons) expect((await page.request.get(src)).ok()).toBe(true);
  await page.reload();
  await context.setOffline(true);
  await page.goto('/progress');
  await expect(page.getByRole('heading', { name: 'There is no network just now' })).toBeVisible();
  await context.setOffline(false);
  await page.getByRole('link', { name: 'Try again' }).click();
  await expect(page.getByRole('link', { name: 'Progress' })).toHaveAttribute('aria-current', 'page');
});

test('a device that is switched on shows what it is sent, whatever that is, and can be switched off', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['notifications']);
  // There is no push service here: the browser's own subscribing is answered as one would, with keys that are keys.
  await page.addInitScript(() => {
    let here: unknown = null;
    const bytes = (all: Uint8Array) =>
      btoa(String.fromCharCode(...all))
        .replace(/\+/gu, '-')
        .replace(/\//gu, '_')
        .replace(/=+$/u, '');
    PushManager.prototype.getSubscription = () => Promise.resolve(here as PushSubscription | null);
    PushManager.prototype.subscribe = async (options) => {
      const key = new Uint8Array(options?.applicationServerKey as ArrayBuffer);
      // An uncompressed point of P-256, as VAPID asks (RFC 8292).
      if (key.length !== 65 || key[0] !== 4 || !options?.userVisibleOnly) throw new Error('no such key');
      const pair = await crypto.subtle.generateKey({ name: 'ECDH', namedCurve: 'P-256' }, true, [
        'deriveBits',
      ]);
      const p256dh = bytes(new Uint8Array(await crypto.subtle.exportKey('raw', pair.publicKey)));
      const auth = bytes(crypto.getRandomValues(new Uint8Array(16)));
      const endpoint = 'https://updates.push.services.mozilla.com/wpush/v2/here';
      here = {
        endpoint,
        toJSON: () => ({ endpoint, keys: { p256dh, auth } }),
        unsubscribe: () => Promise.resolve(Boolean((here = null)) || true),
      };
      return here as PushSubscription;
    };
  });
  await enterAs(page, 'Imani Okoro', '/notices');
  await page.getByRole('button', { name: 'Switch on' }).click();
  await expect(page.getByText('This device hears of them too, when Pulpit is closed')).toBeVisible();
  const devices = async () => {
    const db = database();
    try {
      return await db('push_devices').pluck('endpoint');
    } finally {
      await db.destroy();
    }
  };
  expect(await devices()).toEqual(['https://updates.push.services.mozilla.com/wpush/v2/here']);

  // What a service would bring is shown by the worker, whatever it is. Without a screen there is nowhere to show it: what is asked for is read.
  const worker = context.serviceWorkers()[0] ?? (await context.waitForEvent('serviceworker'));
  const shown = await worker.evaluate(async () => {
    const asked: string[] = [];
    const scope = globalThis as unknown as {
      registration: {
        showNotification: (title: string, how: { body: string; data: { to: string } }) => Promise<void>;
      };
    };
    scope.registration.showNotification = (title, { body, data }) => {
      asked.push(`${title} · ${body} · ${data.to}`);
      return Promise.resolve();
    };
    const told = { title: 'Jun Hathaway replied to you', body: 'PLA 204 week 6', to: '/notices/7/open' };
    for (const data of [JSON.stringify(told), 'nothing that can be read'])
      dispatchEvent(
        new (
          globalThis as unknown as { PushEvent: new (type: string, how: { data: string }) => Event }
        ).PushEvent('push', { data }),
      );
    return asked;
  });
  expect(shown).toEqual([
    'Jun Hathaway replied to you · PLA 204 week 6 · /notices/7/open',
    'Pulpit ·  · /notices',
  ]);

  await page.getByRole('button', { name: 'Switch off' }).click();
  await expect(page.getByText('On this device too, when Pulpit is closed')).toBeVisible();
  expect(await devices()).toEqual([]);
});
