import type { About, QuestionKind } from '@/core/questions/asking';
import {
  STAFF,
  instant,
  personId,
  postId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';
import { mayRead, visible } from './visible';

/** What stands of a question beside its post. */
export type QuestionRecord = {
  post: PostId;
  number: number;
  kind: QuestionKind;
  about: About | null;
  week: number | null;
  label: string;
  keptAt: Instant | null;
  answeredAt: Instant | null;
  taken: { id: PersonId; name: string } | null;
  /** The number of the question it was merged into. */
  mergedInto: number | null;
  /** How many it has spared asking again. */
  spared: number;
  /** Of a show of hands: how many have raised theirs, and when it is over. */
  hands: { people: number; closes: Instant } | null;
};

/** Where a course asks: its name in addresses; null where a course has no such place. */
export async function roomToAsk(
  db: Db,
  course: CourseId,
): Promise<{ id: DiscussionId; slug: string } | null> {
  const row = await db('rooms').where({ course_id: course, asks: true }).first('id', 'slug');
  return row ? { id: row.id as DiscussionId, slug: row.slug } : null;
}

/** Every question of a course: who may read which is asked of its posts. */
export const questionsOf = (db: Db, course: CourseId): Ask<QuestionRecord[]> => ({
  query: db('questions as q')
    .leftJoin('people as t', 't.id', 'q.taken_by')
    .leftJoin('questions as m', 'm.post_id', 'q.merged_into')
    .leftJoin('hands as h', 'h.post_id', 'q.post_id')
    .where('q.course_id', course)
    .orderBy('q.number')
    .select(
      'q.*',
      't.name as taken_name',
      'm.number as merged_number',
      'h.closes_at',
      db.raw('(select count(distinct person_id)::int from raised r where r.post_id = q.post_id) as raised'),
      db.raw('(select count(*)::int from spared s where s.post_id = q.post_id) as spared'),
    ),
  read: (rows) =>
    rows.map((r) => ({
      post: postId(r.post_id),
      number: r.number,
      kind: r.kind,
      about: r.about,
      week: r.week,
      label: r.label,
      keptAt: r.kept_at === null ? null : instant(at(r.kept_at)),
      answeredAt: r.answered_at === null ? null : instant(at(r.answered_at)),
      taken: r.taken_by === null ? null : { id: personId(r.taken_by), name: r.taken_name },
      mergedInto: r.merged_number,
      spared: r.spared,
      hands: r.closes_at === null ? null : { people: r.raised, closes: instant(at(r.closes_at)) },
    })),
});

/** Lays a question down beside its post, with the next number of its course. */
export async function insertQuestion(
  db: Db,
  question: {
    post: PostId;
    course: CourseId;
    discussion: DiscussionId;
    kind: QuestionKind;
    about: About | null;
    now: Instant;
  },
): Promise<number> {
  await db.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [`questions ${question.course}`]);
  const rows = await db('questions')
    .insert({
      post_id: question.post,
      course_id: question.course,
      discussion_id: question.discussion,
      kind: question.kind,
      about: question.about && JSON.stringify(question.about),
      number: db('questions as o')
        .where('o.course_id', question.course)
        .select(db.raw('coalesce(max(o.number), 0) + 1')),
      // The week that runs: what it is about says which it is meant for where it was asked from there.
      week: db('weeks')
        .where({ course_id: question.course })
        .where('starts_on', '<=', timestamptz(question.now).slice(0, 10))
        .orderBy('starts_on', 'desc')
        .limit(1)
        .select('number'),
    })
    .returning('number');
  return rows[0].number;
}

/** The line of a student with the staff of a course, where they have one. */
export async function lineOf(db: Db, course: CourseId, person: PersonId): Promise<PostId | null> {
  const row = await db('questions as q')
    .join('posts as p', 'p.id', 'q.post_id')
    .where({ 'q.course_id': course, 'q.kind': 'line', 'p.author_id': person })
    .first('q.post_id');
  return row ? postId(row.post_id) : null;
}

/** Which answers staff have confirmed. */
export const confirmedIn = (db: Db, course: CourseId): Ask<Map<PostId, string>> => ({
  query: db('confirmations as c')
    .join('posts as p', 'p.id', 'c.post_id')
    .leftJoin('people as b', 'b.id', 'c.by_id')
    .where('p.course_id', course)
    .select('c.post_id', 'b.name'),
  read: (rows) => new Map(rows.map((r) => [postId(r.post_id), r.name ?? 'the staff'])),
});

export async function confirmAnswer(db: Db, post: PostId, by: PersonId, on: boolean, now: Instant) {
  if (on)
    await db('confirmations')
      .insert({ post_id: post, by_id: by, at: timestamptz(now) })
      .onConflict()
      .ignore();
  else await db('confirmations').where({ post_id: post }).delete();
}

/** What staff or its asker change of a question. */
export const changeQuestion = (
  db: Db,
  post: PostId,
  change: Partial<{
    label: string;
    keptAt: Instant | null;
    answeredAt: Instant | null;
    taken: PersonId | null;
  }>,
) =>
  db('questions')
    .where({ post_id: post })
    .update({
      ...(change.label === undefined ? {} : { label: change.label }),
      ...(change.keptAt === undefined ? {} : { kept_at: change.keptAt && timestamptz(change.keptAt) }),
      ...(change.answeredAt === undefined
        ? {}
        : { answered_at: change.answeredAt && timestamptz(change.answeredAt) }),
      ...(change.taken === undefined ? {} : { taken_by: change.taken }),
    });

