import {
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import type { ReactionKind, Reactions } from '@/core/posts/reactions';
import { timestamptz, type Db } from '../connection';

/** The reactions to a discussion’s posts as one person sees them; posts without any are left out. */
export async function reactionsOf(
  db: Db,
  place: { course: CourseId; discussion: DiscussionId },
  person: PersonId,
): Promise<Map<PostId, Reactions>> {
  const rows: { post_id: number; well_said: number; mine: boolean; bookmarked: boolean }[] = await db(
    'reactions',
  )
    .where({ course_id: place.course, discussion_id: place.discussion })
    .where((q) => q.where('kind', 'well-said').orWhere('person_id', person))
    .groupBy('post_id')
    .select(
      'post_id',
      db.raw(`count(*) filter (where kind = 'well-said')::int as well_said`),
      db.raw(`coalesce(bool_or(person_id = ? and kind = 'well-said'), false) as mine`, [person]),
      db.raw(`coalesce(bool_or(person_id = ? and kind = 'bookmark'), false) as bookmarked`, [person]),
    );
  return new Map(
    rows.map((r) => [
      postId(r.post_id),
      { wellSaid: r.well_said, saidByMe: r.mine, bookmarked: r.bookmarked },
    ]),
  );
}

type Reaction = {
  course: CourseId;
  discussion: DiscussionId;
  post: PostId;
  person: PersonId;
  kind: ReactionKind;
};
const columns = (m: Reaction) => ({
  course_id: m.course,
  discussion_id: m.discussion,
  post_id: m.post,
  person_id: m.person,
  kind: m.kind,
});

/** Reacts to a post; a reaction that is there stays as it was. */
export const putReaction = (db: Db, reaction: Reaction, now: Instant) =>
  db('reactions')
    .insert({ ...columns(reaction), reacted_at: timestamptz(now) })
    .onConflict()
    .ignore();

export const takeReaction = (db: Db, reaction: Reaction) => db('reactions').where(columns(reaction)).delete();
