import type { About, QuestionKind } from '@/core/questions/asking';
import type { Meeting } from '@/core/questions/meeting';
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
  /** Of a show of hands: how many have raised theirs, whether by name, and when it is over. */
  hands: { people: number; named: boolean; closes: Instant } | null;
  /** Of an hour to meet: when, and how many of its slots are free. */
  meets: Pick<Meeting, 'starts' | 'minutes' | 'slots' | 'calledOffAt'> | null;
  slotsTaken: number;
  /** Staff wait for its asker to say whether everybody may read it. */
  openWanted: boolean;
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
    .leftJoin('meetings as e', 'e.post_id', 'q.post_id')
    .where('q.course_id', course)
    .orderBy('q.number')
    .select(
      // Not what they mean: that is long, and asked for where it is compared.
      'q.post_id',
      'q.number',
      'q.kind',
      'q.about',
      'q.week',
      'q.label',
      'q.kept_at',
      'q.answered_at',
      'q.taken_by',
      'q.open_wanted_at',
      't.name as taken_name',
      'm.number as merged_number',
      'h.closes_at',
      'h.named',
      'e.starts_at',
      'e.minutes',
      'e.slots',
      'e.called_off_at',
      db.raw('(select count(*)::int from meeting_slots s where s.post_id = q.post_id) as slots_taken'),
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
      hands:
        r.closes_at === null ? null : { people: r.raised, named: r.named, closes: instant(at(r.closes_at)) },
      meets:
        r.starts_at === null
          ? null
          : {
              starts: instant(at(r.starts_at)),
              minutes: r.minutes,
              slots: r.slots,
              calledOffAt: r.called_off_at === null ? null : instant(at(r.called_off_at)),
            },
      slotsTaken: r.slots_taken,
      openWanted: r.open_wanted_at !== null,
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
    /** Whose line with the staff it is: they have one. */
    lineOf: PersonId | null;
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
      line_of: question.lineOf,
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
  const row = await db('questions').where({ course_id: course, line_of: person }).first('post_id');
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
    /** Who of the staff would like everybody to read it, and since when; null once its asker has said. */
    openWanted: { by: PersonId; at: Instant } | null;
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
      ...(change.openWanted === undefined
        ? {}
        : {
            open_wanted_by: change.openWanted?.by ?? null,
            open_wanted_at: change.openWanted && timestamptz(change.openWanted.at),
          }),
    });

/** Lets everybody read what only its asker and the staff did. */
export const openThread = (db: Db, thread: PostId) => db.raw('select open_thread(?)', [thread]);

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

/**
 * How many questions of a course wait for its staff, where these are asked of no list: as `stateOf` in core says it, which a test
 * holds it to.
 */
export async function openQuestions(db: Db, course: CourseId): Promise<number> {
  const { rows } = await db.raw(
    `select count(*)::int as n from questions q join posts p on p.id = q.post_id
     where q.course_id = :course and q.kind in ('asks', 'line') and q.merged_into is null and q.answered_at is null
       and p.withdrawn_at is null and p.hidden_at is null
       and not exists (
         select 1 from posts a
           join enrolments e on e.course_id = a.course_id and e.person_id = a.author_id
           left join confirmations c on c.post_id = a.id
         where a.thread_id = q.post_id and a.id <> q.post_id and a.author_id <> p.author_id
           and a.withdrawn_at is null and a.hidden_at is null
           and (e.role = any(:staff::course_role[]) or c.post_id is not null)
           and (q.kind = 'asks' or not exists (
             select 1 from posts o
             where o.thread_id = q.post_id and o.id <> q.post_id and o.author_id = p.author_id
               and o.withdrawn_at is null and o.hidden_at is null and (o.shared_at, o.id) > (a.shared_at, a.id))))`,
    { course, staff: [...STAFF] },
  );
  return rows[0].n;
}

/** Who of the staff has read the last that was said in a thread by whoever asked. */
export async function readByStaff(db: Db, thread: PostId): Promise<string[]> {
  const rows = await db('reads as r')
    .join('enrolments as e', (j) => j.on('e.course_id', 'r.course_id').andOn('e.person_id', 'r.person_id'))
    .join('people as s', 's.id', 'r.person_id')
    .whereRaw('e.role = any(?::course_role[])', [[...STAFF]])
    .where(
      'r.post_id',
      db('posts as p')
        .join('posts as q', 'q.id', 'p.thread_id')
        .where('p.thread_id', thread)
        .whereRaw('p.author_id = q.author_id')
        .where(visible(db, 'p'))
        .max('p.id'),
    )
    .orderBy('s.name')
    .select('s.name');
  return rows.map((r) => r.name);
}
