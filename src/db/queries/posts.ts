import type { Side } from '@/core/brief/brief';
import type { PostKind } from '@/core/counting/types';
import {
  instant,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
  type Role,
} from '@/core/ids';
import type { Doc } from '@/core/document/nodes';
import { type Db } from '../connection';
import { versionOf } from './pictures';
import { mayRead } from './visible';

/** A post as lists show it: everything but its text. */
export type PostOutline = {
  id: PostId;
  /** `side` is the one they were given here, where sides are given. */
  author: { id: PersonId; name: string; role: Role; picture: string | null; side: Side | null };
  kind: PostKind;
  parent: PostId | null;
  privateTo: { id: PersonId; name: string } | null;
  sharedAt: Instant;
  /** Which of its versions is read now; the first is 1. */
  n: number;
  edited: boolean;
  title: string;
  /** The beginning of the text. */
  opening: string;
  ownWords: number;
  withdrawn: boolean;
  hidden: boolean;
  /** Why staff hid it. */
  hiddenReason: string;
  pinned: boolean;
  /** Of a response: nobody but staff answers in its thread any more. */
  locked: boolean;
  /** It names the reader. */
  namesReader: boolean;
  /** The file of the first picture or filmed clip in it. */
  pictured: string | null;
  /** There is a picture or a clip in it. */
  carries: boolean;
  /** The reader has read it. */
  read: boolean;
  /** It is for a group. */
  grouped: boolean;
  /** The response in whose thread it stands. */
  thread: PostId;
  /** Whoever asked this did so under cover: its author is nobody, but for those who may know. */
  underCover: boolean;
};

export type PostRecord = PostOutline & {
  doc: Doc;
  plain: string;
  /** When its latest version was shared. */
  changedAt: Instant;
};

type Reader = { id: PersonId; staff: boolean };
type Place = { course: CourseId; discussion: DiscussionId };

/**
 * The posts of a discussion one reader may see; who may read the discussion at all is the use-case's question.
 */
const readable = (db: Db, place: Place, reader: Reader) =>
  db('posts as p')
    .where({ 'p.course_id': place.course, 'p.discussion_id': place.discussion })
    .where(mayRead(db, reader.id, reader.staff));

const outlined = (db: Db, place: Place, reader: Reader) =>
  readable(db, place, reader)
    .join('post_texts as v', (j) =>
      j
        .on('v.course_id', 'p.course_id')
        .andOn('v.discussion_id', 'p.discussion_id')
        .andOn('v.post_id', 'p.id'),
    )
    .join('people as a', 'a.id', 'p.author_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOn('e.person_id', 'p.author_id'))
    .leftJoin('parts_played as pp', (j) =>
      j
        .on('pp.course_id', 'p.course_id')
        .andOn('pp.discussion_id', 'p.discussion_id')
        .andOn('pp.person_id', 'p.author_id'),
    )
    .leftJoin('people as t', 't.id', 'p.private_to')
    .leftJoin('reads as m', (j) =>
      j
        .on('m.course_id', 'p.course_id')
        .andOn('m.discussion_id', 'p.discussion_id')
        .andOnVal('m.person_id', reader.id)
        .andOn('m.post_id', 'p.id'),
    )
    .orderBy(['p.shared_at', 'p.id'])
    .select(
      'p.id',
      'p.author_id',
      'a.name',
      'a.picture',
      'e.role',
      'pp.side',
      'p.kind',
      'p.parent_id',
      'p.private_to',
      't.name as private_name',
      'p.shared_at',
      'p.withdrawn_at',
      'p.hidden_at',
      'p.hidden_reason',
      'p.pinned_at',
      'p.locked_at',
      'p.grouped',
      'p.thread_id',
      db.raw(
        'p.covered and p.author_id = (select nobody from courses where id = p.course_id) as under_cover',
      ),
      'v.n',
      'v.title',
      'v.opening',
      'v.own_words',
      'v.pictured',
      'v.carries',
      db.raw('?::text = any(v.named) as names_reader', [reader.id]),
      db.raw('m.post_id is not null as read'),
      // Read in the same moment as the posts: who listens from here on misses nothing and hears nothing twice.
      db('discussion_counts').where({ discussion_id: place.discussion }).select('events').as('events'),
    );

type Row = {
  id: number;
  author_id: string;
  name: string;
  picture: string | null;
  role: Role;
  side: Side | null;
  kind: PostKind;
  parent_id: number | null;
  private_to: string | null;
  private_name: string;
  shared_at: number;
  withdrawn_at: number | null;
  hidden_at: number | null;
  hidden_reason: string;
  pinned_at: number | null;
  locked_at: number | null;
  grouped: boolean;
  thread_id: number;
  under_cover: boolean;
  n: number;
  title: string;
  opening: string;
  own_words: number;
  pictured: string | null;
  carries: boolean;
  names_reader: boolean;
  read: boolean;
  events: number;
};

const toOutline = (r: Row): PostOutline => ({
  id: postId(r.id),
  author: {
    id: personId(r.author_id),
    name: r.name,
    role: r.role,
    picture: versionOf(r.picture),
    side: r.side,
  },
  kind: r.kind,
  parent: r.parent_id === null ? null : postId(r.parent_id),
  privateTo: r.private_to === null ? null : { id: personId(r.private_to), name: r.private_name },
  sharedAt: instant(r.shared_at),
  n: r.n,
  edited: r.n > 1,
  title: r.title,
  opening: r.opening,
  ownWords: r.own_words,
  withdrawn: r.withdrawn_at !== null,
  hidden: r.hidden_at !== null,
  hiddenReason: r.hidden_reason,
  pinned: r.pinned_at !== null,
  locked: r.locked_at !== null,
  namesReader: r.names_reader,
  pictured: r.pictured,
  carries: r.carries,
  read: r.read,
  grouped: r.grouped,
  thread: postId(r.thread_id),
  underCover: r.under_cover,
});

/**
 * The outlines of a discussion's posts that a reader may see, oldest first, and the number of the last event that they know
 * of (null where there is no post).
 */
export async function outlinesForReader(
  db: Db,
  place: Place,
  reader: Reader,
): Promise<{ posts: PostOutline[]; events: number | null }> {
  const rows: Row[] = await outlined(db, place, reader);
  return { posts: rows.map(toOutline), events: rows[0] ? Number(rows[0].events) : null };
}

/** The texts of posts, by number: who may read them was asked before. */
export async function plainTexts(db: Db, posts: readonly PostId[]): Promise<Map<PostId, string>> {
  if (posts.length === 0) return new Map();
  const rows: { post_id: number; plain: string }[] = await db('post_texts')
    .whereIn('post_id', [...posts])
    .select('post_id', 'plain');
  return new Map(rows.map((r) => [postId(r.post_id), r.plain]));
}

/** The posts themselves, each with the text of its latest version: all of them, or those named. */
export async function postsForReader(
  db: Db,
  place: Place,
  reader: Reader,
  only?: readonly PostId[],
): Promise<PostRecord[]> {
  const rows: (Row & { doc: Doc; plain: string; changed_at: number })[] = await outlined(db, place, reader)
    .join('post_versions as w', (j) => j.on('w.post_id', 'p.id').andOn('w.n', 'v.n'))
    .modify((q) => {
      if (only) q.whereIn('p.id', [...only]);
    })
    .select('w.doc', 'w.plain', 'w.shared_at as changed_at');
  return rows.map((r) => ({ ...toOutline(r), doc: r.doc, plain: r.plain, changedAt: instant(r.changed_at) }));
}
