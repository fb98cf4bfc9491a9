import { personId, postId, type DiscussionId, type PersonId, type PostId } from '@/core/ids';
import type { Db } from '../connection';

/** Something that happened to a post, by its number in the discussion. */
export type DiscussionEvent = {
  n: number;
  act: 'shared' | 'changed';
  post: PostId;
  kind: 'response' | 'reply';
  /** The response of the thread in which the post stands. */
  thread: PostId;
  author: PersonId;
  /** The two who may read a private reply; null where it is the class's. */
  between: PersonId[] | null;
};

/** What happened in a discussion after the event of a number, in order. */
export async function eventsAfter(
  db: Db,
  discussion: DiscussionId,
  after: number,
  most: number,
): Promise<DiscussionEvent[]> {
  const { rows } = await db.raw(
    `select e.n, e.act, e.post_id, p.kind, p.author_id, p.thread_id as thread, p.private_to
     from discussion_events e join posts p on p.id = e.post_id
     where e.discussion_id = ? and e.n > ? order by e.n limit ?`,
    [discussion, after, most],
  );
  type Row = {
    n: number;
    act: DiscussionEvent['act'];
    post_id: number;
    kind: DiscussionEvent['kind'];
    thread: number;
    author_id: string;
    private_to: string | null;
  };
  return (rows as Row[]).map((r) => ({
    n: r.n,
    act: r.act,
    post: postId(r.post_id),
    kind: r.kind,
    thread: postId(r.thread),
    author: personId(r.author_id),
    between: r.private_to === null ? null : [personId(r.author_id), personId(r.private_to)],
  }));
}
