import { connect } from '@/db/connection';
import { migrate } from '@/db/migrate';
import { instant } from '@/core/ids';
import { firstRunKey } from '@/server/people/first-run';
import { createDatabase, withDatabase } from '../../scripts/lib/database';
import { startJobs, stopJobs } from '../../scripts/lib/jobs';
import { servingUrl } from '../../scripts/lib/serving';
import { startWeb, stopWeb } from '../../scripts/lib/web';
import { photograph } from '../fixtures/files';
import { enterAs, startAfresh } from './help';
import { ownServer } from './server';
import { expect, test, type Browser, type Page } from './test';

/** The server of this process as somebody finds it who starts Pulpit for themselves: nobody and nothing in it. */
async function startEmpty(): Promise<string> {
  const { run, port, slot, database } = ownServer();
  const name = `empty_${run}`;
  await createDatabase(database, name);
  const url = withDatabase(database, name);
  const db = connect(url, { poolMax: 2 });
  try {
    await migrate(db);
    const key = await firstRunKey({ db, now: instant(Date.now()) }, false);
    await stopWeb(run);
    await stopJobs(run);
    const env = { DATABASE_URL: await servingUrl(url), PULPIT_DEMO: '0', PULPIT_SIGN_ON: 'stand-in' };
    await startWeb(run, { port, slot, mark: 'test', env });
    startJobs(run, { port, slot, env });
    return key ?? '';
  } finally {
    await db.destroy();
  }
}

async function startDemo() {
  const { run, port, slot, database } = ownServer();
  await stopWeb(run);
  await stopJobs(run);
  const env = { DATABASE_URL: await servingUrl(database), PULPIT_DEMO: '1' };
  await startWeb(run, { port, slot, mark: 'test', env });
  startJobs(run, { port, slot, env });
}

/** The link in the newest mail about something to somebody, once it has left. */
async function linkTo(steward: Page, address: string, about = 'You are invited'): Promise<string> {
  let link: string | null = null;
  await expect(async () => {
    await steward.goto('/mailbox');
    const mail = steward
      .getByRole('group')
      .filter({ hasText: `to ${address}` })
      .filter({ hasText: about })
      .first();
    await expect(mail).toBeVisible({ timeout: 500 });
    link = await mail.locator('a[href*="#"]').getAttribute('href', { timeout: 500 });
  }).toPass();
  const { pathname, hash } = new URL(link ?? '');
  return `${pathname}${hash}`;
}

const PASSWORD = 'a heron stands in the shallow bend';

/** Somebody opens the link of their invitation on a machine of their own. */
async function accept(browser: Browser, link: string, name: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(link);
  await page.getByLabel('Your name, as classmates see it').fill(name);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Accept' }).click();
  await expect(page).toHaveURL((url) => url.pathname === '/');
  return page;
}

const STEWARD_PASSWORD = 'lanterns over the tide mill';

