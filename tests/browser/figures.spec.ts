import { expect, test, type APIRequestContext, type Page } from '@playwright/test';
import { discussionEntries } from '@/core/calendar/entries';
import { summarise } from '@/core/counting/summary';
import { instant, type Instant } from '@/core/ids';
import { needsMe } from '@/core/week/needs';
import { owedAcross } from '@/core/week/owed';
import { DEMO_PASSWORD, emailOf, STUDENTS } from '@/standins/world/people';
import { entryKind, entryStanding } from '@/ui/words/calendar';
import { stateName } from '@/ui/words/states';
import { tallyText } from '@/ui/words/standing';
import { database, setClock, startAfresh, START } from './help';
import { expectedFor, readTables, type Expected } from './rows';

test.beforeAll(() => startAfresh());
test.setTimeout(420_000);

/** What a page shows, taken from its markup: the lines of discussions with their tally and their words. */
type Shown = { heading: string; lines: { title: string; tally: string; text: string }[]; text: string };

async function shown(page: Page, request: APIRequestContext, path: string): Promise<Shown> {
  const answer = await request.get(path);
  expect(answer.status(), path).toBe(200);
  return page.evaluate(
    (html) => {
      const doc = new DOMParser().parseFromString(html, 'text/html');
      const main = doc.querySelector('main');
      // Pieces that stand beside each other on the screen are parted here too.
      const words = (e: Element | null) => {
        if (!e) return '';
        const walker = doc.createTreeWalker(e, NodeFilter.SHOW_TEXT);
        const pieces: string[] = [];
        while (walker.nextNode()) pieces.push(walker.currentNode.textContent ?? '');
        return pieces.join(' ').replace(/\s+/gu, ' ').trim();
      };
      return {
        heading: words(doc.querySelector('h1')),
        text: words(main),
        lines: [...(main?.querySelectorAll('li') ?? [])]
          .filter((li) => li.querySelector('h2 a, h3 a') && !li.querySelector('li'))
          .map((li) => ({
            title: words(li.querySelector('h2 a, h3 a')),
            tally: li.querySelector('[role=img]')?.getAttribute('aria-label') ?? '',
            text: words(li),
          })),
      };
    },
    await answer.text(),
  );
}

const plural = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

function owedSentence(all: Expected[], now: Instant): string {
  const owed = owedAcross(all.filter((d) => now >= d.schedule.opens).map((d) => ({ ledger: d.ledger, now })));
  const things = [
    ...(owed.responses ? [plural(owed.responses, 'response', 'responses')] : []),
    ...(owed.replies ? [plural(owed.replies, 'reply', 'replies')] : []),
  ];
  return things.length ? `You owe ${things.join(' and ')} before` : 'You owe nothing this week.';
}

function checkLine(line: Shown['lines'][number], d: Expected, who: string) {
  const about = `${who}, ${d.title}`;
  expect(line.tally, about).toBe(tallyText(d.ledger));
  expect(line.text.includes(stateName(d.state)), `${about}: ${stateName(d.state)} in “${line.text}”`).toBe(
    true,
  );
  const unread = /(\d+) unread/u.exec(line.text)?.[1] ?? '0';
  expect(Number(unread), `${about}: unread`).toBe(d.unread);
  const replies = /(\d+) repl(?:y|ies) to you/u.exec(line.text)?.[1] ?? '0';
  expect(Number(replies), `${about}: replies`).toBe(d.unreadReplies);
}

async function checkStudent(
  page: Page,
  request: APIRequestContext,
  who: string,
  all: Expected[],
  now: Instant,
) {
  const week = await shown(page, request, '/');
  expect(week.heading, who).toContain(owedSentence(all, now));
  for (const line of week.lines) {
    const d = all.find((x) => x.title === line.title);
    if (d) expect(line.tally, `${who}, ${d.title}`).toBe(tallyText(d.ledger));
  }
  for (const d of all.filter((x) => x.unread > 0 && week.lines.some((l) => l.title === x.title))) {
    expect(week.text, `${who}, ${d.title}`).toContain(plural(d.unread, 'unread post', 'unread posts'));
  }

  const list = await shown(page, request, '/discussions');
  expect(list.lines).toHaveLength(all.length);
  for (const d of all) {
    const line = list.lines.find((l) => l.title === d.title);
    if (!line) throw new Error(`${who} does not see ${d.title}`);
    checkLine(line, d, who);
  }
  const needed = all.filter((d) =>
    needsMe({ state: d.state, summary: summarise(d.ledger, now), unreadReplies: d.unreadReplies }),
  );
  expect(list.text, who).toContain(`Needs me ${needed.length}`);
  expect(list.text, who).toContain(`Any ${all.length}`);

  const agenda = await shown(page, request, '/calendar?view=agenda&day=2026-10-05');
  const entries = all.flatMap((d) =>
    discussionEntries(d.schedule, d.ledger, d.ledger.obligations.length - 1, now).map((e) => ({
      ...e,
      title: d.title,
    })),
  );
  const within = entries.filter((e) => e.at >= Date.UTC(2026, 9, 4, 23) && e.at < Date.UTC(2026, 10, 2));
  expect(within.length).toBeGreaterThan(8);
  for (const e of within) {
    const said = `${entryKind(e)}${e.extended ? ' (extended for you)' : ''}${e.title}`;
    expect(agenda.text.replace(/\s/gu, ''), `${who}: ${said}`).toContain(`${said}`.replace(/\s/gu, ''));
    const standing = entryStanding(e);
    if (standing) expect(agenda.text, `${who}: ${said}`).toContain(standing);
  }
}

for (const [name, at] of [
  ['in the middle of week 6', START],
  ['in the last hours of the week', Date.UTC(2026, 9, 18, 20, 30)],
] as const) {
  test(`for every student of the demo, ${name}, every figure on the screens is what the rows say`, async ({
    page,
    playwright,
    baseURL,
  }) => {
    const db = database();
    try {
      await setClock(at);
      const tables = await readTables(db);
      for (const who of STUDENTS) {
        const request = await playwright.request.newContext({ baseURL });
        const entered = await request.post('/sign-in/enter', {
          form: { email: emailOf(who), password: DEMO_PASSWORD, to: '/' },
          headers: { 'sec-fetch-site': 'same-origin' },
        });
        expect(entered.ok()).toBe(true);
        const person = tables.people.find((p) => p.name === who);
        // The clock runs on from where it was set; no deadline of the demo lies in these minutes.
        await checkStudent(
          page,
          request,
          who,
          expectedFor(tables, person?.id ?? '', instant(at + 60_000)),
          instant(at + 60_000),
        );
        await request.dispose();
      }
    } finally {
      await setClock(START);
      await db.destroy();
    }
  });
}
