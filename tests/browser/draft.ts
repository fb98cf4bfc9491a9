import { enterAs } from './help';
import { expect, type Page } from './test';

export const GEO = '/discussions/geo-115-w6';
export const PLA = '/discussions/pla-204-w6';
export const editorOf = (page: Page) => page.getByRole('textbox', { name: 'Your response' });
export const kept = (page: Page) => expect(page.getByText(/^Draft kept/)).toBeVisible();

/** Opens Imani's draft with the cursor at its very end. */
export async function atTheEnd(page: Page) {
  await enterAs(page, 'Imani Okoro', `${GEO}/response`);
  await editorOf(page).getByRole('paragraph').last().click();
  await page.keyboard.press('Control+End');
}

/** All that this browser holds of drafts itself. */
export const heldHere = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((resolve, reject) => {
        const opening = indexedDB.open('pulpit-drafts');
        opening.onerror = () => reject(new Error('no database'));
        opening.onsuccess = () => {
          const all = opening.result.transaction('drafts').objectStore('drafts').getAll();
          all.onerror = () => reject(new Error('nothing held'));
          all.onsuccess = () => resolve(JSON.stringify(all.result));
        };
      }),
  );