async function signIn(page: Page, address: string, password: string) {
  await page.goto('/sign-in');
  await page.getByLabel('Mail address').fill(address);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

const isIn = (page: Page) => expect(page).toHaveURL((url) => url.pathname === '/');

async function signInAsSteward(page: Page) {
  await signIn(page, 'ottoline@saltmarsh.example', STEWARD_PASSWORD);
  await isIn(page);
}

/** The course as its stewards see it. */
const toTheCourse = async (page: Page) => {
  await page.goto('/stewards/courses');
  await page.getByRole('link', { name: /^BIO 210/u }).click();
  await expect(page.getByLabel('Roster file')).toBeVisible();
};

test.describe('an installation of one’s own', () => {
  // What one begins the next goes on with.
  test.describe.configure({ mode: 'serial' });
  let key = '';
  test.beforeAll(async () => {
    key = await startEmpty();
  });
  test.afterAll(() => startDemo());

  test('begins with a key, and has a course with somebody who teaches it', async ({ page, browser }) => {
    // The key is taken out of the address at once.
    await page.goto(`/begin#${key}`);
    await expect(page.getByRole('heading', { name: 'Make Pulpit yours' })).toBeVisible();
    await page.getByLabel('Its name').fill('Saltmarsh School');
    await page.getByLabel('Its time zone').selectOption('Europe/Dublin');
    await page.getByLabel('Your name').fill('Ottoline Fray');
    await page.getByLabel('Mail address').fill('ottoline@saltmarsh.example');
    await page.getByLabel('Password').fill('saltmarsh school');
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'too easy to guess' })).toBeVisible();
    // What was typed is still there.
    await expect(page.getByLabel('Your name')).toHaveValue('Ottoline Fray');
    await expect(page.getByLabel('Its time zone')).toHaveValue('Europe/Dublin');
    expect(page.url()).not.toContain(key);
    await page.getByLabel('Password').fill(STEWARD_PASSWORD);
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(page.getByRole('heading', { name: 'Saltmarsh School' })).toBeVisible();

    await expect(page.getByRole('heading', { name: 'Make the first course' })).toBeVisible();
    await page.getByRole('link', { name: 'Make a course' }).click();
    await page.getByLabel('Code').fill('BIO 210');
    await page.getByLabel('Title').fill('Life in Salt Water');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The course is made' })).toBeVisible();

    const invite = page.getByRole('region', { name: 'Invite who teaches it' });
    await invite.getByLabel('Mail address').fill('brandt@saltmarsh.example');
    await invite.getByLabel('Name').fill('Dr. Ilse Brandt');
    await expect(invite.getByLabel('As')).toHaveValue('instructor');
    await invite.getByRole('button', { name: 'Invite' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Invited' })).toBeVisible();
    const teacher = await accept(browser, await linkTo(page, 'brandt@saltmarsh.example'), 'Dr. Ilse Brandt');
    await teacher.goto('/courses/bio-210/people');
    await expect(teacher.getByText('Dr. Ilse Brandt (you)')).toBeVisible();
    // The stewards' pages are not there for anybody else.
    expect((await teacher.goto('/stewards'))?.status()).toBe(404);
  });

  test('has a class: by a roster, by the college’s sign-on, by a code', async ({ page, browser }) => {
    await signInAsSteward(page);
    await toTheCourse(page);
    await page.getByLabel('Roster file').setInputFiles({
      name: 'class.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'Name;Mail\nAda Quill;ada@saltmarsh.example\nBram Sole;nowhere\nCleo Wrack;cleo@saltmarsh.example\n',
      ),
    });
    await page.getByRole('button', { name: 'Look at it' }).click();
    await expect(page.getByText('Row 3 has an address that is none')).toBeVisible();
    await page.getByRole('button', { name: 'Take the 2 sound ones' }).click();
    await expect(page.getByRole('status').filter({ hasText: '2 people invited by mail' })).toBeVisible();
    const ada = await accept(browser, await linkTo(page, 'ada@saltmarsh.example'), 'Ada Quill');
    await ada.goto('/courses/bio-210/people');
    await expect(ada.getByText('Ada Quill (you)')).toBeVisible();

    // Who is invited comes by the college's own sign-on as well, and needs no password here.
    await toTheCourse(page);
    const another = page.getByRole('region', { name: 'Invite somebody' });
    await another.getByLabel('Mail address').fill('dun@saltmarsh.example');
    await another.getByRole('button', { name: 'Invite' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Invited' })).toBeVisible();
    const dun = await (await browser.newContext()).newPage();
    await dun.goto('/sign-in');
    await dun.getByRole('link', { name: /^Sign in with/u }).click();
    await dun.getByLabel('Name').fill('Dun Harrow');
    await dun.getByLabel('Mail address').fill('dun@saltmarsh.example');
    await dun.getByRole('button', { name: 'Go on as somebody else' }).click();
    await expect(dun).toHaveURL((url) => url.pathname === '/');
    await dun.goto('/courses/bio-210/people');
    await expect(dun.getByText('Dun Harrow (you)')).toBeVisible();

    // One more comes by the course's code.
    await page.getByRole('checkbox', { name: /^Each one is let in/u }).uncheck();
    await page.getByRole('button', { name: 'Make a code' }).click();
    const code = (await page.locator('[data-code]').textContent()) ?? '';
    await page.goto('/stewards/people');
    await page.getByLabel('Mail address').fill('emer@saltmarsh.example');
    await page.getByRole('combobox', { name: /^As/u }).selectOption('steward');
    await page.getByRole('button', { name: 'Invite' }).click();
    const emer = await accept(browser, await linkTo(page, 'emer@saltmarsh.example'), 'Emer Sands');
    await emer.goto('/account');
    await emer.getByLabel('Code of a course').fill(code.toUpperCase().replace(/-/gu, ' '));
    await emer.getByRole('button', { name: 'Join' }).click();
    await expect(emer.getByRole('status').filter({ hasText: 'You are in.' })).toBeVisible();
  });

  test('takes invitations back, and ends accounts', async ({ page, browser }) => {
    await signInAsSteward(page);
    // Taken back in one window, it opens nothing in the other.
    const cleo = await linkTo(page, 'cleo@saltmarsh.example');
    const other = await (await browser.newContext()).newPage();
    await other.goto(cleo);
    await expect(other.getByRole('heading', { name: 'Welcome to Saltmarsh School' })).toBeVisible();
    await toTheCourse(page);
    await page.getByRole('button', { name: 'Take back: cleo@saltmarsh.example' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Taken back' })).toBeVisible();
    await other.getByLabel('Your name, as classmates see it').fill('Cleo Wrack');
    await other.getByLabel('Password').fill(PASSWORD);
    await other.getByRole('button', { name: 'Accept' }).click();
    await expect(other.getByRole('alert').filter({ hasText: 'was taken back' })).toBeVisible();

    // An account that a steward ends is signed out in its own window.
    const ada = await (await browser.newContext()).newPage();
    await signIn(ada, 'ada@saltmarsh.example', PASSWORD);
    await isIn(ada);
    await page.goto('/stewards/people?q=ada');
    await page.getByRole('link', { name: 'Ada Quill' }).click();
    await page.getByRole('button', { name: 'End the account' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The account is ended' })).toBeVisible();
    await ada.goto('/');
    await expect(ada).toHaveURL(/\/sign-in/u);

    await page.goto('/stewards/log');
    await expect(page.getByText('Ottoline Fray ended the account of Ada Quill.')).toBeVisible();
    await page.goto('/stewards/college');
    await page.getByLabel('Telephone').fill('+353 1 555 0101');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
    await ada.goto('/sign-in');
    await expect(ada.getByText('Help from Saltmarsh School')).toBeVisible();
  });

  test('goes on with a week, a prompt read out of its prose, and a first response shared', async ({
    page,
    browser,
  }) => {
    await signIn(page, 'brandt@saltmarsh.example', PASSWORD);
    await isIn(page);
    await page.goto('/courses/bio-210');
    await page.getByRole('link', { name: 'Begin it on its desk' }).click();
    await page.getByLabel('Title').fill('Salt and roots');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The week is added' })).toBeVisible();
    await page.getByRole('link', { name: 'Write a prompt' }).first().click();
    const day = (days: number) => {
      const at = new Date(Date.now() + days * 86_400_000);
      return `${at.getUTCDate()} ${at.toLocaleString('en-GB', { month: 'long', timeZone: 'UTC' })} ${at.getUTCFullYear()}`;
    };
    await page
      .getByLabel('The prompt’s text')
      .fill(
        `Why does glasswort not die of salt?\n\nIn at least 20 words, say what you would have expected. Reply to one classmate in at least 10 words.\nYour response is due ${day(9)} at 23:59, your reply ${day(12)} at 23:59.`,
      );
    await page.getByRole('button', { name: 'Read the prompt' }).click();
    await expect(page.getByRole('heading', { name: 'Is this what the prompt asks?' })).toBeVisible();
    await expect(page.getByLabel('Words, at least').first()).toHaveValue('20');
    await page.getByLabel('Title', { exact: true }).fill('Why does glasswort not die of salt?');
    await page.getByRole('button', { name: 'Make it a discussion' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'It is a discussion now' })).toBeVisible();
    await expect(page.getByText('not shown to students yet').first()).toBeVisible();

    // Who was invited by the roster, and is in by the college's sign-on.
    const dun = await (await browser.newContext()).newPage();
    await dun.goto('/sign-in');
    await dun.getByRole('link', { name: /^Sign in with/u }).click();
    await dun.getByLabel('Name').fill('Dun Harrow');
    await dun.getByLabel('Mail address').fill('dun@saltmarsh.example');
    await dun.getByRole('button', { name: 'Go on as somebody else' }).click();
    await dun.goto('/courses/bio-210');
    await expect(dun.getByText('Nothing has been put into this week yet.')).toBeVisible();

    await page.getByRole('button', { name: 'Show it to the class' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The class sees it' })).toBeVisible();
    const now = new Date().toISOString().slice(0, 10);
    await page.getByLabel('Opens').fill(`${now} 00:00`);
    await page.getByRole('button', { name: 'Keep the dates' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'The dates are kept' })).toBeVisible();

    await dun.reload();
    await dun.getByRole('link', { name: 'Why does glasswort not die of salt?' }).click();
    await dun.getByRole('textbox', { name: 'Your response' }).click();
    await dun.keyboard.insertText(
      'I would have expected every root to shrivel, because salt draws water out of anything alive that stands in it for long, and yet it stands green in October.',
    );
    await expect(dun.getByText('If shared now: counts as your response.')).toBeVisible();
    await dun.getByRole('button', { name: 'Share with the class' }).click();
    await expect(dun.getByRole('heading', { name: 'Your response is shared with the class' })).toBeVisible();
    await page.reload();
    await expect(page.getByText('1 of 3 students responded')).toBeVisible();
    await expect(page.getByText('it stays in sight', { exact: false })).toBeVisible();
  });

  test('gives a forgotten password back by mail, and the old one is none', async ({ page, browser }) => {
    const steward = await (await browser.newContext()).newPage();
    await signInAsSteward(steward);

    await page.goto('/sign-in');
    await page.getByRole('link', { name: 'Forgotten your password?' }).click();
    await expect(page.getByRole('heading', { name: 'Forgotten your password?' })).toBeVisible();
    for (const address of ['nobody@saltmarsh.example', 'brandt@saltmarsh.example']) {
      await page.getByLabel('Mail address').fill(address);
      await page.getByRole('button', { name: 'Send me a link' }).click();
      await expect(page.getByRole('status').filter({ hasText: 'If there is an account' })).toBeVisible();
    }
    await page.goto(await linkTo(steward, 'brandt@saltmarsh.example', 'A new password'));
    await page.getByLabel('New password', { exact: true }).fill('the ferry waits for no one');
    await page.getByRole('button', { name: 'Change it' }).click();
    await expect(page.getByText('Your password is changed. Sign in with it.')).toBeVisible();
    await page.getByLabel('Mail address').fill('brandt@saltmarsh.example');
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'do not belong together' })).toBeVisible();
    await page.getByLabel('Mail address').fill('brandt@saltmarsh.example');
    await page.getByLabel('Password').fill('the ferry waits for no one');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page).toHaveURL((url) => url.pathname === '/');
  });
});

test.describe('the account of one of the demo', () => {
  test.beforeEach(() => startAfresh());

  test('keeps who one is, says where one is signed in, and joins a course by its code', async ({
    page,
    browser,
  }) => {
    await enterAs(page, 'Imani Okoro', '/account');
    await page.getByLabel('How it is said').fill('ee-MAH-nee');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
    await expect(page.getByLabel('How it is said')).toHaveValue('ee-MAH-nee');

    const elsewhere = await (await browser.newContext()).newPage();
    await enterAs(elsewhere, 'Imani Okoro');
    await page.reload();
    await page
      .getByRole('button', { name: /^Sign out there/u })
      .first()
      .click();
    await expect(page.getByRole('status').filter({ hasText: 'Signed out there' })).toBeVisible();
    await elsewhere.goto('/');
    await expect(elsewhere).toHaveURL(/\/sign-in/u);

    await page.getByLabel('Code of a course').fill('zzzz-zzzz-zzzz');
    await page.getByRole('button', { name: 'Join' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'No course has this code' })).toBeVisible();
    await expect(page.getByLabel('Code of a course')).toHaveValue('zzzz-zzzz-zzzz');
  });

  test('shows times and weeks as one likes them, on the server and in the browser alike', async ({
    page,
  }) => {
    await enterAs(page, 'Imani Okoro', '/account');
    await page.getByLabel('Clock').selectOption('12');
    await page.getByLabel('A week begins on').selectOption('7');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible();
    await page.goto('/');
    await expect(page.getByText(/11:59 pm/u).first()).toBeVisible();
    await expect(page.getByText(/23:59/u)).toHaveCount(0);
    await page.goto('/calendar?view=month');
    await expect(page.getByRole('columnheader').first()).toHaveText('Sun');
    await page.goto('/discussions/geo-115-w6/response');
    await expect(page.getByText(/11:59 pm/u).first()).toBeVisible();
  });

  test('has a picture of which one chooses the part, and classmates see it', async ({ page, browser }) => {
    await enterAs(page, 'Noor Vasquez', '/account');
    const content = await photograph(600, 400);
    await page
      .getByLabel('Your picture')
      .setInputFiles({ name: 'me.jpg', mimeType: 'image/jpeg', buffer: content });
    await page.getByLabel('Larger').fill('2');
    await page.getByRole('button', { name: 'Keep this part' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Your picture is kept' })).toBeVisible();
    const other = await (await browser.newContext()).newPage();
    await enterAs(other, 'Imani Okoro', '/courses/geo-115/people');
    const face = other.getByRole('listitem').filter({ hasText: 'Noor Vasquez' }).locator('img');
    await expect.poll(() => face.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(256);
    const address = (await face.getAttribute('src')) ?? '';
    // Stewards, who are in no course with her, see it too; whoever is signed out does not.
    const steward = await (await browser.newContext()).newPage();
    expect((await steward.request.get(address)).status()).toBe(401);
    await enterAs(steward, 'Agnes Thorwald');
    expect((await steward.request.get(address)).status()).toBe(200);
    await page.getByRole('button', { name: 'Without a picture' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'no picture any more' })).toBeVisible();
    expect((await other.request.get(address)).status()).toBe(404);
  });

  test('the college has a mark at its door', async ({ page, browser }) => {
    await enterAs(page, 'Agnes Thorwald', '/stewards/college');
    await page
      .getByLabel('A picture of the mark')
      .setInputFiles({ name: 'mark.jpg', mimeType: 'image/jpeg', buffer: await photograph(400, 100) });
    await page.getByRole('region', { name: 'The mark' }).getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('img', { name: 'The mark as it is now' })).toBeVisible();
    const door = await (await browser.newContext()).newPage();
    await door.goto('/sign-in');
    const mark = door.locator('header img');
    await expect.poll(() => mark.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(0);
    await page.getByRole('button', { name: 'Without a mark' }).click();
    await expect(page.getByText('There is none: the college’s name stands alone.')).toBeVisible();
  });

  test('whoever asks to be let in is let in by a steward, and told', async ({ page }) => {
    await enterAs(page, 'Agnes Thorwald', '/stewards/courses');
    await page.getByRole('link', { name: /^SND 130/u }).click();
    await page.getByRole('button', { name: 'Let in Lucinda Farrow' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Let in, and told by mail' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Lucinda Farrow' })).toBeVisible();
  });
});
