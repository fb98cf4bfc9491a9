import { connect } from '@/db/connection';
import { instant, personId, type Instant } from '@/core/ids';
import { STUDENTS } from '@/standins/world/people';
import { DEMO_START, seedWorld } from '@/standins/world/seed';
import { conversation } from '@/server/discussions/conversation';
import { listDiscussions } from '@/server/discussions/list';
import { yourPart } from '@/server/discussions/your-part';
import { classPage } from '@/server/desk/class';
import { deskPage } from '@/server/desk/discussion';
import { termPage } from '@/server/desk/term';
import { progressPage } from '@/server/progress/progress';
import { howItGoesPage } from '@/server/rhythm/how-it-goes';
import { thisWeek } from '@/server/week/this-week';
import { summarise } from '@/core/counting/summary';
import type { Actor } from '@/server/deps';
import { tallyText } from '@/ui/words/status';
import { createDatabase, withDatabase } from '../../scripts/lib/database';
import { Wrong } from '../figures/compare';
import { checkGoes } from '../figures/course';
import { expectedFor, type Expected } from '../figures/discussions';
import { markOf, readMarks, type MarkRows } from '../figures/marks';
import { readTables, type Tables } from '../figures/tables';
import { unsettle } from '../figures/unsettle';
import { MIGRATED } from './template';

/*
 * Every figure that a student's screens show, against the rows of the tables, for every student of the demo world. What the
 * screens make of them is looked at in a browser, for some.
 */

let db: ReturnType<typeof connect>;
let tables: Tables;
let marks: MarkRows;
beforeAll(async () => {
  const server = process.env.PULPIT_TEST_DATABASE;
  if (!server) throw new Error('Run these tests with ./pulpit test: they need PostgreSQL.');
  await createDatabase(server, 'test_figures', MIGRATED);
  db = connect(withDatabase(server, 'test_figures'), { poolMax: 4 });
  await seedWorld(db, DEMO_START, null);
  await unsettle(db);
  tables = await readTables(db);
  marks = await readMarks(db);
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
  for (const { text, reach } of part.ok ? part.value.shared : []) {
    const readers = tables.reads.filter(
      (r) => r.post_id === text.id && isClassmate(r.person_id, actor.id, d),
    );
    wrong.same(
      [reach.readBy, reach.replies],
      [
        readers.length >= 5 ? readers.length : null,
        tables.posts.filter(
          (p) =>
            p.parent_id === text.id &&
            p.withdrawn_at === null &&
            p.hidden_at === null &&
            p.private_to === null,
        ).length,
      ],
      `${about}: what came of #${text.id}`,
    );
  }
}

const isClassmate = (person: string, own: string, d: Expected): boolean => {
  const course = tables.discussions.find((x) => x.slug === d.slug)?.course_id;
  return (
    person !== own &&
    tables.enrolments.some((e) => e.person_id === person && e.course_id === course && e.role === 'student')
  );
};

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
    await checkProgress(actor, now, all, wrong);
    for (const d of all.filter(only)) await checkConversations(actor, now, d, wrong);
    found.push(...wrong.found);
  }
  expect(STUDENTS.length).toBeGreaterThan(20);
  expect(found.slice(0, 20)).toEqual([]);
});

/** Words of the newest texts of what somebody shared in a discussion and all may read. */
function wordsIn(slug: string, person: string): number {
  const discussion = tables.discussions.find((d) => d.slug === slug);
  return tables.posts
    .filter(
      (p) =>
        p.discussion_id === discussion?.id &&
        p.author_id === person &&
        p.withdrawn_at === null &&
        p.hidden_at === null,
    )
    .reduce((sum, p) => {
      const texts = tables.post_versions.filter((v) => v.post_id === p.id);
      return sum + (texts.sort((a, b) => a.n - b.n).at(-1)?.own_words ?? 0);
    }, 0);
}

/** What Progress says of each course, against the rows of the marks. */
async function checkProgress(actor: Actor, now: Instant, all: Expected[], wrong: Wrong) {
  const page = await progressPage({ db, now }, actor);
  const mine = marks.released.filter((m) => m.person_id === actor.id);
  for (const course of page.courses) {
    const sum = { points: 0, of: 0 };
    for (const cell of course.cells) {
      const d = all.find((x) => x.slug === cell.slug);
      const row = mine.find((m) => m.slug === cell.slug);
      wrong.same(tallyText(cell.balance), d && tallyText(d.ledger), `${cell.slug}: tally on Progress`);
      wrong.same(cell.mark !== null, row !== undefined, `${cell.slug}: marked`);
      wrong.same(cell.words, wordsIn(cell.slug, actor.id), `${cell.slug}: words shared`);
      const expected = row ? markOf(row) : null;
      wrong.same(cell.mark?.points ?? null, expected?.points ?? null, `${cell.slug}: points`);
      wrong.same(cell.mark?.verdict ?? null, row?.verdict ?? null, `${cell.slug}: verdict`);
      sum.points += expected?.points ?? 0;
      sum.of += expected?.of ?? 0;
    }
    const { points, of, percent } = course.standing;
    wrong.same([points, of], [Math.round(sum.points * 100) / 100, sum.of], `${course.code}: all points`);
    wrong.same(
      percent,
      sum.of ? Math.round((sum.points / sum.of) * 1_000) / 10 : null,
      `${course.code}: share of the points`,
    );
    // What was lost by one thing is part of what was lost.
    if (course.cost)
      wrong.same(course.cost.lost, Math.round((sum.of - sum.points) * 100) / 100, `${course.code}: lost`);
  }
}

