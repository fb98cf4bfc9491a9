import {
  isStaff,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
  type Role,
} from '@/core/ids';
import { concerns } from '@/core/notices/hears';
import type { NoticeKind } from '@/core/notices/kinds';
import { wayOf } from '@/core/notices/rules';
import { dueAt } from '@/core/notices/when';
import type { Db } from '@/db/connection';
import { rolesIn } from '@/db/queries/class';
import {
  postToTell,
  queuePost,
  takeWhenOpen,
  tellWhenOpen,
  waitingForSeals,
  type PostToTell,
} from '@/db/queries/hearers';
import { wakeJob } from '@/db/queries/jobs';
import { listeningOf } from '@/db/queries/notice-rules';
import { insertNotices, type NewNotice } from '@/db/queries/notices';
import type { DiscussionRecord } from '@/db/queries/discussions';
import type { Deps } from '../deps';
import { discussionFor, sealedOut } from './class';

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

/** What those are told of whom a post concerns directly, as what it is to each of them. */
function tellingsOf(
  record: DiscussionRecord,
  post: PostToTell,
  people: readonly { id: PersonId; role: Role }[],
  sealed: ReadonlySet<PersonId>,
): Telling[] {
  const whyOf = new Map(
    people.map(({ id, role }) => [id, concerns(post, { id, staff: isStaff(role), sealed: sealed.has(id) })]),
  );
  return (['reply', 'name'] as const).map((why) => ({
    course: record.course.id,
    kind: why,
    key: `post ${post.id}`,
    topic: why === 'reply' ? `reply ${post.answered}` : `name ${post.id}`,
    discussion: record.id,
    post: post.id,
    by: post.author,
    to: people.map((p) => p.id).filter((id) => whyOf.get(id) === why),
  }));
}

/**
 * Tells those whom a post concerns directly, whose post it answers or whom it names, and whom it did not concern before. From whom it is withheld hears of it
 * once their seal is open; and so does its author, where it has just opened theirs.
 */
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
    const people = [...roles].map(([person, role]) => ({ id: person, role }));
    const sealed = await sealedOut(deps, db, record, people);
    await tell(db, deps.now, tellingsOf(record, post, people, sealed));
    const later = tellingsOf(
      record,
      post,
      people.filter((p) => sealed.has(p.id)),
      new Set(),
    );
    await tellWhenOpen(
      db,
      id,
      later.flatMap((t) => t.to),
    );
  }
  if (
    record.brief.sealed &&
    (await waitingForSeals(db, { discussion: record.id, person: post.author })).length
  )
    await tellOpened(deps, db, record, [post.author]);
}

/** Tells those of them whose seal is open by now of the posts that answered or named them behind it. */
async function tellOpened(
  deps: Pick<Deps, 'now'>,
  db: Db,
  record: DiscussionRecord,
  waiting: readonly PersonId[],
): Promise<void> {
  const roles = await rolesIn(db, record.course.id, waiting);
  const people = [...roles].map(([person, role]) => ({ id: person, role }));
  const sealed = await sealedOut(deps, db, record, people);
  for (const one of people.filter((p) => !sealed.has(p.id))) {
    const posts = await takeWhenOpen(db, record.id, one.id);
    await tell(
      db,
      deps.now,
      posts.flatMap((post) => tellingsOf(record, post, [one], new Set())),
    );
  }
}

/** Tells everybody whose seal has opened meanwhile, by a deadline or by what staff did, of what waited behind it. */
export async function tellAllOpened(deps: Pick<Deps, 'now'>, db: Db): Promise<void> {
  for (const { course, discussion, people } of await waitingForSeals(db)) {
    const record = await discussionFor(db, course, discussion);
    if (record) await tellOpened(deps, db, record, people);
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
