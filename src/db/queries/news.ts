import {
  discussionId,
  instant,
  postId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { visible } from './visible';

export type NewReply = {
  id: PostId;
  discussion: DiscussionId;
  author: string;
  sharedAt: Instant;
  opening: string;
};

/** Replies by others to a person's own posts since a moment, newest first. */
export const repliesTo = (db: Db, person: PersonId, since: Instant, limit: number): Ask<NewReply[]> => ({
  query: db('posts as q')
    .join('posts as p', 'p.parent_id', 'q.id')
    .join('people as a', 'a.id', 'p.author_id')
    .joinRaw(
      'join lateral (select plain from post_versions v where v.post_id = p.id order by v.n desc limit 1) v on true',
    )
    .where('q.author_id', person)
    .whereNot('p.author_id', person)
    .where('p.shared_at', '>', timestamptz(since))
    .where((w) => w.whereNull('p.private_to').orWhere('p.private_to', person))
    .where(visible(db, 'p'))
    .orderBy('p.shared_at', 'desc')
    .limit(limit)
    .select('p.id', 'p.discussion_id', 'a.name', 'p.shared_at', db.raw('left(v.plain, 120) as opening')),
  read: (rows) =>
    rows.map((r) => ({
      id: postId(r.id),
      discussion: discussionId(r.discussion_id),
      author: r.name,
      sharedAt: instant(at(r.shared_at)),
      opening: r.opening,
    })),
});
