import { groupBy } from '@/core/group';
import { isStaff, type Instant } from '@/core/ids';
import { follows, type Hearer } from '@/core/notices/hears';
import { wayOf } from '@/core/notices/rules';
import { dueAt } from '@/core/notices/when';
import { followersIn, takePostsToTell, type FollowerRecord, type PostToTell } from '@/db/queries/hearers';
import { rulesIn } from '@/db/queries/notice-rules';
import { tellFollowers, type FollowNotice } from '@/db/queries/notices';
import type { Db } from '@/db/connection';
import type { Deps } from '../deps';
import { discussionFor, sealedOut } from './class';

const AT_ONCE = 500;

/** Whoever asks follows their question, and not all that is asked in the course. */
const hearerOf = (f: FollowerRecord, sealed: boolean, asks: boolean): Hearer => {
  const whole = f.chosen.find((c) => c.thread === null);
  const threads = new Map<PostToTell['thread'], Hearer['discussion']>();
  for (const { thread, first } of f.written) threads.set(thread, { follows: null, way: null, since: first });
  for (const c of f.chosen)
    if (c.thread !== null)
      threads.set(c.thread, {
        follows: c.follows,
        way: c.way,
        since: threads.get(c.thread)?.since ?? null,
      });
  return {
    id: f.id,
    staff: isStaff(f.role),
    sealed,
    discussion: {
      follows: whole?.follows ?? null,
      way: whole?.way ?? null,
      since: asks ? null : f.responded,
    },
    threads,
  };
};

/** What one follower is told of these posts, one notice for each way. */
function toldTo(
  f: FollowerRecord,
  { sealed, asks }: { sealed: boolean; asks: boolean },
  posts: readonly PostToTell[],
  now: Instant,
): FollowNotice[] {
  const hearer = hearerOf(f, sealed, asks);
  const rules = rulesIn(f.rules);
  const heard = posts.flatMap((post) => {
    const chosen = follows(post, hearer);
    return chosen ? [{ post, way: wayOf('post', rules, chosen) }] : [];
  });
  return [...groupBy(heard, (h) => h.way)].flatMap(([way, of]) => {
    const [first] = of;
    return first
      ? [
          {
            person: f.id,
            course: first.post.course,
            discussion: first.post.discussion,
            posts: of.map((h) => h.post.id),
            way,
            due: dueAt(way, now, rules, f.zone),
          },
        ]
      : [];
  });
}

async function dealSome(deps: Pick<Deps, 'now'>, db: Db): Promise<number> {
  const posts = await takePostsToTell(db, AT_ONCE);
  for (const [discussion, here] of groupBy(posts, (p) => p.discussion)) {
    const course = here[0]?.course;
    const record = course && (await discussionFor(db, course, discussion));
    if (!record) continue;
    const people = await followersIn(db, course, discussion);
    const sealed = await sealedOut(deps, db, record, people);
    await tellFollowers(
      db,
      people.flatMap((f) => toldTo(f, { sealed: sealed.has(f.id), asks: record.asks }, here, deps.now)),
      deps.now,
    );
  }
  return posts.length;
}

/**
 * Tells those who follow of what was posted since, everything that waits of a discussion at once. Taken and told in one transaction: nobody is told twice, and
 * what is interrupted is told later.
 *
 * @returns how many posts were told of
 */
export async function dealPosts(deps: Pick<Deps, 'db' | 'now'>): Promise<number> {
  let told = 0;
  for (;;) {
    const n = await deps.db.transaction((tx) => dealSome(deps, tx));
    told += n;
    if (n < AT_ONCE) return told;
  }
}
