import { expect, test } from './test';
import { enterAs, startAfresh } from './help';

test.describe.configure({ mode: 'serial' });
test.beforeAll(() => startAfresh());

const ELSEWHERE = '/calendar/elsewhere';
const shift = (day: string, from: string, to: string) =>
  `BEGIN:VEVENT\r\nUID:${day}\r\nSUMMARY:Bakery\r\nDTSTART:202610${day}T${from}00Z\r\nDTEND:202610${day}T${to}00Z\r\nEND:VEVENT\r\n`;
const file = (name: string, text: string) => ({ name, mimeType: 'text/calendar', buffer: Buffer.from(text) });

test('an entry of the month leads to its discussion, and Back to the month', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', '/calendar');
  await page.getByRole('link', { name: 'September 2026' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('September 2026');
  await page.goBack();
  await page
    .getByRole('link', { name: /^23:59 GEO 115 response due still owed ?, Should the Amber/ })
    .click();
  await expect(page).toHaveURL(/\/discussions\/geo-115-w6\/response$/u);
  await page.goBack();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('October 2026');
  // Response and replies are two entries, in the student's own time.
  await expect(
    page.getByRole('link', { name: /^08:00 PLA 204 replies due 2 replies still owed ?, A sign that lies/ }),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Agenda', exact: true }).click();
  await expect(page.getByText('Sat 17 Oct, 10:00 in Athens')).toBeVisible();
});

test('busy times come in from a file; what is broken is named by its line, and the plan keeps clear', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', ELSEWHERE);
  const text = `BEGIN:VCALENDAR\r\n${shift('13', '1500', '2200')}${shift('14', '0600', '2000')}BEGIN:VEVENT\r\nSUMMARY:Mars\r\nDTSTART;TZID=Mars/Olympus:20261015T100000\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;
  await page.getByLabel('An .ics file').setInputFiles(file('shifts.ics', text));
  await page.getByRole('button', { name: 'Import busy times' }).click();
  await expect(page.getByRole('status')).toHaveText('Imported: 2 busy times. The plan keeps clear of them.');
  await expect(page.getByText('Line 16: nobody knows the time zone “Mars/Olympus”')).toBeVisible();
  await page.goto('/calendar/plan');
  await expect(page.getByRole('listitem').filter({ hasText: 'Tue 13 Oct' })).toHaveCount(0);
  await page.goto('/calendar');
  await expect(page.getByText('16:00 to 23:00 Bakery')).toBeVisible();
});

test('a file of 50 MB is read as far as it may be, and the rest is left out, with the line', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', ELSEWHERE);
  const one = `BEGIN:VEVENT\r\nUID:x\r\nDTSTART:20261020T100000Z\r\nDTEND:20261020T110000Z\r\nX-NOTE:${'y'.repeat(20_000)}\r\nEND:VEVENT\r\n`;
  const large = `BEGIN:VCALENDAR\r\n${one.repeat(2_500)}END:VCALENDAR\r\n`;
  expect(large.length).toBeGreaterThan(50_000_000);
  const sent = await page.request.post('/calendar/busy', {
    multipart: { file: file('large.ics', large) },
    headers: { 'sec-fetch-site': 'same-origin' },
  });
  expect(sent.ok()).toBe(true);
  await page.goto(ELSEWHERE);
  await expect(
    page.getByText(/^The file is larger than 5 MB\. It was read up to line [\d,]+; what comes after/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Remove large' }).click();
  await expect(page.getByText('large', { exact: true })).toBeHidden();
});

test('what is no calendar changes nothing, and says so', async ({ page }) => {
  await enterAs(page, 'Imani Okoro', ELSEWHERE);
  await page.getByLabel('An .ics file').setInputFiles(file('letter.ics', 'Dear all,'));
  await page.getByRole('button', { name: 'Import busy times' }).click();
  await expect(page.getByText(/^That file is not an iCalendar file/)).toBeVisible();
  const empty = await page.request.post('/calendar/busy', {
    data: 'nothing',
    headers: { 'sec-fetch-site': 'same-origin', 'content-type': 'text/plain' },
  });
  expect(empty.url()).toContain('answer=no-file');
});

test('the feed has a private address, answers a second look with “not changed”, and dies when it is stopped', async ({
  page,
  playwright,
}) => {
  await enterAs(page, 'Imani Okoro', ELSEWHERE);
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('The address').inputValue();
  // A calendar program has no cookie.
  const program = await playwright.request.newContext();
  const first = await program.get(address);
  expect(first.headers()['content-type']).toBe('text/calendar; charset=utf-8');
  const text = await first.text();
  expect(text).toContain('SUMMARY:GEO 115 response due: Should the Amber valley levees');
  expect(text.replace(/\r\n /gu, '')).toContain('URL:http://127.0.0.1');
  const etag = first.headers().etag ?? '';
  expect((await program.get(address, { headers: { 'if-none-match': etag } })).status()).toBe(304);
  await page.reload();
  await expect(page.getByText(/last read Tue 13 Oct/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop the feed' }).click();
  await expect(page.getByText('The feed is stopped')).toBeVisible();
  expect((await program.get(address)).status()).toBe(404);
  await program.dispose();
});

test('the plan says how long it takes, keeps to one’s habits, and says what does not fit', async ({
  page,
}) => {
  await enterAs(page, 'Imani Okoro', '/calendar/plan');
  await expect(page.getByText(/^About \d+ h( \d+ min)? of work in \d+ sittings, most likely/)).toBeVisible();
  const saved = await page.request.get('/calendar/plan/sittings.ics');
  expect(saved.headers()['content-disposition']).toContain('attachment');
  expect(await saved.text()).toContain('SUMMARY:Write: GEO 115: response');
  await page.getByLabel('Longest sitting').selectOption('15');
  await page.getByRole('button', { name: 'Keep and plan anew' }).click();
  await expect(page.getByText('Kept. The plan below is made anew.')).toBeVisible();
  const before = await page.getByText(/^About/).innerText();
  expect(Number(/in (\d+) sittings/u.exec(before)?.[1])).toBeGreaterThan(10);
  await page.getByLabel('Asleep from').fill('08:00');
  await page.getByLabel('until').fill('07:30');
  await page.getByLabel('Pause between two').selectOption('120');
  await page.getByRole('button', { name: 'Keep and plan anew' }).click();
  await expect(page.getByRole('heading', { name: 'Not all of it fits before its deadline' })).toBeVisible();
});
