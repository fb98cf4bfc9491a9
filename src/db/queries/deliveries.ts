import { personId, type CourseId, type Instant, type PersonId } from '@/core/ids';
import type { NoticeKind } from '@/core/notices/kinds';
import { timestamptz, type Db } from '../connection';

/**
 * Only one at a time makes mails of what is due, else one person's notices could be dealt into two: waits for whoever does, whose look may have
 * been before what is due by now was told.
 */
export async function holdDelivering(db: Db): Promise<void> {
  await db.raw(`select pg_advisory_xact_lock(hashtext('deliver notices'))`);
}

export type DueNotice = {
  id: number;
  person: PersonId;
  kind: NoticeKind;
  /** Where its mail goes; null where none is sent, for there is no address, or mail to it came back. */
  address: string | null;
};

/** What is due of so many people, all of each, and of how many it was looked for: what one has seen just now is not due any more. */
export async function dueNotices(
  db: Db,
  now: Instant,
  people: number,
): Promise<{ due: DueNotice[]; people: number }> {
  const { rows } = await db.raw(
    `with due as materialized (
       select id, dense_rank() over (order by person_id) as person from notices
       where due_at <= :now::timestamptz and seen_at is null and mail_id is null)
     select n.id, n.person_id, n.kind, n.seen_at,
       case when p.ended_at is null and p.mail_off_at is null then p.email end as address
     from due join notices n on n.id = due.id join people p on p.id = n.person_id
     where due.person <= :people order by n.person_id, n.id for update of n`,
    { now: timestamptz(now), people },
  );
  type Row = {
    id: number | string;
    person_id: string;
    kind: NoticeKind;
    seen_at: number | null;
    address: string | null;
  };
  // Seen while it was waited for. Asked for as a condition it would lead the planner from the key to whatever is due, once for each.
  const unseen = (rows as Row[]).filter((r) => r.seen_at === null);
  return {
    due: unseen.map((r) => ({
      id: Number(r.id),
      person: personId(r.person_id),
      kind: r.kind,
      address: r.address,
    })),
    people: new Set((rows as Row[]).map((r) => r.person_id)).size,
  };
}

/** Says with which mail each notice goes. */
export async function setMails(db: Db, sent: readonly { id: number; mail: string }[]) {
  await db.raw(
    `update notices n set mail_id = s.mail from unnest(?::bigint[], ?::uuid[]) as s(id, mail) where n.id = s.id`,
    [sent.map((s) => s.id), sent.map((s) => s.mail)],
  );
}

/** Notices that cannot be sent stay on their page. */
export const keepHere = (db: Db, ids: readonly number[]) =>
  db('notices')
    .whereIn('id', [...ids])
    .update({ due_at: null });

/** Of these students, what each was reminded of in a discussion, by its key. */
export async function remindedIn(db: Db, course: CourseId, keys: readonly string[]): Promise<Set<string>> {
  const rows = await db('notices')
    .where({ course_id: course, kind: 'deadline' })
    .whereRaw('key = any(?)', [[...keys]])
    .select('person_id', 'key');
  return new Set(rows.map((r) => `${r.person_id} ${r.key}`));
}

/** Courses that have discussions whose last deadline is not long past, with whose each is that is not held here. */
export async function coursesToRemind(
  db: Db,
  now: Instant,
): Promise<{ id: CourseId; owner: PersonId | null }[]> {
  const rows = await db('courses as c')
    .whereExists((q) =>
      q
        .select(db.raw('1'))
        .from('discussions as d')
        .whereRaw('d.course_id = c.id and d.shown')
        .whereRaw(`d.opens <= ?::timestamp + interval '1 day'`, [timestamptz(now).slice(0, 19)])
        .whereRaw(`d.replies_due >= ?::timestamp - interval '60 days'`, [timestamptz(now).slice(0, 19)]),
    )
    .select('c.id', 'c.owner_id');
  return rows.map((r) => ({ id: r.id, owner: r.owner_id === null ? null : personId(r.owner_id) }));
}

/** How an announcement fares by mail: how many are on their way, handed over, and refused for good. */
export async function announcementMails(
  db: Db,
  course: CourseId,
): Promise<Map<string, { waiting: number; sent: number; refused: number }>> {
  const rows = await db('notices as n')
    .leftJoin('mails as m', 'm.id', 'n.mail_id')
    .where({ 'n.course_id': course, 'n.kind': 'announcement' })
    .groupByRaw(`n.about ->> 'announcement'`)
    .select(
      db.raw(`n.about ->> 'announcement' as id`),
      db.raw(`count(*) filter (where m.sent_at is not null and m.given_up_at is null) as sent`),
      db.raw(
        `count(*) filter (where m.given_up_at is not null or (m.id is null and n.due_at is null)) as refused`,
      ),
      db.raw(`count(*) as all`),
    );
  return new Map(
    rows.map((r) => {
      const [all, sent, refused] = [Number(r.all), Number(r.sent), Number(r.refused)];
      return [r.id, { sent, refused, waiting: all - sent - refused }];
    }),
  );
}

/** When a mail to somebody came back for good. */
export async function giveUpMail(db: Db, id: string, now: Instant, why: string) {
  await db('mails')
    .where({ id })
    .update({ given_up_at: timestamptz(now), taken_at: null, trouble: why.slice(0, 300) });
}

/** A course in which somebody is told of a mail of theirs: one that it was about, or any they are in. */
export async function courseOfMail(db: Db, mail: string, person: PersonId): Promise<CourseId | null> {
  const row =
    (await db('notices').where({ mail_id: mail }).first('course_id')) ??
    (await db('enrolments').where({ person_id: person }).first('course_id'));
  return row?.course_id ?? null;
}
