import { randomUUID } from 'node:crypto';
import type { LeavingPage } from '@/contract/account';
import { isStaff, personId, type CourseId, type DiscussionId, type PersonId } from '@/core/ids';
import { fail, ok, type Result } from '@/core/result';
import type { Db } from '@/db/connection';
import { account, heldStewards } from '@/db/queries/accounts';
import { enrolmentsOf } from '@/db/queries/enrolments';
import { contentIsHeld, deleteFile, lockContent } from '@/db/queries/files';
import {
  beginForgetting,
  coursesToLeave,
  deletePerson,
  discussionsOfCourse,
  dropByAddress,
  dropEarlierVersions,
  dueToForget,
  emptyPosts,
  emptyReports,
  endEnrolment,
  filesOf,
  giveTo,
  insertFormer,
  leaversOf,
  leaveNotes,
  leavesSomething,
  postsLeft,
  relearnWords,
  type LeftCourse,
  type LeftFile,
} from '@/db/queries/leaving';
import { pictureOf } from '@/db/queries/pictures';
import { deleteOutsideDiscussion } from '@/db/queries/outside';
import type { Actor, Deps } from '../deps';
import type { FileStore } from '../files/store';

type WithFiles = Pick<Deps, 'db' | 'now'> & { files: FileStore };

const nameOf = (courses: readonly LeftCourse[]) =>
  courses.some((c) => isStaff(c.role)) ? 'A former member of staff' : 'A former student';

/** Makes, when it is first needed, who is left what stays: one for each who leaves, so that two are still two. */
function formerOf(tx: Db, deps: WithFiles, name: string, zone: string): () => Promise<PersonId> {
  let made: Promise<PersonId> | null = null;
  return () =>
    (made ??= (async () => {
      const id = personId(randomUUID());
      await insertFormer(tx, { id, name, zone, now: deps.now });
      return id;
    })());
}

/** Leaves one course: what stays is given to somebody without a name, and the rest goes with the enrolment. */
async function leaveOne(
  tx: Db,
  deps: WithFiles,
  person: PersonId,
  course: LeftCourse,
  former: () => Promise<PersonId>,
): Promise<LeftFile[]> {
  const stays = course.leavers === 'stay';
  const { standing, gone } = await postsLeft(tx, course.id, person);
  await emptyPosts(tx, stays ? gone : [...standing, ...gone], deps.now);
  if (stays) await dropEarlierVersions(tx, standing);
  await leaveNotes(tx, course.id, person, stays, deps.now);
  await emptyReports(tx, course.id, person);
  if (await leavesSomething(tx, course.id, person))
    await giveTo(tx, course.id, { from: person, to: await former(), role: course.role });
  const files = await filesOf(tx, person, course.id);
  await endEnrolment(tx, course.id, person);
  return files;
}

/** A content that nothing has any more goes from the store. */
async function dropContent(tx: Db, deps: WithFiles, sum: string) {
  if (!(await contentIsHeld(tx, sum))) await deps.files.remove(sum);
}

/** Files go, and with them the contents that nothing else has. */
async function dropContents(tx: Db, deps: WithFiles, files: readonly LeftFile[]) {
  for (const { id, sha256, poster } of files) {
    const sums = [sha256, poster].filter((sum) => sum !== null);
    for (const sum of sums) await lockContent(tx, sum);
    await deleteFile(tx, id);
    for (const sum of sums) await dropContent(tx, deps, sum);
    if (sha256 === null) await deps.files.drop(id);
  }
}

/**
 * Leaves a course. What one shared stays with the class without one's name, or is withdrawn where the course says so; drafts, notes, marks
 * and everything else of one's own there is erased. It cannot be taken back.
 */
export async function leaveCourse(
  deps: WithFiles,
  actor: Actor,
  course: CourseId,
): Promise<Result<null, { code: 'not-found' } | { code: 'demo' }>> {
  return deps.db.transaction(async (tx) => {
    const self = await account(tx, actor.id);
    const shared = (await enrolmentsOf(tx, actor.id)).some((c) => c.id === course && c.posts > 0);
    // Everybody may enter as one of the demo's people: what they shared is everybody's.
    if (self?.demo && shared) return fail({ code: 'demo' as const });
    const found = (await coursesToLeave(tx, actor.id)).find((c) => c.id === course && !c.own);
    if (!found) return fail({ code: 'not-found' as const });
    await beginForgetting(tx);
    const former = formerOf(tx, deps, nameOf([found]), actor.timeZone);
    const files = await leaveOne(tx, deps, actor.id, found, former);
    await relearnWords(tx);
    await dropContents(tx, deps, files);
    return ok(null);
  });
}

/** What leaving a course means, before it is done. */
export async function leavingPage(
  deps: Pick<Deps, 'db'>,
  actor: Actor,
  course: CourseId,
): Promise<Result<LeavingPage, { code: 'not-found' }>> {
  const found = (await enrolmentsOf(deps.db, actor.id)).find((c) => c.id === course);
  if (!found) return fail({ code: 'not-found' });
  const { id, code, title, posts } = found;
  return ok({ id, code, title, posts, leavers: await leaversOf(deps.db, course) });
}

/** Courses of one's own, which nobody else is in, go whole. */
async function dropOwnCourse(tx: Db, person: PersonId, course: CourseId): Promise<LeftFile[]> {
  const files = await filesOf(tx, person, course);
  for (const discussion of await discussionsOfCourse(tx, course))
    await deleteOutsideDiscussion(tx, course, discussion as DiscussionId);
  return files;
}

/**
 * Forgets a person: their name, address, ways in, drafts, notes, sources, marks, files, and every text of theirs that the class does not
 * read. What stands in courses stays without a name, or is withdrawn and emptied where the course says so. The last steward is not forgotten.
 */
export async function forget(
  deps: WithFiles,
  person: PersonId,
): Promise<Result<null, { code: 'not-found' } | { code: 'last-steward' }>> {
  return deps.db.transaction(async (tx) => {
    const stewards = await heldStewards(tx);
    const self = await account(tx, person);
    if (!self) return fail({ code: 'not-found' as const });
    if (stewards.length === 1 && stewards[0] === person) return fail({ code: 'last-steward' as const });
    await beginForgetting(tx);
    const courses = await coursesToLeave(tx, person);
    const former = formerOf(tx, deps, nameOf(courses), self.timeZone);
    const files: LeftFile[] = [];
    for (const course of courses)
      files.push(
        ...(course.own
          ? await dropOwnCourse(tx, person, course.id)
          : await leaveOne(tx, deps, person, course, former)),
      );
    const picture = await pictureOf(tx, person);
    await dropByAddress(tx, person, self.email);
    await deletePerson(tx, person);
    await relearnWords(tx);
    // Last, for nothing brings a content back.
    await dropContents(tx, deps, files);
    if (picture) await dropContent(tx, deps, picture);
    return ok(null);
  });
}

/** Forgets whoever ended their account so long ago that they were told it would be by now. */
export async function forgetDue(deps: WithFiles): Promise<number> {
  const due = await dueToForget(deps.db, deps.now);
  for (const person of due) await forget(deps, person);
  return due.length;
}
