import { randomUUID } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import { insertAccount } from '@/db/queries/accounts';
import { instant, personId } from '@/core/ids';
import { hashPassword } from '@/server/sessions/sessions';
import { expectSound, settled } from './axe';
import { database, startAfresh } from './help';
import { ownServer } from './server';
import { expect, test, type Page } from './test';

const PASSWORD = 'a heron stands in the shallow bend';
const EMAIL = 'edda@x.example';

/** Somebody who is none of the demo's: only their own ways in are theirs to change. */
async function addEdda() {
  const db = database();
  try {
    await insertAccount(db, {
      id: personId(randomUUID()),
      name: 'Edda Lorne',
      email: EMAIL,
      passwordHash: await hashPassword(PASSWORD),
      timeZone: 'Europe/London',
      steward: false,
      now: instant(Date.UTC(2026, 9, 1)),
    });
  } finally {
    await db.destroy();
  }
}

test.beforeEach(async () => {
  await startAfresh();
  await addEdda();
});

/** A passkey is for a name, and the tests' address is a number. */
const named = (path: string) => `http://localhost:${ownServer().port}${path}`;

async function signIn(page: Page, to = '/account') {
  await page.goto(named(`/sign-in?to=${encodeURIComponent(to)}`));
  await page.getByLabel('Mail address').fill(EMAIL);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

async function signOut(page: Page) {
  await page.getByRole('button', { name: /^Account of/u }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/sign-in/u);
}

const heading = (page: Page) => page.getByRole('heading', { name: 'Your account' });

test('a second factor is set up, asked for, and stood in for by a recovery code', async ({ page }) => {
  await signIn(page);
  const part = page.getByRole('region', { name: 'Second factor' });
  await part.getByLabel('Your password now').fill(PASSWORD);
  await part.getByRole('button', { name: 'Set one up' }).click();
  await expect(page.getByRole('heading', { name: 'A second factor' })).toBeVisible();
  await expect(page.getByRole('img', { name: /same secret as a picture/u })).toBeVisible();
  const address = await page
    .getByRole('link', { name: /^Open it in an authenticator/u })
    .getAttribute('href');
  const secret = new URL(address ?? '').searchParams.get('secret') ?? '';
  expect(address).toContain('issuer=Tidewell');
  await settled(page);
  await expectSound(page, 'setting a second factor up');
  await expect(page.getByText(secret.replace(/(.{4})(?=.)/gu, '$1 '))).toBeVisible();
  const code = (steps = 0) =>
    new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + steps * 30_000 });

  await page.getByLabel('The code it shows now').fill('000000');
  await page.getByRole('button', { name: 'That is it' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'not the code of now' })).toBeVisible();
  await page.getByLabel('The code it shows now').fill(code());
  await page.getByRole('button', { name: 'That is it' }).click();
  await expect(page.getByRole('heading', { name: 'Your recovery codes' })).toBeFocused();
  const codes = await page.getByRole('list').last().getByRole('listitem').allTextContents();
  expect(codes).toHaveLength(10);
  await expectSound(page, 'recovery codes');
  await page.getByRole('link', { name: 'I have kept them' }).click();
  await expect(part.getByText('10 recovery codes left')).toBeVisible();

  await signOut(page);
  await signIn(page, '/discussions');
  await expect(page.getByRole('heading', { name: 'One more step' })).toBeVisible();
  // Nothing opens before that.
  await page.goto(named('/account'));
  await expect(page).toHaveURL(/\/sign-in\?/u);
  await signIn(page, '/discussions');
  // The page that was left stands until the next one comes.
  await expect(page.getByRole('heading', { name: 'One more step' })).toBeVisible();
  await settled(page);
  await expectSound(page, 'the second step');
  await page.getByLabel('Code of your authenticator').fill('123456');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'not the code of now' })).toBeVisible();
  // The one that confirmed it was taken; the next is good a moment early.
  await page.getByLabel('Code of your authenticator').fill(code(1));
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(named('/discussions'));

  await signOut(page);
  await signIn(page);
  await page.getByLabel('Code of your authenticator').fill(codes[3] ?? '');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(heading(page)).toBeVisible();
  await expect(part.getByText('9 recovery codes left')).toBeVisible();
  await part.getByText('New recovery codes', { exact: true }).click();
  await part.getByLabel('Your password now').first().fill(PASSWORD);
  await part.getByRole('button', { name: 'Make new recovery codes' }).click();
  await expect(part.getByRole('heading', { name: 'Your recovery codes' })).toBeFocused();
  await part.getByText('Without a second factor again').click();
  await part.getByLabel('Your password now').fill(PASSWORD);
  await part.getByRole('button', { name: 'Ask for it no more' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'No second factor is asked for' })).toBeVisible();
  await signOut(page);
  await signIn(page);
  await expect(heading(page)).toBeVisible();
});

