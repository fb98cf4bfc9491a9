import { groupBy } from '../group';
import type { DiscussionId, Instant, PersonId, PostId } from '../ids';

/** A post as far as a rhythm goes. */
export type RhythmPost = {
  id: PostId;
  author: PersonId;
  discussion: DiscussionId;
  kind: 'response' | 'reply';
  /** The response that its thread began with. */
  thread: PostId;
  private: boolean;
  withdrawn: boolean;
  hidden: boolean;
  versions: readonly { at: Instant }[];
};

/** A student's response that stands, and what came of it. */
export type ResponseHeard = {
  discussion: DiscussionId;
  author: PersonId;
  at: Instant;
  /** When others replied in its thread, earliest first. */
  replies: Instant[];
};

const sharedAt = ({ versions }: RhythmPost): Instant[] => (versions[0] ? [versions[0].at] : []);

/**
 * The responses of students that stand and all may read, with the replies of others, staff among them, that do.
 *
 * @param posts all posts of a course, in the order of their numbers
 * @example a response with a reply of a classmate and one of its own author: one response, one reply
 */
export function responsesHeard(
  posts: readonly RhythmPost[],
  students: ReadonlySet<PersonId>,
): ResponseHeard[] {
  const stand = posts.filter((p) => !p.withdrawn && !p.hidden && !p.private);
  const replies = groupBy(
    stand.filter((p) => p.kind === 'reply'),
    (p) => p.thread,
  );
  return stand
    .filter((p) => p.kind === 'response' && students.has(p.author))
    .flatMap((p) =>
      sharedAt(p).map((at) => ({
        discussion: p.discussion,
        author: p.author,
        at,
        replies: (replies.get(p.id) ?? [])
          .filter((r) => r.author !== p.author)
          .flatMap(sharedAt)
          .sort((a, b) => a - b),
      })),
    );
}
