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
  /** Who may read it beside staff: the two of a private reply, those of a group; null where it is the class's. */
  readers: PersonId[] | null;
};

/** What happened in a discussion after the event of a number, in order. */
export async function eventsAfter(
  db: Db,
  discussion: DiscussionId,
  after: number,
  most: number,
): Promise<DiscussionEvent[]> {
  const { rows } = await db.raw(
    `select e.n, e.act, e.post_id, p.kind, p.author_id, p.thread_id as thread,
       case when p.private_to is not null then array[p.author_id, p.private_to]
         when p.grouped then (select array_agg(m.person_id) from enrolments m
           where m.course_id = p.course_id and may_read_post(p, m.person_id, false)) end as readers
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
    readers: string[] | null;
  };
  return (rows as Row[]).map((r) => ({
    n: r.n,
    act: r.act,
    post: postId(r.post_id),
    kind: r.kind,
    thread: postId(r.thread),
    author: personId(r.author_id),
    readers: r.readers && r.readers.map(personId),
  }));
}
