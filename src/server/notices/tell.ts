import type { CourseId, DiscussionId, Instant, PersonId, PostId } from '@/core/ids';
import { concerns } from '@/core/notices/hears';
import type { NoticeKind } from '@/core/notices/kinds';
import { wayOf } from '@/core/notices/rules';
import { dueAt } from '@/core/notices/when';
import type { Db } from '@/db/connection';
import { rolesIn } from '@/db/queries/class';
import { postToTell, queuePost } from '@/db/queries/hearers';
import { wakeJob } from '@/db/queries/jobs';
import { listeningOf } from '@/db/queries/notice-rules';
import { insertNotices, type NewNotice } from '@/db/queries/notices';
import type { DiscussionRecord } from '@/db/queries/discussions';
import { isStaff } from '@/core/ids';
import type { Deps } from '../deps';
import { sealedOut } from './class';

/** The job that deals notices out and sends what is due. */
export const KEEP_UP = 'keep-up';
/** And the one that reminds of deadlines. */
export const REMIND = 'remind';

/** What waits is told and sent, and reminders given, without waiting for the minute to be over. */
export async function keepUpSoon(db: Db) {
  await wakeJob(db, REMIND);
  await wakeJob(db, KEEP_UP);
}

/** Something that happened, and whom it concerns. */
export type Telling = {
  course: CourseId;
  kind: NoticeKind;
  /** What it is: nobody is told of one thing twice. */
  key: string;
  /** What it is about, where several things stand on one line; as its key where none do. */
  topic?: string;
  discussion?: DiscussionId | null;
  post?: PostId | null;
  by: PersonId | null;
  to: readonly PersonId[];
  about?: NewNotice['about'];
};

/**
 * Tells people of something, in the transaction in which it happens: what each hears by which way and when is core's to say. Whoever did it is told
 * nothing, and nobody of one thing twice.
 */
export async function tell(db: Db, now: Instant, things: readonly Telling[]): Promise<void> {
  const people = [...new Set(things.flatMap((t) => t.to))];
  if (people.length === 0) return;
  const listening = await listeningOf(db, people);
  const notices = things.flatMap((t) =>
    [...new Set(t.to)].flatMap((person): NewNotice[] => {
      const how = listening.get(person);
      if (!how || person === t.by) return [];
      const way = wayOf(t.kind, how.rules);
      return [
        {
          person,
          course: t.course,
          kind: t.kind,
          key: t.key,
          topic: t.topic ?? t.key,
          discussion: t.discussion ?? null,
          post: t.post ?? null,
          by: t.by,
          about: t.about ?? {},
          way,
          due: dueAt(way, now, how.rules, how.zone),
        },
      ];
    }),
  );
  const made = await insertNotices(db, notices, now);
  if (made > 0 && notices.some((n) => n.due !== null && n.due <= now)) await wakeJob(db, KEEP_UP);
}

/** Tells those whom a post concerns directly, whose post it answers or whom it names, and whom it did not concern before. */
export async function tellConcerned(
  deps: Pick<Deps, 'now'>,
  db: Db,
  record: DiscussionRecord,
  id: PostId,
): Promise<void> {
  if (record.course.outside) return;
  const post = await postToTell(db, id);
  if (!post) return;
  const meant = [...new Set([...(post.answers ? [post.answers] : []), ...post.named])].filter(
    (p) => p !== post.author,
  );
  if (meant.length) {
    const roles = await rolesIn(db, record.course.id, meant);
    const sealed = await sealedOut(
      deps,
      db,
      record,
      [...roles].map(([person, role]) => ({ id: person, role })),
    );
    const concerned = [...roles].flatMap(([person, role]) => {
      const why = concerns(post, { id: person, staff: isStaff(role), sealed: sealed.has(person) });
      return why ? [{ person, why }] : [];
    });
    const telling = (why: 'reply' | 'name'): Telling => ({
      course: record.course.id,
      kind: why,
      key: `post ${id}`,
      topic: why === 'reply' ? `reply ${post.answered}` : `name ${id}`,
      discussion: record.id,
      post: id,
      by: post.author,
      to: concerned.filter((c) => c.why === why).map((c) => c.person),
    });
    await tell(db, deps.now, [telling('reply'), telling('name')]);
  }
}

/**
 * Has those who follow told of a post that was shared, by a job, so that whoever shares does not wait for a class of thousands. Whom it concerns is told in the
 * transaction.
 */
export async function tellWhoFollows(db: Db, record: DiscussionRecord, id: PostId): Promise<void> {
  if (record.course.outside) return;
  await queuePost(db, id);
  await wakeJob(db, KEEP_UP);
}