/** What the desk says of a course, against what is so of each of its students. */
async function checkDesk(staff: string, slug: string, now: Instant, wrong: Wrong) {
  const actor = actorOf(staff);
  const page = await classPage({ db, now }, actor, slug, { page: 1, choose: '' });
  const term = await termPage({ db, now }, actor, slug);
  if (!page.ok || !term.ok) throw new Error(`${staff} has no desk in ${slug}`);
  const students = new Map(
    page.value.students.map(({ id, name }) => [
      name,
      expectedFor(tables, id, now).filter((d) => d.course.slug === slug && d.schedule.opens <= now),
    ]),
  );
  wrong.same(page.value.total, students.size, `${slug}: students`);
  const responded = (d: Expected) =>
    d.shared.some((p) =>
      tables.posts.some(
        (x) => x.id === p.id && x.kind === 'response' && x.withdrawn_at === null && x.hidden_at === null,
      ),
    );
  const sums = (all: Expected[]) => all.map((d) => summarise(d.ledger, now));
  for (const { name, standing } of page.value.students) {
    const all = students.get(name) ?? [];
    const expected = {
      opened: all.length,
      responded: all.filter(responded).length,
      complete: all.filter((d) => d.ledger.complete).length,
      excused: all.filter((d) => d.ledger.obligations.some((o) => o.state === 'excused')).length,
      owed: sums(all).reduce((n, s) => n + s.owedReplies + Number(s.owedResponse), 0),
      missed: sums(all).filter((s) => s.missed > 0).length,
    };
    wrong.same(standing, expected, `${slug}: ${name}`);
  }
  const goes = await howItGoesPage({ db, now }, actor, slug);
  for (const week of goes.ok ? goes.value.weeks : []) {
    const here = [...students.values()].flatMap((all) => all.filter((d) => d.slug === week.slug));
    checkGoes(week, here, tables, marks, wrong);
  }
  const [someone = []] = students.values();
  const last = someone.at(-1)?.slug;
  for (const line of term.value.weeks.flatMap((w) => w.discussions)) {
    const d = someone.find((x) => x.slug === line.slug);
    if (d) wrong.same(line.responses, d.responses, `${line.slug}: responses`);
    const here = (rows: { slug: string }[]) => rows.filter((m) => m.slug === line.slug).length;
    wrong.same(
      [line.marked, line.released],
      [here(marks.written), here(marks.released)],
      `${line.slug}: marks`,
    );
    const made = await deskPage({ db, now }, actor, slug, line.slug);
    if (!made.ok) throw new Error(`${line.slug} is not on the desk`);
    if (!d) continue;
    // The strip above the sheet says the same of what is open as the discussion's own page.
    const told = (kind: 'silent' | 'unanswered' | 'unmarked') =>
      term.value.needs.flatMap((n) => (n.kind === kind && n.slug === line.slug ? [n.n] : []))[0] ?? 0;
    if (now >= d.schedule.closes)
      wrong.same(told('unmarked'), unmarkedIn(line.slug), `${line.slug}: waiting for a mark`);
    if (now < d.schedule.closes) {
      wrong.same(told('silent'), made.value.silent.length, `${line.slug}: silent, above the sheet`);
      wrong.same(told('unanswered'), made.value.unanswered, `${line.slug}: unanswered, above the sheet`);
    }
    wrong.same(
      made.value.silent.map((s) => s.name).toSorted(),
      [...students]
        .filter(([, all]) => all.some((x) => x.slug === line.slug && !responded(x) && !isExcused(x)))
        .map(([name]) => name)
        .toSorted(),
      `${line.slug}: who has shared no response`,
    );
    // The same are chosen where one goes from there to write to them; once is enough.
    if (line.slug !== last) continue;
    const chosen = await classPage({ db, now }, actor, slug, { page: 1, choose: line.slug });
    wrong.same(
      chosen.ok && chosen.value.chosen.length,
      made.value.silent.length,
      `${line.slug}: to whom one writes`,
    );
  }
}
/** Students who have shared something in a discussion and of whose mark nothing is written. */
function unmarkedIn(slug: string): number {
  const discussion = tables.discussions.find((d) => d.slug === slug);
  const students = new Set(
    tables.enrolments
      .filter((e) => e.role === 'student' && e.course_id === discussion?.course_id)
      .map((e) => e.person_id),
  );
  const written = new Set(marks.written.filter((m) => m.slug === slug).map((m) => m.person_id));
  return new Set(
    tables.posts
      .filter((p) => p.discussion_id === discussion?.id && p.withdrawn_at === null)
      .map((p) => p.author_id)
      .filter((id) => students.has(id) && !written.has(id)),
  ).size;
}
const isExcused = (d: Expected) => d.ledger.obligations.some((o) => o.state === 'excused');

it.each([
  ['in the middle of week 6', DEMO_START],
  // Some have more hours than the rest, and only they still owe what the rest have missed.
  ['the day after the response was due', instant(Date.UTC(2026, 9, 16, 12))],
])('every figure of the desks is what the rows say, %s', async (_, now) => {
  const wrong = new Wrong('the desk');
  for (const [staff, slug] of [
    ['Dr. Maren Holt', 'geo-115'],
    ['Odile Marchetti', 'snd-130'],
  ] as const)
    await checkDesk(staff, slug, now, wrong);
  expect(wrong.found.slice(0, 20)).toEqual([]);
});
