import {
  instant,
  personId,
  type CourseId,
  type DiscussionId,
  type Instant,
  type PersonId,
  type PostId,
} from '@/core/ids';
import { postId, discussionId } from '@/core/ids';
import type { Way } from '@/core/notices/kinds';
import { rulesSchema, USUAL_RULES, type NoticeRules } from '@/core/notices/rules';
import { at, type Ask } from '../ask';
import { timestamptz, type Db } from '../connection';

/** How somebody wants to hear of things. */
export type Listening = { rules: NoticeRules; zone: string };

/** What is kept of a person's rules; what later versions add to them holds as usual. */
export const rulesIn = (kept: unknown): NoticeRules => {
  if (kept === null || typeof kept !== 'object') return USUAL_RULES;
  const { ways, ...rest } = kept as Partial<NoticeRules>;
  const read = rulesSchema.safeParse({ ...USUAL_RULES, ...rest, ways: { ...USUAL_RULES.ways, ...ways } });
  return read.success ? read.data : USUAL_RULES;
};

/** How these people want to hear of things. Whoever has no account, or no longer one, hears nothing and is left out. */
export async function listeningOf(db: Db, people: readonly PersonId[]): Promise<Map<PersonId, Listening>> {
  const rows = await db('people as p')
    .leftJoin('notice_rules as r', 'r.person_id', 'p.id')
    .whereRaw('p.id = any(?)', [[...people]])
    .whereNull('p.ended_at')
    .whereNull('p.former_since')
    .select('p.id', 'p.time_zone', 'r.rules');
  return new Map(rows.map((r) => [personId(r.id), { rules: rulesIn(r.rules), zone: r.time_zone }]));
}

/** A person's rules, and whether mail to their address came back. */
export const ownRules = (
  db: Db,
  person: PersonId,
): Ask<{ rules: NoticeRules; address: string; off: { at: Instant; why: string } | null }> => ({
  query: db('people as p')
    .leftJoin('notice_rules as r', 'r.person_id', 'p.id')
    .where('p.id', person)
    .select('r.rules', 'p.email', 'p.mail_off_at', 'p.mail_off_why'),
  read: ([row]) => ({
    rules: rulesIn(row?.rules ?? null),
    address: row?.email ?? '',
    off: row?.mail_off_at ? { at: instant(at(row.mail_off_at)), why: row.mail_off_why } : null,
  }),
});

export const putRules = (db: Db, person: PersonId, rules: NoticeRules) =>
  db('notice_rules')
    .insert({ person_id: person, rules: JSON.stringify(rules) })
    .onConflict('person_id')
    .merge(['rules']);

/** Holds a person's rules until the change is done: two who change them do so one after the other. */
export const holdRules = (db: Db, person: PersonId) =>
  db.raw(`select pg_advisory_xact_lock(hashtextextended('notice rules ' || ?::text, 0))`, [person]);

/** Mail to somebody's address is sent no more, and why; or it is again. */
export const setMailOff = (db: Db, person: PersonId, off: { at: Instant; why: string } | null) =>
  db('people')
    .where({ id: person })
    .update({ mail_off_at: off && timestamptz(off.at), mail_off_why: off?.why.slice(0, 300) ?? '' });

/** What somebody chose for discussions and threads beside their rule. */
export type ChosenWay = {
  discussion: DiscussionId;
  thread: PostId | null;
  follows: boolean | null;
  way: Way | null;
};

export const chosenWays = (db: Db, person: PersonId): Ask<ChosenWay[]> => ({
  query: db('follows').where({ person_id: person }).select('discussion_id', 'thread_id', 'follows', 'way'),
  read: (rows) =>
    rows.map((r) => ({
      discussion: discussionId(r.discussion_id),
      thread: r.thread_id === null ? null : postId(Number(r.thread_id)),
      follows: r.follows,
      way: r.way,
    })),
});

/** Chooses how new posts of a discussion, or of a thread of it, reach somebody; null is as their rule says. */
export const setWay = (
  db: Db,
  { course, discussion }: { course: CourseId; discussion: DiscussionId },
  person: PersonId,
  thread: PostId | null,
  chosen: { follows?: boolean; way: Way | null },
) =>
  db('follows')
    .insert({ course_id: course, discussion_id: discussion, person_id: person, thread_id: thread, ...chosen })
    .onConflict(['person_id', 'discussion_id', 'thread_id'])
    .merge(Object.keys(chosen));

/** What somebody is told of and has not been sent: with it its kind, time and place. */
export type Unsent = {
  id: number;
  kind: string;
  at: Instant;
  discussion: DiscussionId | null;
  /** Of new posts: the thread of the first. */
  thread: PostId | null;
  way: Way;
};

/** Notices that still wait to be sent, held. */
export async function unsentOf(db: Db, person: PersonId): Promise<Unsent[]> {
  const rows = await db('notices')
    .where({ person_id: person })
    .whereNull('seen_at')
    .whereNull('mail_id')
    .whereNotNull('due_at')
    .orderBy('id')
    .forUpdate()
    .select(
      'id',
      'kind',
      'last_at',
      'discussion_id',
      'way',
      db.raw('(select p.thread_id from posts p where p.id = waiting[1]) as thread'),
    );
  return rows.map((r) => ({
    id: Number(r.id),
    kind: r.kind,
    at: instant(r.last_at),
    discussion: r.discussion_id && discussionId(r.discussion_id),
    thread: r.thread === null ? null : postId(Number(r.thread)),
    way: r.way,
  }));
}

/** Says anew when a notice is sent, and by which way. */
export const setDue = (db: Db, id: number, way: Way, due: Instant | null) =>
  db('notices')
    .where({ id })
    .update({ way, due_at: due && timestamptz(due) });

/** A thread that somebody has written in or chose something for, by whose response it is. */
export type OwnThread = { discussion: DiscussionId; thread: PostId; by: string; wrote: boolean };

export const ownThreads = (db: Db, person: PersonId): Ask<OwnThread[]> => ({
  query: db('posts as t')
    .join('people as a', 'a.id', 't.author_id')
    .joinRaw(
      `join (
         select thread_id, true as wrote from posts where author_id = ? and withdrawn_at is null
         union select thread_id, false from follows where person_id = ? and thread_id is not null) mine on mine.thread_id = t.id`,
      [person, person],
    )
    .whereRaw('t.withdrawn_at is null and t.hidden_at is null')
    .groupBy('t.discussion_id', 't.id', 'a.name')
    .orderBy('t.id')
    .select('t.discussion_id', 't.id', 'a.name', db.raw('bool_or(mine.wrote) as wrote')),
  read: (rows) =>
    rows.map((r) => ({
      discussion: discussionId(r.discussion_id),
      thread: postId(Number(r.id)),
      by: r.name,
      wrote: r.wrote,
    })),
});

/** Of a discussion, or of a thread of it, somebody wants to hear no more: what waits of it to be told is not told. */
export const forgetFollowed = (
  db: Db,
  { discussion, thread }: { discussion: DiscussionId; thread: PostId | null },
  person: PersonId,
  now: Instant,
) =>
  db.raw(
    `update notices n set waiting = l.waiting, seen_at = case when cardinality(l.waiting) = 0 then :now::timestamptz end
     from (
       select id, array(select w from unnest(waiting) w join posts p on p.id = w
         where :thread::bigint is not null and p.thread_id <> :thread::bigint) as waiting
       from notices where person_id = :person and discussion_id = :discussion and kind = 'post' and seen_at is null and mail_id is null) l
     where n.id = l.id`,
    { discussion, thread, person, now: timestamptz(now) },
  );
