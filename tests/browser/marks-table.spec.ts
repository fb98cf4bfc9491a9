import { readFile } from 'node:fs/promises';
import { enterAs, startAfresh } from './help';
import { expect, test } from './test';

test.beforeEach(() => startAfresh());

const TABLE = '/courses/geo-115/desk/geo-115-w5/marking/table';

test('the table is walked and written in by keys, and kept as one goes', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', TABLE);
  const cell = (name: string) => page.getByRole('gridcell', { name });
  const first = page.getByRole('gridcell').and(page.locator('[data-row="0"][data-column="0"]'));
  await first.focus();
  const row = page.getByRole('row').filter({ has: first });
  const name = (await row.getByRole('link').textContent()) ?? '';
  for (const digit of ['1', '2', '1', '2']) {
    await page.keyboard.press(digit);
    await page.keyboard.press('ArrowRight');
  }
  await expect(row).toContainText('written, not released');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Home');
  await expect(page.locator('[data-row="1"][data-column="0"]')).toBeFocused();
  // A cell is opened by Enter, left by Escape as it was, and one Tab leaves the grid's cells altogether.
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-row="1"][data-column="0"]')).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Delete');
  await expect(row).toContainText('begun');
  await page.keyboard.press('3');
  await expect(row).toContainText('written, not released');
  const shown = await first.textContent();
  await expect(row).toHaveAttribute('aria-busy', 'false');
  await page.reload();
  await expect(row.getByRole('link')).toHaveText(name);
  await expect(first).toHaveText(shown ?? '');
  await expect(cell(`Answers what is asked, ${name}`)).toBeVisible();
});

test('a table is saved, changed in a spreadsheet, looked at and taken over', async ({ page }) => {
  await enterAs(page, 'Dr. Maren Holt', TABLE);
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save as a table (.csv)' }).click();
  const saved = await readFile(await (await download).path(), 'utf8');
  const lines = saved.split('\r\n');
  const otto = lines.findIndex((l) => l.includes('Otto Maddern'));
  // Four criteria after id, name and address.
  const cells = (lines[otto] ?? '').split(',');
  cells.splice(3, 4, '3', '4', '3', '4');
  lines[otto] = cells.join(',');
  await page.getByText('Bring a table with marks').click();
  await page.getByLabel(/comma-separated/u).setInputFiles({
    name: 'marks.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([...lines.filter(Boolean), ',Nobody At All,,5'].join('\r\n')),
  });
  await page.getByRole('button', { name: 'See what it would change' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('“marks.csv” would change 1 mark');
  await expect(page.getByText('names nobody of this class')).toBeVisible();
  await page.getByRole('button', { name: 'Take over 1 mark' }).click();
  await expect(page.getByText('Taken over. Students see nothing of it')).toBeVisible();
  await expect(page.getByRole('row', { name: /Otto Maddern/u })).toContainText('written, not released');
});
