import { connect } from '@/db/connection';
import { instant } from '@/core/ids';
import { moveClock } from '@/server/clock/clock';
import { DEMO_PASSWORD, emailOf } from '@/standins/world/people';
import { DEMO_START } from '@/standins/world/seed';
import { expect, type Page } from './test';
import { ownServer } from './server';
import { putBackFresh } from '../../scripts/lib/fresh';

export const START = DEMO_START as number;
const realClock = { real: () => Date.now() };

/** The tests' own look into the database. */
export function database() {
  return connect(ownServer().database, { poolMax: 2 });
}

/** Puts the demo world back as it was laid out, so that no test file depends on what another one did. */
export async function startAfresh() {
  const db = database();
  try {
    await putBackFresh(db);
    await moveClock(db, realClock, DEMO_START);
  } finally {
    await db.destroy();
  }
}

export async function setClock(at: number) {
  const db = database();
  try {
    await moveClock(db, realClock, instant(at));
  } finally {
    await db.destroy();
  }
}

/** Signs in: by one click where the demo offers the person, else with address and password. */
export async function enterAs(page: Page, name: string, to = '/') {
  await page.goto(`/sign-in?to=${encodeURIComponent(to)}`);
  const offered = page.getByRole('button', { name: `Enter as ${name}` });
  if (await offered.isVisible()) await offered.click();
  else {
    await page.getByLabel('Mail address').fill(emailOf(name));
    await page.getByLabel('Password').fill(DEMO_PASSWORD);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  }
  await expect(page).toHaveURL((url) => url.pathname + url.search === to);
}

const THINGS =
  'meadow levee gauge ford sluice bridge village barn lane ditch bank field wall road mill'.split(' ');
const DEEDS = ['floods', 'holds', 'sinks', 'is dear', 'is let', 'was built', 'is old', 'lies low'];

/** So many words and a few more in sentences of which no two are the same: said again they would not count. */
export function sentencesOf(words: number, from = 0): string {
  const said: string[] = [];
  for (let i = from, n = 0; n < words; i += 1) {
    const one = THINGS[i % THINGS.length];
    const other = THINGS[(i * 7 + 3 + Math.floor(i / THINGS.length)) % THINGS.length];
    const sentence = `Where the ${one} ${DEEDS[i % DEEDS.length]}, the ${other} has to be paid for ${i + 2} times.`;
    said.push(sentence);
    n += sentence.split(' ').length;
  }
  return said.join(' ');
}
