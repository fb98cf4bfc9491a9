import type { PlannedAssignment } from '@/contract/calendar';
import { instant, type Instant } from '@/core/ids';
import { groupBy } from '@/core/group';
import { planOrSay, type BusyTime, type Planned } from '@/core/planning/cannot';
import { nights, type Habits } from '@/core/planning/habits';
import { paceOf, type Pace } from '@/core/planning/pace';
import { sumOfWork, type Work } from '@/core/planning/work';
import { askTogether } from '@/db/ask';
import { draftsOf } from '@/db/queries/drafts';
import { discussionsOf } from '@/db/queries/discussions';
import { ownPosts } from '@/db/queries/own-posts';
import { busyTimes, wordsToRead, workHistory } from '@/db/queries/planning';
import { accountOf } from '../access/enter';
import type { Actor, Deps } from '../deps';
import { assignmentsIn } from './assignments';

/** What opens within this time is planned too. */
const AHEAD_MS = 8 * 86_400_000;
/** Nothing that opens by then is due later than this, late days and all. */
const HORIZON_MS = 100 * 86_400_000;

export type PlanView = {
  now: Instant;
  zone: string;
  habits: Habits;
  pace: Pace;
  assignments: PlannedAssignment[];
  work: Work;
  planned: Planned;
  busy: BusyTime[];
};

/**
 * The plan as it is at this moment: nothing of it is stored, so it is made anew after every change: a reply shared, a
 * deadline moved, a shift imported, an hour gone by.
 */
export async function planView(deps: Deps, actor: Actor): Promise<PlanView> {
  const { db, now } = deps;
  const found = await askTogether(db, {
    records: discussionsOf(db, actor.id, { around: now }),
    own: ownPosts(db, actor.id),
    drafts: draftsOf(db, actor.id),
    unread: wordsToRead(db, actor.id),
    history: workHistory(db, actor.id),
    busy: busyTimes(db, actor.id, now, instant(now + HORIZON_MS)),
  });
  const { records, own, drafts, unread, history, busy } = found;
  const { habits } = history;
  const pace = paceOf(history.writing, history.reading);
  const posts = groupBy(own, (p) => p.discussion);
  const begun = groupBy(drafts, (d) => d.discussion);
  const assignments = records.flatMap((record): PlannedAssignment[] => {
    const mine = begun.get(record.id) ?? [];
    const account = accountOf(record, actor, posts.get(record.id) ?? [], mine, now);
    if (account.schedule.opens > now + AHEAD_MS) return [];
    return assignmentsIn({ record, account, drafts: mine, unread }, pace, now).map((a) => ({
      ...a,
      title: record.title,
      course: { code: record.course.code, slug: record.course.slug },
      week: record.week.number,
      zone: record.timetable.zone,
    }));
  });
  const horizon = instant(Math.max(now, ...assignments.map((a) => a.deadline)));
  return {
    now,
    zone: actor.timeZone,
    habits,
    pace,
    assignments,
    work: sumOfWork(assignments.map((a) => a.work)),
    planned: planOrSay({
      now,
      tasks: assignments,
      busy,
      nights: nights(habits, actor.timeZone, now, horizon),
      limits: { sittingMinutes: habits.sittingMinutes, breakMinutes: habits.breakMinutes },
    }),
    busy,
  };
}
