import { groupBy } from '@/core/group';
import { owes, type CourseId, type DiscussionId, type PersonId, type Role } from '@/core/ids';
import { ask } from '@/db/ask';
import type { Db } from '@/db/connection';
import { moreHoursIn, somebodyIn } from '@/db/queries/class';
import { discussionsOf, type DiscussionRecord } from '@/db/queries/discussions';
import { postsIn } from '@/db/queries/own-posts';
import { accountOf, type Account } from '../access/enter';
import type { Deps } from '../deps';
import { ownOf, recordFor } from '../desk/as-student';

/** A discussion as a job finds it, by its staff's eyes; null where it is not there (any more). */
export async function discussionFor(
  db: Db,
  course: CourseId,
  discussion: DiscussionId,
): Promise<DiscussionRecord | null> {
  const somebody = await somebodyIn(db, course);
  if (!somebody) return null;
  const [discussions, questions] = [
    await ask(discussionsOf(db, somebody, { course })),
    await ask(discussionsOf(db, somebody, { course, asks: true })),
  ];
  return [...discussions, ...questions].find((d) => d.id === discussion) ?? null;
}

/** A discussion as each student of its class meets it: extensions, excusals, hours and parts are theirs. */
export async function recordsIn(
  db: Db,
  record: DiscussionRecord,
): Promise<(student: PersonId) => DiscussionRecord> {
  const hours = await moreHoursIn(db, record.course.id);
  const own = await ownOf(db, record.course);
  return (id) => recordFor(record, { id, moreHours: hours.get(id) ?? 0 }, own);
}

/** The account of each of these students in a discussion, by the ledger and the seal that count for themselves. */
export async function accountsIn(
  { now }: Pick<Deps, 'now'>,
  db: Db,
  record: DiscussionRecord,
  students: readonly PersonId[],
): Promise<(student: PersonId) => { record: DiscussionRecord; account: Account }> {
  const recordOf = await recordsIn(db, record);
  const posts = groupBy(
    await ask(postsIn(db, { people: [...students], discussions: [record.id] })),
    (p) => p.author,
  );
  return (id) => {
    const theirs = recordOf(id);
    const actor = { id, name: '', timeZone: 'UTC', previousVisit: null };
    return { record: theirs, account: accountOf(theirs, actor, posts.get(id) ?? [], [], now) };
  };
}

/** From which of these people classmates' posts of a discussion are withheld now. */
export async function sealedOut(
  deps: Pick<Deps, 'now'>,
  db: Db,
  record: DiscussionRecord,
  people: readonly { id: PersonId; role: Role }[],
): Promise<ReadonlySet<PersonId>> {
  if (!record.brief.sealed || record.course.outside) return new Set();
  const students = people.filter((p) => owes(p.role)).map((p) => p.id);
  const accountFor = await accountsIn(deps, db, record, students);
  return new Set(students.filter((id) => accountFor(id).account.sealed));
}
