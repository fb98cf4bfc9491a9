import type { PostId } from '@/core/ids';
import { coversFor } from '@/db/queries/covers';
import { outlinesForReader, postsForReader, type PostOutline, type PostRecord } from '@/db/queries/posts';
import type { Db } from '@/db/connection';
import type { Actor } from '../deps';
import type { Entered } from './enter';

type Reader = { actor: Actor; staff: boolean };

/** Whether a reader is given no text of a post: it was withdrawn or hidden, and is neither theirs nor are they staff. */
const isBlankFor = (post: PostOutline, { actor, staff }: Reader) =>
  (post.withdrawn || post.hidden) && !staff && post.author.id !== actor.id;

const BLANK = {
  title: '',
  opening: '',
  ownWords: 0,
  hiddenReason: '',
  namesReader: false,
  pictured: null,
  carries: false,
};

/** Who asked under cover, for themselves and for staff who may know; for everybody else it is nobody, here as in the table. */
async function uncovered<P extends PostOutline>(
  db: Db,
  actor: Actor,
  { record, staff }: Entered,
  posts: P[],
): Promise<P[]> {
  if (!posts.some((p) => p.underCover)) return posts;
  const known = await coversFor(db, record.course.id, { id: actor.id, staff });
  return posts.map((p) => {
    const author = p.underCover ? known.get(p.thread) : undefined;
    return author ? { ...p, author: { ...p.author, ...author } } : p;
  });
}

const placeOf = ({ record }: Entered) => ({ course: record.course.id, discussion: record.id });

/**
 * The posts of a discussion (or those of them that are asked for) this person may read now. Behind the seal that is
 * none, but for their own when those are asked for; texts that were withdrawn or hidden by staff are emptied for
 * everyone but their author and staff.
 */
export async function visiblePosts(
  db: Db,
  actor: Actor,
  entered: Entered,
  only?: readonly PostId[],
): Promise<PostRecord[]> {
  const { staff, sealed } = entered;
  if (only ? only.length === 0 : sealed) return [];
  const read = await postsForReader(db, placeOf(entered), { id: actor.id, staff }, only);
  const posts = await uncovered(
    db,
    actor,
    entered,
    sealed ? read.filter((p) => p.author.id === actor.id) : read,
  );
  return posts.map((p) =>
    isBlankFor(p, { actor, staff })
      ? { ...p, ...BLANK, plain: '', doc: { type: 'doc', content: [{ type: 'paragraph' }] } }
      : p,
  );
}

/** The same posts without their texts: what lists are made of; and the number of the last event they know of. */
export async function visibleOutlines(
  db: Db,
  actor: Actor,
  entered: Entered,
): Promise<{ posts: PostOutline[]; events: number }> {
  const { staff, sealed, record } = entered;
  if (sealed) return { posts: [], events: record.events };
  const { posts: read, events } = await outlinesForReader(db, placeOf(entered), { id: actor.id, staff });
  const posts = await uncovered(db, actor, entered, read);
  return {
    posts: posts.map((p) => (isBlankFor(p, { actor, staff }) ? { ...p, ...BLANK } : p)),
    events: events ?? record.events,
  };
}
