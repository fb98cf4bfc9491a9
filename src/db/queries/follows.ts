import {
  discussionId,
  postId,
  type CourseId,
  type DiscussionId,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { Ask } from '../ask';
import type { Db } from '../connection';

type Place = { course: CourseId; discussion: DiscussionId };

/** What somebody chose to follow in a discussion, or not to: the discussion itself, and threads by their response. */
export type Follows = { discussion: boolean | null; threads: Map<PostId, boolean> };

export async function followsOf(db: Db, discussion: DiscussionId, person: PersonId): Promise<Follows> {
  const rows: { thread_id: number | null; follows: boolean | null }[] = await db('follows')
    .where({ discussion_id: discussion, person_id: person })
    .select('thread_id', 'follows');
  const threads = new Map<PostId, boolean>();
  let whole: boolean | null = null;
  for (const { thread_id, follows } of rows) {
    if (follows === null) continue;
    if (thread_id === null) whole = follows;
    else threads.set(postId(thread_id), follows);
  }
  return { discussion: whole, threads };
}

/** The discussions somebody chose to follow, or not to. */
export const followedDiscussions = (db: Db, person: PersonId): Ask<Map<DiscussionId, boolean>> => ({
  query: db('follows')
    .where({ person_id: person })
    .whereNull('thread_id')
    .whereNotNull('follows')
    .select('discussion_id', 'follows'),
  read: (rows) => new Map(rows.map((r) => [discussionId(r.discussion_id), r.follows])),
});

export async function setFollow(
  db: Db,
  place: Place,
  person: PersonId,
  thread: PostId | null,
  follows: boolean,
) {
  await db('follows')
    .insert({
      course_id: place.course,
      discussion_id: place.discussion,
      person_id: person,
      thread_id: thread,
      follows,
    })
    .onConflict(['person_id', 'discussion_id', 'thread_id'])
    .merge(['follows']);
}
