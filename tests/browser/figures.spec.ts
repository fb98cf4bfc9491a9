import { expect, test, type APIRequestContext } from './test';
import { instant, type Instant } from '@/core/ids';
import { DEMO_PASSWORD, emailOf } from '@/standins/world/people';
import { checkPages } from '../figures/checks';
import { Wrong } from '../figures/compare';
import { expectedFor, type Expected } from '../figures/discussions';
import { shown, type Shown } from '../figures/page';
import { readTables, type Tables } from '../figures/tables';
import { unsettle } from '../figures/unsettle';
import { expectedWork } from '../figures/work';
import { database, setClock, startAfresh, START } from './help';

test.setTimeout(300_000);
test.beforeAll(async () => {
  await startAfresh();
  const db = database();
  try {
    await unsettle(db);
  } finally {
    await db.destroy();
  }
});

async function enter(request: APIRequestContext, who: string) {
  const entered = await request.post('/sign-in/enter', {
    form: { email: emailOf(who), password: DEMO_PASSWORD, to: '/' },
    headers: { 'sec-fetch-site': 'same-origin' },
  });
  expect(entered.ok()).toBe(true);
}

/** What is wrong on one student's pages at a moment; the rooms of some discussions are looked into. */
async function wrongFor(
  see: (path: string) => Promise<Shown>,
  who: string,
  now: Instant,
  t: Tables,
  only: (d: Expected) => boolean,
) {
  const person = t.people.find((p) => p.name === who);
  if (!person) throw new Error(`${who} is not in the demo`);
  const all = expectedFor(t, person.id, now);
  const work = expectedWork(t, person.id, all, now);
  const wrong = new Wrong(who);
  await checkPages({ zone: person.time_zone, all, work, now, see, wrong }, all.filter(only));
  return wrong.found;
}

/** Whose screens are looked at; the figures themselves are checked for everybody against the rows, without a browser. */
const WHOSE = ['Imani Okoro', 'Noor Vasquez', 'Anselm Quaye'];

for (const { name, at, only } of [
  { name: 'in the middle of week 6', at: START, only: () => true },
  // What closed before the first moment stands as it stood then.
  {
    name: 'in the last hours of the week',
    at: Date.UTC(2026, 9, 18, 20, 30),
    only: (d: Expected) => d.schedule.closes > START,
  },
]) {
  for (const who of WHOSE) {
    test(`every figure on the screens is what the rows say, ${name}, for ${who}`, async ({
      page,
      playwright,
      baseURL,
    }) => {
      const db = database();
      try {
        const tables = await readTables(db);
        await setClock(at);
        const request = await playwright.request.newContext({ baseURL });
        await enter(request, who);
        const see = (path: string) => shown(page, request, path);
        expect(await wrongFor(see, who, instant(at + 1_000), tables, only)).toEqual([]);
        await request.dispose();
      } finally {
        await setClock(START);
        await db.destroy();
      }
    });
  }
}
