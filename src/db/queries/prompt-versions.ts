import type { Brief } from '@/core/brief/brief';
import type { LateRule } from '@/core/deadlines/late';
import type { Doc } from '@/core/document/nodes';
import {
  discussionId,
  instant,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
} from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** What a discussion asked for until a moment, and who changed it then. */
export type PromptVersion = {
  n: number;
  title: string;
  prompt: Doc;
  brief: Brief;
  late: LateRule;
  opens: string;
  responseDue: string;
  repliesDue: string;
  until: Instant;
  by: string | null;
};

const keep = (db: Db, by: PersonId, now: Instant, which: string, bindings: readonly (string | number)[]) =>
  db.raw(
    `insert into prompt_versions
       (course_id, discussion_id, n, title, prompt, files, brief, late, opens, response_due, replies_due, until, by_person)
     select d.course_id, d.id, 1 + coalesce((select max(n) from prompt_versions v where v.discussion_id = d.id), 0),
       d.title, d.prompt, d.files, d.brief, d.late, d.opens, d.response_due, d.replies_due, ?::timestamptz, ?
     from discussions d where d.course_id = ? and ${which} and d.shown returning discussion_id`,
    [timestamptz(now), by, ...bindings],
  );

/** Keeps what a discussion asks for as it stands now, before it is changed; nothing of one that the class does not see: then it answers false. */
export async function keepPromptVersion(
  db: Db,
  { course, discussion }: { course: CourseId; discussion: DiscussionId },
  by: PersonId,
  now: Instant,
): Promise<boolean> {
  return (await keep(db, by, now, 'd.id = ?', [course, discussion])).rowCount > 0;
}

/** The same of every discussion of a course from a week on; answers with those that the class sees. */
export async function keepPromptVersions(
  db: Db,
  { course, from }: { course: CourseId; from: number },
  by: PersonId,
  now: Instant,
): Promise<DiscussionId[]> {
  const { rows } = await keep(db, by, now, 'd.week >= ?', [course, from]);
  return rows.map((r: { discussion_id: string }) => discussionId(r.discussion_id));
}

/** Everything a discussion asked for before, oldest first. */
export async function promptVersionsOf(db: Db, discussion: DiscussionId): Promise<PromptVersion[]> {
  const rows = await db('prompt_versions as v')
    .leftJoin('people as p', 'p.id', 'v.by_person')
    .where('v.discussion_id', discussion)
    .orderBy('v.n')
    .select('v.*', 'p.name');
  return rows.map((r) => ({
    n: r.n,
    title: r.title,
    prompt: r.prompt,
    brief: r.brief,
    late: r.late,
    opens: r.opens,
    responseDue: r.response_due,
    repliesDue: r.replies_due,
    until: instant(r.until),
    by: r.name,
  }));
}

export type PromptChanged = { times: number; last: Instant };

/** How often what a discussion asks for was changed while the class saw it, and when last; null where it never was. */
export const promptChanged = (db: Db, discussion: DiscussionId): Ask<PromptChanged | null> => ({
  query: db('prompt_versions')
    .where({ discussion_id: discussion })
    .select(db.raw('count(*)::int as times'), db.raw('max(until) as last')),
  read: ([row]) => (row?.times ? { times: row.times, last: instant(at(row.last)) } : null),
});

/** Discussions whose prompts were changed by others since a moment, of the courses a person is in; the newest first. */
export const changedPrompts = (
  db: Db,
  person: PersonId,
  since: Instant,
  limit: number,
): Ask<{ discussion: DiscussionId; at: Instant }[]> => ({
  query: db('prompt_versions as v')
    .join('enrolments as e', (j) => j.on('e.course_id', 'v.course_id').andOnVal('e.person_id', person))
    .where('v.until', '>', timestamptz(since))
    .whereRaw('v.by_person is distinct from ?', [person])
    .groupBy('v.discussion_id')
    .orderByRaw('max(v.until) desc')
    .limit(limit)
    .select('v.discussion_id', db.raw('max(v.until) as last')),
  read: (rows) => rows.map((r) => ({ discussion: discussionId(r.discussion_id), at: instant(at(r.last)) })),
});