/** Somebody found what they wanted to ask: counted once. */
export const insertSpared = (
  db: Db,
  spared: { course: CourseId; post: PostId; person: PersonId; now: Instant },
) =>
  db('spared')
    .insert({
      course_id: spared.course,
      post_id: spared.post,
      person_id: spared.person,
      at: timestamptz(spared.now),
    })
    .onConflict()
    .ignore();

/** How a course takes questions, with who is there to read them. */
export const askingIn = (
  db: Db,
  course: CourseId,
  person: PersonId,
): Ask<{
  coverFromStaff: boolean;
  hours: string;
  classmates: number;
  group: { name: string; others: number } | null;
  staff: string[];
}> => ({
  query: db('courses as c')
    .leftJoin('question_rules as r', 'r.course_id', 'c.id')
    .join('enrolments as me', (j) => j.on('me.course_id', 'c.id').andOnVal('me.person_id', person))
    .leftJoin('groups as g', (j) => j.on('g.course_id', 'c.id').andOn('g.id', 'me.group_id'))
    .where('c.id', course)
    .select(
      'r.cover_from_staff',
      'r.hours',
      'g.name as group_name',
      db.raw(
        `(select count(*)::int from enrolments e join people p on p.id = e.person_id and p.former_since is null
          where e.course_id = c.id and e.role in ('student', 'observer') and e.person_id <> ?) as classmates`,
        [person],
      ),
      db.raw(
        `(select count(*)::int from enrolments e join people p on p.id = e.person_id and p.former_since is null
          where e.course_id = c.id and e.role in ('student', 'observer') and e.person_id <> ?
            and (e.group_id = me.group_id or e.role = 'observer')) as in_group`,
        [person],
      ),
      db.raw(
        `(select coalesce(json_agg(p.name order by e.role, p.name), '[]') from enrolments e
          join people p on p.id = e.person_id and p.former_since is null
          where e.course_id = c.id and e.role in ('instructor', 'assistant') and e.person_id <> ?) as staff`,
        [person],
      ),
    ),
  read: ([r]) => ({
    coverFromStaff: r?.cover_from_staff ?? false,
    hours: r?.hours ?? '',
    classmates: r?.classmates ?? 0,
    group: r?.group_name ? { name: r.group_name, others: r.in_group } : null,
    staff: r?.staff ?? [],
  }),
});

/** The number of the question in whose thread a post stands. */
export async function numberOf(db: Db, post: PostId): Promise<number> {
  const row = await db('questions as q')
    .join('posts as p', 'p.thread_id', 'q.post_id')
    .where('p.id', post)
    .first('q.number');
  return row.number;
}

/** How many posts among the questions of each of somebody's courses they have not read. */
export async function unreadQuestions(db: Db, person: PersonId): Promise<Map<CourseId, number>> {
  const rows = await db('enrolments as e')
    .join('rooms as d', (j) => j.on('d.course_id', 'e.course_id').andOnVal('d.asks', true))
    .join('posts as p', (j) => j.on('p.course_id', 'd.course_id').andOn('p.discussion_id', 'd.id'))
    .where('e.person_id', person)
    .whereNot('p.author_id', person)
    .where(visible(db, 'p'))
    .where(mayRead(db, person, db.raw('e.role = any(?::course_role[])', [[...STAFF]])))
    .whereNotExists((q) =>
      q
        .select(db.raw('1'))
        .from('reads as m')
        .whereRaw('m.course_id = p.course_id and m.discussion_id = p.discussion_id and m.post_id = p.id')
        .where('m.person_id', person),
    )
    .groupBy('e.course_id')
    .select('e.course_id', db.raw('count(*)::int as n'));
  return new Map(rows.map((r) => [r.course_id, r.n]));
}

/** The question that a thread is, with whose post it is: nobody's where it was asked under cover. */
export async function questionAt(
  db: Db,
  thread: PostId,
): Promise<{ number: number; kind: QuestionKind; author: PersonId } | null> {
  const row = await db('questions as q')
    .join('posts as p', 'p.id', 'q.post_id')
    .where('q.post_id', thread)
    .first('q.number', 'q.kind', 'p.author_id');
  return row ? { number: row.number, kind: row.kind, author: personId(row.author_id) } : null;
}

/**
 * Puts a question together with another, and with it what was put together with it before. Whoever asked it, answered it or follows it follows the
 * other from now on; who left it stays away.
 */
export async function mergeQuestion(
  db: Db,
  place: { course: CourseId; discussion: DiscussionId },
  from: PostId,
  into: PostId,
) {
  await db('questions').where({ post_id: from }).orWhere({ merged_into: from }).update({ merged_into: into });
  await db.raw(
    `insert into follows (course_id, discussion_id, person_id, thread_id, follows)
     select :course, :discussion, w.person, :into, true from (
       select person_id as person from follows where thread_id = :from and follows is not false
       union select author_id from posts where thread_id = :from and withdrawn_at is null
       union select person_id from covers where thread_id = :from) w
     join people p on p.id = w.person and p.former_since is null
     where not exists (select 1 from follows f where f.thread_id = :from and f.person_id = w.person and f.follows is false)
     on conflict (person_id, discussion_id, thread_id) do update set follows = true`,
    { ...place, from, into },
  );
}
