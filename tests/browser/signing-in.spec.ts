import { DEMO_PASSWORD, emailOf } from '@/standins/world/people';
import { startAfresh } from './help';
import { expect, test } from './test';

test.beforeAll(() => startAfresh());

test('one click enters as somebody of the demo, and leads where one wanted to go', async ({ page }) => {
  await page.goto('/discussions?needs=me');
  await expect(page).toHaveURL(/\/sign-in\?to=/u);
  await page.getByRole('button', { name: 'Enter as Imani Okoro' }).click();
  await expect(page).toHaveURL(/\/discussions\?needs=me$/u);
  await expect(page.getByRole('button', { name: 'Account of Imani Okoro' })).toBeVisible();
});

test('address and password let in; a wrong one is said', async ({ page }) => {
  const address = emailOf('Noor Vasquez');
  await page.goto('/sign-in');
  await page.getByLabel('Mail address').fill(address);
  await page.getByLabel('Password').fill('another');
  await page.keyboard.press('Enter');
  await expect(page.getByText('That address and password do not belong together.')).toBeVisible();
  await page.getByLabel('Mail address').fill(address);
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Account of Noor Vasquez' })).toBeVisible();
});

test('whoever signs out is out: Back shows nothing of theirs', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Enter as Imani Okoro' }).click();
  await page.getByRole('button', { name: /^Account of/ }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/sign-in/u);
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Enter as Imani Okoro' })).toBeVisible();
});
