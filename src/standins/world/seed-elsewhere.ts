import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { instant, type Instant } from '@/core/ids';
import type { Actor, Deps } from '@/server/deps';
import { followSaid } from '@/server/calendar/followed';
import { takeIn } from '@/server/outside/take-in';

const HOUR_MS = 3_600_000;

/** What the calendar of another college says: one discussion's two days, and a test. */
const CALENDAR = [
  { title: 'Discussion 6: The last ferry - first post [HIS 150]', wall: '2026-10-16T20:00' },
  { title: 'Test 2 [HIS 150]', wall: '2026-10-17T10:00' },
  { title: 'Discussion 6: The last ferry - replies [HIS 150]', wall: '2026-10-19T20:00' },
];

/**
 * What one student has of other colleges: the page of a discussion that was saved this morning and a syllabus, neither looked through yet, and a calendar that is
 * followed.
 */
export async function addElsewhere(db: Deps['db'], now: Instant, actor: (name: string) => Actor) {
  const imani = actor('Imani Okoro');
  for (const [name, hours] of [
    ['choirs.md', 26],
    ['closed-shops.html', 2],
  ] as const) {
    const bytes = readFileSync(join(process.cwd(), 'src/standins/world/elsewhere', name));
    const given = { text: '', html: '', files: [{ name, bytes, cut: false }] };
    const taken = await takeIn({ db, now: instant(now - hours * HOUR_MS) }, imani, given);
    if (!taken.ok) throw new Error(`${name}: ${taken.failure.code}`);
  }
  await followSaid({ db, now }, imani, {
    name: 'Small Towns',
    dates: CALENDAR,
    addedAt: instant(now - 50 * 24 * HOUR_MS),
    readAt: instant(now - HOUR_MS),
  });
}
