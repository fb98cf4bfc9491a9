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
import { visible } from './visible';

/** What came of a post: how many classmates have read it, how many replies all may read, how many said "well said". */
export type Reach = { readers: number; replies: number; wellSaid: number };

/** What came of a person's own posts in a discussion. */
export const reachOf = (
  db: Db,
  place: { course: CourseId; discussion: DiscussionId },
  person: PersonId,
): Ask<Map<PostId, Reach>> => ({
  query: db('posts as p')
    .where({ 'p.course_id': place.course, 'p.discussion_id': place.discussion, 'p.author_id': person })
    .select(
      'p.id',
      db.raw(
        `(select count(*)::int from reads r
          join enrolments e on e.course_id = r.course_id and e.person_id = r.person_id and e.role = 'student'
          where r.course_id = p.course_id and r.discussion_id = p.discussion_id and r.post_id = p.id
            and r.person_id <> p.author_id) as readers`,
      ),
      db.raw(
        `(select count(*)::int from posts q where q.parent_id = p.id and q.private_to is null and ?) as replies`,
        [visible(db, 'q')],
      ),
      db.raw(
        `(select count(*)::int from reactions x where x.post_id = p.id and x.kind = 'well-said') as well_said`,
      ),
    ),
  read: (rows) =>
    new Map(
      rows.map((r) => [postId(r.id), { readers: r.readers, replies: r.replies, wellSaid: r.well_said }]),
    ),
});

/** What somebody wrote in a discussion: words of their own that are shared, and seconds at it. */
export type Effort = { words: number; seconds: number };

/** What a person wrote in each discussion of theirs, and how long they took. */
export const effortOf = (db: Db, person: PersonId): Ask<Map<DiscussionId, Effort>> => ({
  query: db
    .from(
      db('posts as p')
        .join('post_texts as t', 't.post_id', 'p.id')
        .where('p.author_id', person)
        .where(visible(db, 'p'))
        .select('p.discussion_id', 't.own_words as words', db.raw('0 as seconds'))
        .unionAll(
          db('writing_spells')
            .where('person_id', person)
            .select(
              'discussion_id',
              db.raw('0 as words'),
              db.raw('writing_seconds + proofreading_seconds as seconds'),
            ),
        )
        .as('done'),
    )
    .groupBy('discussion_id')
    .select('discussion_id', db.raw('sum(words)::int as words'), db.raw('sum(seconds)::int as seconds')),
  read: (rows) =>
    new Map(
      rows.map((r) => [discussionId(r.discussion_id), { words: r.words, seconds: r.seconds }] as const),
    ),
});

/** A reply of one's own with all that its substance is judged against. */
export type JudgedReply = {
  discussion: DiscussionId;
  text: string;
  peer: { name: string; text: string };
  prompt: string;
  concepts: { term: string; aliases: string[] }[];
  others: string[];
};

/** The newest replies of a person that stand, with what each answers and so much of so many other responses. */
export const ownReplies = (
  db: Db,
  person: PersonId,
  { most, others, length }: { most: number; others: number; length: number },
): Ask<JudgedReply[]> => ({
  query: db('posts as p')
    .join('post_texts as t', 't.post_id', 'p.id')
    .join('posts as q', 'q.id', 'p.parent_id')
    .join('post_texts as qt', 'qt.post_id', 'q.id')
    .join('people as a', 'a.id', 'q.author_id')
    .join('discussions as d', (j) => j.on('d.course_id', 'p.course_id').andOn('d.id', 'p.discussion_id'))
    .where({ 'p.author_id': person, 'p.kind': 'reply' })
    .where(visible(db, 'p'))
    .where(visible(db, 'q'))
    .orderBy('p.id', 'desc')
    .limit(most)
    .select(
      'p.discussion_id',
      't.plain as text',
      'a.name',
      'qt.plain as answered',
      'd.prompt_plain',
      db.raw(`coalesce(d.brief -> 'concepts', '[]'::jsonb) as concepts`),
      db.raw(
        `(select coalesce(json_agg(left(o.plain, ?)), '[]') from (
            select ot.plain from posts o join post_texts ot on ot.post_id = o.id
            where o.course_id = p.course_id and o.discussion_id = p.discussion_id and o.kind = 'response'
              and o.private_to is null and o.withdrawn_at is null and o.hidden_at is null
              and o.id <> q.id and o.author_id <> q.author_id
            order by o.id limit ?) o) as others`,
        [length, others],
      ),
    ),
  read: (rows) =>
    rows.map((r) => ({
      discussion: discussionId(r.discussion_id),
      text: r.text,
      peer: { name: r.name, text: r.answered },
      prompt: r.prompt_plain,
      concepts: r.concepts,
      others: r.others,
    })),
});
