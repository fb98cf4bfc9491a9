import { courseId, type CourseId, type Instant, type PersonId, type Role } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** Within the transaction shared texts and logs may be emptied: they are kept from everything else. */
export const beginForgetting = (tx: Db) => tx.raw(`set local pulpit.forgetting = 'yes'`);

/** Somebody without a name, to whom is left what somebody shared. */
export async function insertFormer(
  tx: Db,
  former: { id: PersonId; name: string; zone: string; now: Instant },
) {
  await tx('people').insert({
    id: former.id,
    name: former.name,
    email: null,
    password_hash: null,
    time_zone: former.zone,
    former_since: timestamptz(former.now),
  });
}

export type LeftCourse = { id: CourseId; role: Role; leavers: 'stay' | 'withdraw'; own: boolean };

/** The courses a person is in, with what becomes of what they leave there; held for the transaction. */
export async function coursesToLeave(tx: Db, person: PersonId): Promise<LeftCourse[]> {
  const rows = await tx('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where('e.person_id', person)
    .forUpdate('e')
    .select('c.id', 'e.role', 'c.leavers', tx.raw('c.owner_id is not null as own'));
  return rows.map((r) => ({ id: courseId(r.id), role: r.role, leavers: r.leavers, own: r.own }));
}

/** Tables of what stays in a course when its writer goes, with the column that says whose it is. */
const LEFT = [
  ['posts', 'author_id'],
  ['posts', 'private_to'],
  ['margin_notes', 'author_id'],
  ['moderation_log', 'person_id'],
  ['marks', 'marker_id'],
  ['marking', 'marker_id'],
  ['comment_answers', 'author_id'],
  ['mark_talk', 'author_id'],
  ['second_readings', 'reader_id'],
  ['announcements', 'author_id'],
  ['recordings', 'speaker_id'],
] as const;

/** Whether anything of somebody stays in a course when they go. */
export async function leavesSomething(tx: Db, course: CourseId, person: PersonId): Promise<boolean> {
  for (const [table, column] of LEFT)
    if (
      await tx(table)
        .where({ course_id: course, [column]: person })
        .first(column)
    )
      return true;
  return false;
}

const EMPTY = JSON.stringify({ type: 'doc', content: [{ type: 'paragraph' }] });

/** Empties the texts of posts, in every version, and takes them out of sight. */
export async function emptyPosts(tx: Db, posts: readonly number[], now: Instant) {
  const ids = [...posts];
  if (ids.length === 0) return;
  await tx('post_files').whereIn('post_id', ids).delete();
  await tx('post_versions')
    .whereIn('post_id', ids)
    .update({
      title: '',
      doc: EMPTY,
      plain: '',
      own_words: 0,
      checks: '[]',
      fingerprint: '0'.repeat(64),
      opening: '',
      named: [],
      pictured: null,
      carries: false,
    });
  await tx('post_texts')
    .whereIn('post_id', ids)
    .update({ title: '', plain: '', own_words: 0, opening: '', named: [], pictured: null, carries: false });
  await tx('posts')
    .whereIn('id', ids)
    .update({
      withdrawn_at: tx.raw('coalesce(withdrawn_at, ?)', [timestamptz(now)]),
      hidden_reason: '',
    });
}

/** What a person shared in a course, under cover as well: what stands, and what was withdrawn or hidden. */
export async function postsLeft(tx: Db, course: CourseId, person: PersonId) {
  const rows: { id: string; stands: boolean }[] = await tx('posts')
    .where({ course_id: course })
    .where((q) =>
      q
        .where('author_id', person)
        .orWhere((own) =>
          own
            .where('author_id', tx('courses').where({ id: course }).select('nobody'))
            .whereIn('thread_id', tx('covers').where({ person_id: person }).select('thread_id')),
        ),
    )
    .select('id', tx.raw('withdrawn_at is null and hidden_at is null as stands'));
  const of = (stands: boolean) => rows.filter((r) => r.stands === stands).map((r) => Number(r.id));
  return { standing: of(true), gone: of(false) };
}

/** Earlier versions of posts that stay go: what the class reads is the newest. */
export async function dropEarlierVersions(tx: Db, posts: readonly number[]) {
  await tx.raw(
    `delete from post_versions v where v.post_id = any(?)
     and v.n < (select max(w.n) from post_versions w where w.post_id = v.post_id)`,
    [[...posts]],
  );
}

/** Margin notes that nobody else reads go, and those that nobody answered where nothing stays; of the rest only that there was one. */
export async function leaveNotes(tx: Db, course: CourseId, person: PersonId, stays: boolean, now: Instant) {
  const own = () => tx('margin_notes').where({ course_id: course, author_id: person });
  const gone = () =>
    own().where((q) => void (stays ? q.whereNot({ audience: 'class' }) : q.whereRaw('true')));
  await gone().update({ body: '', anchor: null, imported_from: null, removed_at: timestamptz(now) });
  // What others answered keeps its place.
  for (let left = 1; left > 0;)
    left = await gone()
      .whereNotExists(
        tx('margin_notes as a')
          .whereRaw('a.parent_id = margin_notes.id and a.course_id = margin_notes.course_id')
          .select(tx.raw('1')),
      )
      .delete();
}

/** What a student reported, in their words, is not kept; that something was reported is. */
export const emptyReports = (tx: Db, course: CourseId, person: PersonId) =>
  tx('moderation_log').where({ course_id: course, person_id: person, act: 'report' }).update({ reason: '' });

/** Gives what stays in a course to somebody without a name, with the files that what stays carries. */
export async function giveTo(
  tx: Db,
  course: CourseId,
  { from, to, role }: { from: PersonId; to: PersonId; role: Role },
) {
  await tx('enrolments').insert({ course_id: course, person_id: to, role });
  // What they were to read a second time and did not is nobody's to wait for.
  await tx('second_readings').where({ course_id: course, reader_id: from }).whereNull('mark').delete();
  for (const [table, column] of LEFT)
    await tx(table)
      .where({ course_id: course, [column]: from })
      .update({ [column]: to });
  await tx('files')
    .where({ course_id: course, owner_id: from })
    .where((q) =>
      q
        .whereExists(tx('post_files').whereRaw('post_files.file_id = files.id').select(tx.raw('1')))
        .orWhereRaw(
          `exists (select 1 from marks t where t.course_id = files.course_id and files.id = any(t.files))`,
        )
        .orWhereRaw(
          `exists (select 1 from readings t where t.course_id = files.course_id and files.id = any(t.files))`,
        )
        .orWhereRaw(
          `exists (select 1 from discussions t where t.course_id = files.course_id and files.id = any(t.files))`,
        ),
    )
    .update({ owner_id: to });
}

/** Takes somebody out of a course with all that is theirs alone there. */
export async function endEnrolment(tx: Db, course: CourseId, person: PersonId) {
  const theirs = { course_id: course, person_id: person };
  // First, for the running figures follow each mark, and go with the enrolment themselves.
  await tx('reads').where(theirs).delete();
  // A table of marks that waits to be taken over names the class.
  await tx('brought_marks').where({ course_id: course }).delete();
  await tx('enrolments').where(theirs).delete();
}

export type LeftFile = { id: string; sha256: string | null; poster: string | null };

/** Files that are still a person's: in one course, or anywhere. */
export const filesOf = (tx: Db, person: PersonId, course?: CourseId): Promise<LeftFile[]> =>
  tx('files')
    .where({ owner_id: person, ...(course ? { course_id: course } : {}) })
    .select(
      'id',
      'sha256',
      tx.raw('(select poster_sha256 from clips c where c.file_id = files.id) as poster'),
    );

export const discussionsOfCourse = (tx: Db, course: CourseId): Promise<string[]> =>
  tx('rooms').where({ course_id: course }).pluck('id');

/** What names an address and belongs to no account goes: invitations, mail, rosters, whatever was tried with it. */
export async function dropByAddress(tx: Db, person: PersonId, email: string) {
  await tx('invitations')
    .where({ accepted_by: person })
    .orWhereRaw('lower(email) = lower(?)', [email])
    .delete();
  await tx('mails')
    .whereRaw('lower(to_address) = lower(?)', [email])
    .orWhereRaw(`about ->> 'person' = ?`, [person])
    .delete();
  await tx('one_time_keys').whereRaw('lower(address) = lower(?)', [email]).delete();
  await tx('rosters')
    .whereRaw('lower(lines::text) like ?', [`%${email.toLowerCase().replace(/[\\%_]/gu, '\\$&')}%`])
    .delete();
}

/** Ends a person's row: everything that is theirs alone goes with it. */
export const deletePerson = (tx: Db, person: PersonId) => tx('people').where({ id: person }).delete();

export const relearnWords = (db: Db) => db.raw('select relearn_words()');

/** Accounts whose owners ended them so long ago that they are forgotten now. */
export const dueToForget = (db: Db, now: Instant): Promise<PersonId[]> =>
  db('people')
    .where('forget_at', '<=', timestamptz(now))
    .whereNotNull('ended_at')
    .orderBy('forget_at')
    .limit(20)
    .pluck('id');

export const leaversOf = async (db: Db, course: CourseId): Promise<'stay' | 'withdraw'> =>
  (await db('courses').where({ id: course }).first('leavers'))?.leavers ?? 'stay';
export const setLeavers = (db: Db, course: CourseId, leavers: 'stay' | 'withdraw') =>
  db('courses').where({ id: course }).update({ leavers });
