import type { PostId } from '@/core/ids';
import { postsForReader, type PostRecord } from '@/db/queries/posts';
import type { Db } from '@/db/connection';
import type { Actor } from '../deps';
import type { Entered } from './enter';

/** What a reader is given in place of a text that is no longer there for them. */
const blankOut = (post: PostRecord): PostRecord => ({
  ...post,
  title: '',
  plain: '',
  ownWords: 0,
  doc: { type: 'doc', content: [{ type: 'paragraph' }] },
});

/**
 * The posts of a discussion (or those of them that are asked for) this person may read now. Behind the seal that is none, whatever was asked for; texts
 * that were withdrawn or hidden by staff are emptied for everyone but their author and staff.
 */
export async function visiblePosts(
  db: Db,
  actor: Actor,
  entered: Entered,
  only?: readonly PostId[],
): Promise<PostRecord[]> {
  if (entered.sealed) return [];
  const { record, staff } = entered;
  const posts = await postsForReader(db, record.course.id, record.id, { id: actor.id, staff }, only);
  return posts.map((p) =>
    (p.withdrawn || p.hidden) && !staff && p.author.id !== actor.id ? blankOut(p) : p,
  );
}
