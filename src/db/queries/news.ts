import {
  discussionId,
  instant,
  postId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { STAFF } from '@/core/ids';
import type { NoteCall } from '@/core/notes/note-call';
import type { Knex } from 'knex';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { mayRead, visible } from './visible';

export type NewReply = {
  id: PostId;
  discussion: DiscussionId;
  author: string;
  sharedAt: Instant;
  opening: string;
};

/** A post that a person has not opened yet. */
const unopened = (db: Db, person: PersonId) => (q: Knex.QueryBuilder) =>
  void q.whereNotExists((m) =>
    m
      .select(db.raw('1'))
      .from('reads as m')
      .whereRaw('m.course_id = p.course_id and m.discussion_id = p.discussion_id and m.post_id = p.id')
      .where('m.person_id', person),
  );

const toNews = (
  rows: { id: number; discussion_id: string; name: string; shared_at: number | string; opening: string }[],
) =>
  rows.map((r): NewReply => ({
    id: postId(r.id),
    discussion: discussionId(r.discussion_id),
    author: r.name,
    sharedAt: instant(at(r.shared_at)),
    opening: r.opening,
  }));

/**
 * Replies by others to a person's own posts since a moment that they have not read, newest first. The beginning is of the reply's
 * own words, without what it quotes at its head.
 */
export const repliesTo = (db: Db, person: PersonId, since: Instant, limit: number): Ask<NewReply[]> => ({
  query: db('posts as q')
    .join('posts as p', 'p.parent_id', 'q.id')
    .join('people as a', 'a.id', 'p.author_id')
    .joinRaw(
      'join lateral (select opening from post_versions v where v.post_id = p.id order by v.n desc limit 1) v on true',
    )
    .where('q.author_id', person)
    .whereNot('p.author_id', person)
    .where('p.shared_at', '>', timestamptz(since))
    .where(mayRead(db, person))
    .where(visible(db, 'p'))
    .modify(unopened(db, person))
    .orderBy('p.shared_at', 'desc')
    .limit(limit)
    .select('p.id', 'p.discussion_id', 'a.name', 'p.shared_at', db.raw('left(v.opening, 120) as opening')),
  read: toNews,
});

/** Posts by others since a moment that name a person and answer none of theirs, and that they have not read; newest first. */
export const mentionsIn = (db: Db, person: PersonId, since: Instant, limit: number): Ask<NewReply[]> => ({
  query: db('post_texts as x')
    .join('posts as p', 'p.id', 'x.post_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'p.course_id').andOnVal('e.person_id', person))
    .join('people as a', 'a.id', 'p.author_id')
    .leftJoin('posts as q', 'q.id', 'p.parent_id')
    .whereRaw('x.named @> array[?]', [person])
    .whereNot('p.author_id', person)
    .whereRaw('q.author_id is distinct from ?', [person])
    .where('p.shared_at', '>', timestamptz(since))
    .where(mayRead(db, person))
    .where(visible(db, 'p'))
    .modify(unopened(db, person))
    .orderBy('p.shared_at', 'desc')
    .limit(limit)
    .select('p.id', 'p.discussion_id', 'a.name', 'p.shared_at', db.raw(`'' as opening`)),
  read: toNews,
});

/**
 * Answers by others to a person's margin notes since a moment, and notes to the staff of courses they teach that none of the staff
 * has answered; newest first.
 */
export const noteCalls = (db: Db, person: PersonId, since: Instant, limit: number): Ask<NoteCall[]> => ({
  query: db('margin_notes as n')
    .join('readings as r', (j) => j.on('r.course_id', 'n.course_id').andOn('r.id', 'n.reading_id'))
    .join('courses as c', 'c.id', 'n.course_id')
    .join('people as a', 'a.id', 'n.author_id')
    .join('enrolments as e', (j) => j.on('e.course_id', 'n.course_id').andOnVal('e.person_id', person))
    .leftJoin('margin_notes as u', (j) =>
      j.on('u.course_id', 'n.course_id').andOn('u.reading_id', 'n.reading_id').andOn('u.id', 'n.parent_id'),
    )
    .whereNot('n.author_id', person)
    .whereNull('n.removed_at')
    .where((w) =>
      w
        .where((answer) => answer.where('u.author_id', person).where('n.made_at', '>', timestamptz(since)))
        .orWhere((call) =>
          call
            .whereNull('n.parent_id')
            .where('n.audience', 'staff')
            .whereIn('e.role', STAFF)
            .whereNotExists((s) =>
              s
                .select(db.raw('1'))
                .from('margin_notes as s')
                .join('enrolments as t', (j) =>
                  j.on('t.course_id', 's.course_id').andOn('t.person_id', 's.author_id'),
                )
                .whereRaw(
                  `s.parent_id = n.id and s.removed_at is null and t.role in ('instructor', 'assistant')`,
                ),
            ),
        ),
    )
    .orderBy('n.made_at', 'desc')
    .limit(limit)
    .select(
      'n.id',
      db.raw(`case when n.parent_id is null then 'to-staff' else 'answer' end as kind`),
      'r.slug',
      'r.title',
      'c.code',
      'a.name',
      'n.made_at',
      db.raw('left(n.body, 120) as beginning'),
    ),
  read: (rows) =>
    rows.map((r) => ({
      id: r.id,
      kind: r.kind,
      reading: { slug: r.slug, title: r.title },
      course: r.code,
      author: r.name,
      madeAt: instant(at(r.made_at)),
      beginning: r.beginning,
    })),
});

/** What waits for the staff of a discussion: reports that nobody has settled. */
export const openReports = (db: Db, person: PersonId): Ask<Map<DiscussionId, number>> => ({
  query: db('reports as r')
    .join('enrolments as e', (j) => j.on('e.course_id', 'r.course_id').andOnVal('e.person_id', person))
    .whereIn('e.role', STAFF)
    .whereNull('r.settled_at')
    .groupBy('r.discussion_id')
    .select('r.discussion_id', db.raw('count(distinct r.post_id) as n')),
  read: (rows) => new Map(rows.map((r) => [discussionId(r.discussion_id), Number(r.n)])),
});

/** How many students each course held here has that a person is in. */
export const classSizes = (db: Db, person: PersonId): Ask<Map<string, number>> => ({
  query: db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where('e.person_id', person)
    .whereNull('c.owner_id')
    .select(
      'e.course_id',
      db.raw(
        `(select count(*) from enrolments s join people p on p.id = s.person_id
          where s.course_id = e.course_id and s.role = 'student' and p.former_since is null) as n`,
      ),
    ),
  read: (rows) => new Map(rows.map((r) => [String(r.course_id), Number(r.n)])),
});
