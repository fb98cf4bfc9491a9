import { summarise } from '@/core/counting/summary';
import { resolveSchedule } from '@/core/deadlines/schedule';
import type { Instant, PersonId } from '@/core/ids';
import { remindersOf, type Reminder } from '@/core/notices/reminders';
import { paceOf } from '@/core/planning/pace';
import { sumOfWork } from '@/core/planning/work';
import { ask, askTogether } from '@/db/ask';
import type { Db } from '@/db/connection';
import { everybodyIn, somebodyIn } from '@/db/queries/class';
import { coursesToRemind, remindedIn } from '@/db/queries/deliveries';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { draftsOf } from '@/db/queries/drafts';
import { listeningOf, type Listening } from '@/db/queries/notice-rules';
import { wordsToRead, workHistory } from '@/db/queries/planning';
import type { Account } from '../access/enter';
import type { Deps } from '../deps';
import { assignmentsIn } from '../planning/assignments';
import { accountsIn, recordsIn } from './class';
import { tell, type Telling } from './tell';

/** A reminder that could not be given for so long is not given any more: the next one will be. */
const STALE_MS = 2 * 3_600_000;

const keyOf = (record: DiscussionRecord, r: Reminder) =>
  `deadline ${record.id} ${r.of} ${r.minutes} ${r.due}`;

/** Whether what a reminder is about is still owed. */
function isOwed(account: Account, of: Reminder['of'], now: Instant): boolean {
  if (!account.ledger) return false;
  const { owedResponse, owedReplies } = summarise(account.ledger, now);
  return of === 'response' ? owedResponse : owedReplies > 0;
}

/** What somebody owes, how long it is likely to take them, and the one next step. */
async function owedBy(
  db: Db,
  person: PersonId,
  found: { record: DiscussionRecord; account: Account },
  now: Instant,
) {
  const { record, account } = found;
  const read = await askTogether(db, {
    drafts: draftsOf(db, person, [record.id]),
    toRead: wordsToRead(db, person),
    history: workHistory(db, person),
  });
  const pace = paceOf(read.history.writing, read.history.reading);
  const assignments = assignmentsIn({ record, account, drafts: read.drafts, unread: read.toRead }, pace, now);
  const draft = read.drafts.find((d) => d.kind === 'response');
  const words = draft?.checks.find((c) => c.id === 'words');
  const summary = account.ledger && summarise(account.ledger, now);
  const shared = account.ledger?.obligations.some((o) => o.kind === 'response' && o.post !== null) ?? false;
  const step = !summary?.owedResponse
    ? read.drafts.some((d) => d.kind === 'reply')
      ? 'reply-draft'
      : 'choose'
    : shared
      ? 'mend'
      : draft
        ? 'go-on'
        : 'begin';
  return {
    // To five minutes: it is a guess.
    minutes: Math.max(5, Math.round(sumOfWork(assignments.map((a) => a.work)).likely / 5) * 5),
    have: words?.have ?? 0,
    need: record.brief.response.words?.min ?? 0,
    replies: summary?.owedReplies ?? 0,
    step,
  };
}

/** The reminders that are to be given just now by these dates and rules: of several that are past, the nearest says it all. */
function nearBy(
  timetable: DiscussionRecord['timetable'],
  { rules, zone }: Listening,
  now: Instant,
): Reminder[] {
  const { response, replies, opens } = resolveSchedule(timetable);
  const past = remindersOf(
    [
      { of: 'response', due: response.due },
      { of: 'replies', due: replies.due },
    ],
    opens,
    rules,
    zone,
  ).filter((r) => r.at <= now && r.at > now - STALE_MS && now < r.due);
  return (['response', 'replies'] as const).flatMap((of) => past.filter((r) => r.of === of).slice(-1));
}

async function remindIn(deps: Pick<Deps, 'now'>, db: Db, record: DiscussionRecord, students: PersonId[]) {
  const { now } = deps;
  const listening = await listeningOf(db, students);
  const recordOf = await recordsIn(db, record);
  // By the dates alone: hardly any minute is anybody's. Nearly all of a class have the same dates and rules: worked out once.
  const known = new Map<string, Reminder[]>();
  const near = students.flatMap((person) => {
    const how = listening.get(person);
    if (!how) return [];
    const { timetable } = recordOf(person);
    const same = JSON.stringify([timetable, how]);
    const reminders = known.get(same) ?? nearBy(timetable, how, now);
    known.set(same, reminders);
    return reminders.map((reminder) => ({ person, reminder }));
  });
  if (near.length === 0) return 0;
  const told = await remindedIn(
    db,
    record.course.id,
    near.map((n) => keyOf(record, n.reminder)),
  );
  // Whoever was reminded of it is asked nothing more of, for as long as it is near.
  const fresh = near.filter((n) => !told.has(`${n.person} ${keyOf(record, n.reminder)}`));
  if (fresh.length === 0) return 0;
  const accountFor = await accountsIn(
    deps,
    db,
    record,
    fresh.map((n) => n.person),
  );
  const due = fresh
    .map(({ person, reminder }) => ({ person, reminder, found: accountFor(person) }))
    .filter(({ reminder, found }) => isOwed(found.account, reminder.of, now));
  const things: Telling[] = [];
  for (const { person, found, reminder } of due) {
    const owed = await owedBy(db, person, found, now);
    things.push({
      course: record.course.id,
      kind: 'deadline',
      key: keyOf(record, reminder),
      topic: `deadline ${record.id} ${reminder.of}`,
      discussion: record.id,
      by: null,
      to: [person],
      about: {
        of: reminder.of,
        due: reminder.due,
        left: reminder.minutes,
        ...owed,
      },
    });
  }
  await tell(db, now, things);
  return things.length;
}

/** Whether any deadline of a discussion is near enough for anybody to be reminded; extensions make it later by weeks at most. */
const isNear = (record: DiscussionRecord, now: Instant) => {
  const { opens, replies } = resolveSchedule(record.timetable);
  return now >= opens && now < replies.closes + 60 * 86_400_000;
};

/**
 * Reminds of deadlines, also of courses that live elsewhere, while something is owed, at the distances each student chose and by the deadlines that are theirs.
 *
 * @returns how many reminders were given
 */
export async function remindDue(deps: Pick<Deps, 'db' | 'now'>): Promise<number> {
  let given = 0;
  for (const { id: course, owner } of await coursesToRemind(deps.db, deps.now)) {
    const somebody = owner ?? (await somebodyIn(deps.db, course));
    if (!somebody) continue;
    const records = await ask(discussionsOf(deps.db, somebody, { course, around: deps.now }));
    // Of a course that lives elsewhere only its owner is here: classmates are names.
    const students = owner
      ? [owner]
      : (await everybodyIn(deps.db, course)).filter((p) => p.role === 'student').map((p) => p.id);
    for (const record of records.filter((r) => isNear(r, deps.now)))
      given += await deps.db.transaction((tx) => remindIn(deps, tx, record, students));
  }
  return given;
}
