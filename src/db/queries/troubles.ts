import { instant, type CourseId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** Where something is broken. */
export type TroublePlace = { kind: 'discussions' | 'readings'; id: string };
export type TroubleRecord = {
  place: TroublePlace & { slug: string; title: string };
  person: PersonId;
  name: string;
  said: string;
  saidAt: Instant;
};

const column = { discussions: 'discussion_id', readings: 'reading_id' } as const;

export async function insertTrouble(
  db: Db,
  t: { id: string; course: CourseId; place: TroublePlace; person: PersonId; said: string; now: Instant },
) {
  await db('troubles').insert({
    id: t.id,
    course_id: t.course,
    [column[t.place.kind]]: t.place.id,
    person_id: t.person,
    said: t.said,
    said_at: timestamptz(t.now),
  });
}

/** How much of what a person has said is broken in a course nobody has settled. */
export async function openTroublesBy(db: Db, course: CourseId, person: PersonId): Promise<number> {
  const row = await db('troubles')
    .where({ course_id: course, person_id: person })
    .whereNull('settled_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** What is said to be broken in a course and nobody has settled, the first first. */
export async function openTroubles(db: Db, course: CourseId): Promise<TroubleRecord[]> {
  const rows = await db('troubles as t')
    .join('people as p', 'p.id', 't.person_id')
    .leftJoin('discussions as d', 'd.id', 't.discussion_id')
    .leftJoin('readings as r', 'r.id', 't.reading_id')
    .where('t.course_id', course)
    .whereNull('t.settled_at')
    .orderBy(['t.said_at', 't.id'])
    .select(
      't.discussion_id',
      't.reading_id',
      't.person_id',
      'p.name',
      't.said',
      't.said_at',
      db.raw('coalesce(d.slug, r.slug) as slug'),
      db.raw('coalesce(d.title, r.title) as title'),
    );
  return rows.map((r) => ({
    place: {
      kind: r.discussion_id === null ? 'readings' : 'discussions',
      id: r.discussion_id ?? r.reading_id,
      slug: r.slug,
      title: r.title,
    },
    person: r.person_id,
    name: r.name,
    said: r.said,
    saidAt: instant(r.said_at),
  }));
}

/** Settles what was said of one place, and answers who had said it. */
export async function settleTroubles(
  db: Db,
  course: CourseId,
  place: TroublePlace,
  now: Instant,
): Promise<PersonId[]> {
  const rows = await db('troubles')
    .where({ course_id: course, [column[place.kind]]: place.id })
    .whereNull('settled_at')
    .update({ settled_at: timestamptz(now) })
    .returning('person_id');
  return [...new Set(rows.map((r) => r.person_id as PersonId))];
}
