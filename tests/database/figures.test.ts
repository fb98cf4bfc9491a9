import { connect } from '@/db/connection';
import { instant, personId, type Instant } from '@/core/ids';
import { STUDENTS } from '@/standins/world/people';
import { DEMO_START, seedWorld } from '@/standins/world/seed';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { yourPart } from '@/server/discussions/your-part';
import { thisWeek } from '@/server/week/this-week';
import type { Actor } from '@/server/deps';
import { tallyText } from '@/ui/words/status';
import { createDatabase, withDatabase } from '../../scripts/lib/database';
import { Wrong } from '../figures/compare';
import { expectedFor, type Expected } from '../figures/discussions';
import { readTables, type Tables } from '../figures/tables';
import { unsettle } from '../figures/unsettle';
import { MIGRATED } from './template';

/*
 * Every figure that a student's screens show, against the rows of the tables, for every student of the demo world. What the
 * screens make of them is looked at in a browser, for some.
 */

let db: ReturnType<typeof connect>;
let tables: Tables;
beforeAll(async () => {
  const server = process.env.PULPIT_TEST_DATABASE;
  if (!server) throw new Error('Run these tests with ./pulpit test: they need PostgreSQL.');
  await createDatabase(server, 'test_figures', MIGRATED);
  db = connect(withDatabase(server, 'test_figures'), { poolMax: 4 });
  await seedWorld(db, DEMO_START, null);
  await unsettle(db);
  tables = await readTables(db);
});
afterAll(() => db.destroy());

const actorOf = (name: string): Actor => {
  const person = tables.people.find((p) => p.name === name);
  if (!person) throw new Error(`${name} is not in the demo`);
  return { id: personId(person.id), name, timeZone: person.time_zone, previousVisit: null };
};

async function checkLists(actor: Actor, now: Instant, all: Expected[], wrong: Wrong) {
  const week = await thisWeek({ db, now }, actor);
  for (const line of week.lines) {
    const d = all.find((x) => x.slug === line.slug);
    wrong.same(line.ledger && tallyText(line.ledger), d && tallyText(d.ledger), `${line.slug}: tally`);
    wrong.same(line.unread, d?.unread, `${line.slug}: unread`);
  }
  const list = await listDiscussions({ db, now }, actor, {});
  wrong.same(list.counts.all, all.length, 'Discussions');
  for (const line of list.weeks.flatMap((w) => w.lines)) {
    const d = all.find((x) => x.slug === line.slug);
    wrong.same(line.state, d?.state, `${line.slug}: state`);
    wrong.same(line.ledger && tallyText(line.ledger), d && tallyText(d.ledger), `${line.slug}: tally`);
    wrong.same(line.unread, d?.unread, `${line.slug}: unread`);
    wrong.same(line.unreadReplies, d?.unreadReplies, `${line.slug}: unread replies`);
  }
}

async function checkConversations(actor: Actor, now: Instant, d: Expected, wrong: Wrong) {
  const room = await conversation({ db, now }, actor, d.slug, { post: null, filter: 'all', as: 'threads' });
  if (!room.ok) throw new Error(`${d.slug} is not open to ${actor.name}`);
  const { head, lines, counts } = room.value;
  const about = d.slug;
  wrong.same(head.sealed, d.sealed, `${about}: sealed`);
  wrong.same(head.responses, d.responses, `${about}: responses`);
  wrong.same(head.othersResponses, d.others, `${about}: of classmates`);
  const threads = d.sealed ? [] : d.threads;
  const told = lines.map((l) => [l.id, l.replies, l.unread.length, l.mine, l.answered && !l.mine] as const);
  wrong.same(
    told.toSorted(([a], [b]) => a - b),
    threads
      .map((t) => [t.id, t.replies, t.unread, t.mine, t.answered && !t.mine] as const)
      .toSorted(([a], [b]) => a - b),
    `${about}: threads`,
  );
  if (!d.sealed) {
    wrong.same(counts.all, threads.length, `${about}: all`);
    wrong.same(counts.unread, threads.filter((t) => t.unread > 0).length, `${about}: with something unread`);
  }
  const part = await yourPart({ db, now }, actor, d.slug);
  wrong.same(
    part.ok && part.value.shared.map((p) => [p.text.id, p.verdict?.counted ?? false]).sort(),
    d.shared.map((p) => [p.id, p.counted]).sort(),
    `${about}: what counted`,
  );
}

it.each([
  ['in the middle of week 6', DEMO_START, () => true],
  [
    'in the last hours of the week',
    instant(Date.UTC(2026, 9, 18, 20, 30)),
    // What closed before the first moment stands as it stood then.
    (d: Expected) => d.schedule.closes > DEMO_START,
  ],
])('every figure %s is what the rows say, for every student', async (_, now, only) => {
  const found: string[] = [];
  for (const name of STUDENTS) {
    const actor = actorOf(name);
    const all = expectedFor(tables, actor.id, now);
    const wrong = new Wrong(name);
    await checkLists(actor, now, all, wrong);
    for (const d of all.filter(only)) await checkConversations(actor, now, d, wrong);
    found.push(...wrong.found);
  }
  expect(STUDENTS.length).toBeGreaterThan(20);
  expect(found.slice(0, 20)).toEqual([]);
});
