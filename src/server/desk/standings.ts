import type { Standing } from '@/contract/desk';
import { askedBy } from '@/core/brief/part-played';
import { balance } from '@/core/counting/ledger';
import { summarise } from '@/core/counting/summary';
import type { Balance } from '@/core/counting/types';
import { instantOf } from '@/core/deadlines/wallclock';
import { groupBy } from '@/core/group';
import type { PersonId } from '@/core/ids';
import { askTogether } from '@/db/ask';
import { deskFigures } from '@/db/queries/desk';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { postsIn, type OwnPostRecord } from '@/db/queries/own-posts';
import type { EnteredCourse } from '../courses/enter';
import type { Actor, Deps } from '../deps';
import { meetingOf, ownOf, studentAccount, type Met, type StudentAccount } from './as-student';

export const isStandingResponse = (p: OwnPostRecord) => p.kind === 'response' && !p.withdrawn && !p.hidden;

type Student = { id: PersonId; moreHours: number };

/**
 * The accounts of these students in every discussion that is shown and has opened, by their own posts, extensions, excusals, hours and parts.
 * Six questions to the database, however many there are.
 */
export async function accountsOf<S extends Student>(
  deps: Deps,
  actor: Actor,
  course: EnteredCourse,
  students: readonly S[],
  /** Where they are all there are: nothing is asked by name then. */
  who: 'some' | 'everybody' = 'some',
) {
  const ids = students.map((s) => s.id);
  const [figures, own, { records, posts }] = await Promise.all([
    deskFigures(deps.db, course.id),
    ownOf(deps.db, course, who === 'some' ? students : undefined),
    askTogether(deps.db, {
      records: discussionsOf(deps.db, actor.id, { course: course.id }),
      posts: postsIn(deps.db, { course: course.id, ...(who === 'some' ? { people: ids } : {}) }),
    }),
  ]);
  const shown = records.filter((r) => figures.get(r.id)?.shown);
  // In what has not opened nobody has done anything, and nothing is owed.
  const opened = shown.filter((r) => instantOf(r.timetable.opens, r.timetable.zone) <= deps.now);
  const by = groupBy(posts, (p) => p.author);
  const meetings = opened.map((r) => [r.id, meetingOf(r, own)] as const);
  // Whoever has shared nothing stands as everybody does who meets the discussion alike and has shared nothing either.
  const untouched = new Map<Met, StudentAccount<Balance>>();
  const untouchedIn = (met: Met, student: PersonId) => {
    const found = untouched.get(met) ?? studentAccount(balance, met, student, [], deps.now);
    untouched.set(met, found);
    return found;
  };
  const of = (student: S): StudentAccount<Balance>[] => {
    const shared = groupBy(by.get(student.id) ?? [], (p) => p.discussion);
    return meetings.map(([id, meets]) => {
      const theirs = shared.get(id);
      const met = meets(student);
      return theirs
        ? studentAccount(balance, met, student.id, theirs, deps.now)
        : untouchedIn(met, student.id);
    });
  };
  const each = students.map((student) => ({ student, accounts: of(student) }));
  return { shown, each, by, posts, isExcused: own.isExcused };
}

/** How each of these students stands. */
export async function standingsOf<S extends Student>(
  deps: Deps,
  actor: Actor,
  course: EnteredCourse,
  students: readonly S[],
): Promise<{
  standings: Map<PersonId, Standing>;
  discussions: DiscussionRecord[];
  /** Of these students, who owes a response in a discussion and has none that stands in it. */
  silentIn: (discussion: DiscussionRecord) => PersonId[];
  /** What it was made of. */
  each: { student: S; accounts: StudentAccount<Balance>[] }[];
}> {
  const ids = students.map((s) => s.id);
  const { shown, each, by, isExcused } = await accountsOf(deps, actor, course, students);
  const standing = (accounts: readonly StudentAccount<Balance>[]): Standing => {
    const all: Standing = { opened: 0, responded: 0, complete: 0, excused: 0, owed: 0, missed: 0 };
    for (const { record, ledger, own } of accounts) {
      const summary = summarise(ledger, deps.now);
      all.opened += 1;
      if (record.excused) all.excused += 1;
      if (own.some(isStandingResponse)) all.responded += 1;
      if (ledger.complete) all.complete += 1;
      all.owed += summary.owedReplies + (summary.owedResponse ? 1 : 0);
      if (summary.missed) all.missed += 1;
    }
    return all;
  };
  const silentIn = ({ id, brief }: DiscussionRecord) =>
    (askedBy(brief).response ? ids : []).filter(
      (person) =>
        !(by.get(person) ?? []).some((p) => p.discussion === id && isStandingResponse(p)) &&
        !isExcused({ discussion: id, person }),
    );
  const standings = new Map(each.map(({ student, accounts }) => [student.id, standing(accounts)]));
  return { standings, discussions: shown, silentIn, each };
}
