import type { CheckId } from '@/core/brief/brief';
import type { CheckFigure } from '@/core/checks/types';
import type { PostKind } from '@/core/counting/types';
import type { Doc } from '@/core/document/nodes';
import { personId, postId, type DiscussionId, type PersonId, type PostId } from '@/core/ids';
import type { Db } from '../connection';

/** A text that lacked something when it was shared, with what it answers. */
export type ShortVersion = {
  post: PostId;
  author: PersonId;
  kind: PostKind;
  n: number;
  title: string;
  doc: Doc;
  unmet: CheckId[];
  answered: { author: { name: string }; plain: string } | null;
};

/** The texts of a discussion's students that lacked something when they were shared. */
export async function shortVersions(db: Db, discussion: DiscussionId): Promise<ShortVersion[]> {
  const rows = await db('post_versions as v')
    .join('posts as p', 'p.id', 'v.post_id')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .leftJoin('post_texts as x', 'x.post_id', 'q.id')
    .leftJoin('people as a', 'a.id', 'q.author_id')
    .where('p.discussion_id', discussion)
    .whereNull('p.withdrawn_at')
    .whereRaw(`v.unmet <> '{}'`)
    .orderBy(['v.post_id', 'v.n'])
    .select('v.post_id', 'p.author_id', 'p.kind', 'v.n', 'v.title', 'v.doc', 'v.unmet', 'a.name', 'x.plain');
  return rows.map((r) => ({
    post: postId(r.post_id),
    author: personId(r.author_id),
    kind: r.kind,
    n: r.n,
    title: r.title,
    doc: r.doc,
    unmet: r.unmet,
    answered: r.name === null ? null : { author: { name: r.name }, plain: r.plain ?? '' },
  }));
}

/** Notes what a shared text lacks and what it has, since less is asked of it. */
export const setUnmet = (
  db: Db,
  { post, n }: { post: PostId; n: number },
  { unmet, checks }: { unmet: CheckId[]; checks: CheckFigure[] },
) =>
  db('post_versions')
    .where({ post_id: post, n })
    .update({ unmet, checks: JSON.stringify(checks) });