test('a passkey is made, signs in by itself, and is taken away', async ({ page }) => {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  const { authenticatorId } = await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await signIn(page);
  const part = page.getByRole('region', { name: 'Passkeys' });
  await part.getByText('Add a passkey').click();
  await part.getByLabel('What you call it').fill('My telephone');
  await part.getByLabel('Your password now').fill('guess');
  await part.getByRole('button', { name: 'Make it on this device' }).click();
  await expect(part.getByRole('alert').filter({ hasText: 'not your password' })).toBeVisible();
  await part.getByLabel('Your password now').fill(PASSWORD);
  await part.getByRole('button', { name: 'Make it on this device' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'The passkey is kept' })).toBeVisible();
  await expect(part.getByText('My telephone')).toBeVisible();
  await part.getByText('Add a passkey').click();
  await expectSound(page, 'an account of one’s own');

  await signOut(page);
  await page.goto(named('/sign-in?to=/discussions'));
  // Whoever does not show who they are is not in.
  await cdp.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: false });
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'No passkey was shown' })).toBeVisible();
  await cdp.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: true });
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page).toHaveURL(named('/discussions'));
  await expect(page.getByRole('button', { name: 'Account of Edda Lorne' })).toBeVisible();

  await page.goto(named('/account'));
  await expect(part.getByText(/last used/u)).toBeVisible();
  await part.getByRole('button', { name: 'Take away My telephone' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'taken away' })).toBeVisible();
  await signOut(page);
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'not known here' })).toBeVisible();
});

test('the college’s sign-on lets in whom it knows and who has a place here, and says so of others', async ({
  page,
}) => {
  const elsewhere = page.getByRole('link', { name: 'Sign in with Tidewell sign-on' });
  await page.goto('/sign-in?to=/discussions');
  await elsewhere.click();
  await page.getByRole('button', { name: 'Go back without signing in' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'did not say who you are' })).toBeVisible();
  await elsewhere.click();
  await page.getByRole('button', { name: /Sunniva Hartley/u }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'nobody has invited you' })).toBeVisible();
  await elsewhere.click();
  await page.getByLabel('Name').fill('E. Lorne');
  await page.getByLabel('Mail address').fill(EMAIL);
  await page.getByLabel('The address is theirs for sure').uncheck();
  await page.getByRole('button', { name: 'Go on as somebody else' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'gave no mail address' })).toBeVisible();

  await page.goto('/sign-in?to=/calendar');
  await elsewhere.click();
  await page.getByLabel('Name').fill('E. Lorne');
  await page.getByLabel('Mail address').fill(EMAIL);
  await page.getByRole('button', { name: 'Go on as somebody else' }).click();
  await expect(page).toHaveURL(/\/calendar$/u);
  await expect(page.getByRole('button', { name: 'Account of Edda Lorne' })).toBeVisible();
  await page.goto('/account');
  await expect(page.getByText('The college’s sign-on lets you in as well.')).toBeVisible();
  // The way back is gone through once.
  await page.goto('/sign-in/elsewhere/back?code=x&state=y');
  await expect(page).not.toHaveURL(/elsewhere/u);

  await signOut(page);
  await elsewhere.click();
  await page.getByRole('button', { name: /Imani Okoro/u }).click();
  await expect(page.getByRole('button', { name: 'Account of Imani Okoro' })).toBeVisible();
});

test('an observer reads what the class reads, and is given nothing to write with', async ({ page }) => {
  await page.goto('/sign-in?to=/');
  await page.getByRole('button', { name: 'Enter as Philippa Orme' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.goto('/discussions/geo-115-w6/response');
  await expect(page.getByRole('region', { name: 'Prompt' })).toBeVisible();
  await expect(page.getByRole('textbox')).toHaveCount(0);
  const rooms = page.getByRole('navigation', { name: 'Rooms of this discussion' });
  await expect(rooms.getByRole('link')).toHaveText([/^Prompt/u, /^Conversation \d/u]);
  await rooms.getByRole('link', { name: /^Conversation/u }).click();
  await page.getByRole('navigation', { name: 'Responses' }).getByRole('link').nth(5).click();
  await expect(page.getByRole('article').first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Answer/u })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /Share|Report|Well said/u })).toHaveCount(0);
  await page.goto('/readings/geo-room-for-the-river');
  await expect(page.getByRole('button', { name: /^Note|Add the note|Keep the note/u })).toHaveCount(0);
  await page.goto('/courses/geo-115/people');
  await expect(page.getByRole('heading', { name: '1 observer' })).toBeVisible();
});
