import {
  instant,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { ModerationAct } from '@/core/posts/moderation';
import { timestamptz, type Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };

/** Notes what somebody did about a post, for good. */
export const logModeration = (
  db: Db,
  place: Place,
  act: { post: PostId; person: PersonId; act: ModerationAct; reason?: string; now: Instant },
) =>
  db('moderation_log').insert({
    course_id: place.course,
    discussion_id: place.discussion,
    post_id: act.post,
    person_id: act.person,
    act: act.act,
    reason: act.reason ?? '',
    done_at: timestamptz(act.now),
  });

export const setHidden = (db: Db, post: PostId, now: Instant | null, reason: string) =>
  db('posts')
    .where({ id: post })
    .update({ hidden_at: now === null ? null : timestamptz(now), hidden_reason: reason });

export const setPinned = (db: Db, post: PostId, now: Instant | null) =>
  db('posts')
    .where({ id: post })
    .update({ pinned_at: now === null ? null : timestamptz(now) });

export const setLocked = (db: Db, post: PostId, now: Instant | null) =>
  db('posts')
    .where({ id: post })
    .update({ locked_at: now === null ? null : timestamptz(now) });

/** Whether the thread in which a post stands is locked at its response. */
export async function isThreadLocked(db: Db, post: PostId): Promise<boolean> {
  const { rows } = await db.raw(
    'select 1 from posts p join posts t on t.id = p.thread_id where p.id = ? and t.locked_at is not null',
    [post],
  );
  return rows.length > 0;
}

/** Reports a post, unless the same person's report of it is still open: then its reason is the newer one. */
export async function putReport(
  db: Db,
  place: Place,
  report: { id: string; post: PostId; person: PersonId; reason: string; now: Instant },
) {
  await db.raw(
    `insert into reports (id, course_id, discussion_id, post_id, person_id, reason, reported_at)
     values (:id, :course, :discussion, :post, :person, :reason, :now)
     on conflict (post_id, person_id) where settled_at is null do update set reason = excluded.reason`,
    { ...place, ...report, now: timestamptz(report.now) },
  );
}

/** Settles the open reports of a post; answers with how many there were. */
export const settleReports = (db: Db, post: PostId, now: Instant): Promise<number> =>
  db('reports')
    .where({ post_id: post })
    .whereNull('settled_at')
    .update({ settled_at: timestamptz(now) });

export type OpenReport = { post: PostId; by: string; reason: string; at: Instant };

export async function openReports(db: Db, discussion: DiscussionId): Promise<OpenReport[]> {
  const rows = await db('reports as r')
    .join('people as p', 'p.id', 'r.person_id')
    .where('r.discussion_id', discussion)
    .whereNull('r.settled_at')
    .orderBy(['r.reported_at', 'p.name'])
    .select('r.post_id', 'p.name', 'r.reason', 'r.reported_at');
  return rows.map((r) => ({
    post: postId(r.post_id),
    by: r.name,
    reason: r.reason,
    at: instant(r.reported_at),
  }));
}

export type ModerationEntry = { post: PostId; by: string; act: ModerationAct; reason: string; at: Instant };

/** What was done in a discussion, the newest first. */
export async function moderationLog(
  db: Db,
  discussion: DiscussionId,
  most: number,
): Promise<ModerationEntry[]> {
  const rows = await db('moderation_log as l')
    .join('people as p', 'p.id', 'l.person_id')
    .where('l.discussion_id', discussion)
    .orderBy('l.id', 'desc')
    .limit(most)
    .select('l.post_id', 'p.name', 'l.act', 'l.reason', 'l.done_at');
  return rows.map((r) => ({
    post: postId(r.post_id),
    by: r.name,
    act: r.act,
    reason: r.reason,
    at: instant(r.done_at),
  }));
}
