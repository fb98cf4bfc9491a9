import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from './test';
import { enterAs } from './help';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
const COLOURS = 'color-contrast';
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** What axe finds in the page as it stands, or in a piece of it: everything, the colours alone, or everything but them. */
async function violations(page: Page, what: 'all' | 'colours' | 'shape', within?: string) {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
  if (within) axe.include(within);
  if (what === 'colours') axe.withRules([COLOURS]);
  else axe.withTags(TAGS);
  if (what === 'shape') axe.disableRules([COLOURS]);
  const found = await axe.analyze();
  return found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
}

/** Nothing is found on the light paper, and on the dark one, where only colours can differ, nothing in the colours. */
export async function expectSound(page: Page, name: string, within?: string) {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  expect(await violations(page, 'all', within), name).toEqual([]);
  await page.emulateMedia({ colorScheme: 'dark' });
  expect(await violations(page, 'colours', within), `${name}, dark`).toEqual([]);
  await page.emulateMedia({ colorScheme: 'light' });
}

/** On a phone nothing scrolls sideways, and nothing is found in what differs there: all but the colours. */
async function expectSoundOnPhone(page: Page, name: string) {
  await page.setViewportSize(PHONE);
  // What is scrolled half under the head is not there to be pressed.
  await page.evaluate(() => scrollTo(0, 0));
  const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(over, `${name}, beyond the edge of a phone`).toBeLessThanOrEqual(0);
  expect(await violations(page, 'shape'), `${name}, on a phone`).toEqual([]);
  await page.setViewportSize(DESK);
}

/** The page has come to life: its scripts hold it, its faces are there, and an editor has taken the plain form's place. */
export const settled = (page: Page) =>
  page.waitForFunction(() => {
    const main = document.querySelector('main');
    return (
      main !== null &&
      Object.keys(main).some((key) => key.startsWith('__react')) &&
      document.fonts.status === 'loaded' &&
      document.querySelector('form[action$="/posts"] textarea[name=text]') === null
    );
  });

/** Screens by name, each with its address; they may have to be made first. */
export type Screens = readonly (readonly [string, string])[];

/** So many screens to a test. */
const AT_A_TIME = 5;

export const inGroups = (screens: Screens) =>
  Array.from({ length: Math.ceil(screens.length / AT_A_TIME) }, (_, i) =>
    screens.slice(i * AT_A_TIME, (i + 1) * AT_A_TIME),
  );

/** One visit to each screen: light, dark, and at the size of a phone. */
export function visitEach(
  group: string,
  screens: (page: Page) => Promise<Screens> | Screens,
  who = 'Imani Okoro',
) {
  test(`axe finds nothing, light, dark and on a phone: ${group}`, async ({ page }) => {
    await enterAs(page, who);
    for (const [name, path] of await screens(page)) {
      await page.goto(path);
      await settled(page);
      await expectSound(page, name);
      await expectSoundOnPhone(page, name);
    }
  });
}

export const visitAll = (screens: Screens) => {
  for (const group of inGroups(screens)) visitEach(group.map(([name]) => name).join(', '), () => group);
};
