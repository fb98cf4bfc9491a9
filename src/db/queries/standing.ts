import { slugOf, type PersonId, type Role } from '@/core/ids';
import type { Db } from '../connection';

/** Where each kind of place stands; where a course asks has the address of a discussion. */
const TABLES = { discussions: 'rooms', readings: 'readings' } as const;

export type Membership = { role: Role; owner: boolean };

/** What somebody is in the course of a discussion or reading, or in a course, each by its name in addresses; null where nothing. */
export async function courseStanding(
  db: Db,
  person: PersonId,
  kind: 'discussions' | 'readings' | 'courses',
  slug: string,
): Promise<Membership | null> {
  const mine = db('enrolments as e').join('courses as c', 'c.id', 'e.course_id').where('e.person_id', person);
  const columns = [
    'e.role',
    'c.code',
    'c.slug',
    db.raw('c.owner_id is not distinct from e.person_id as owner'),
  ];
  const rows =
    kind === 'courses'
      ? (await mine.select(columns)).filter((r) => slugOf(r) === slug)
      : await mine
          .join(`${TABLES[kind]} as t`, 't.course_id', 'c.id')
          .where('t.slug', slug)
          .limit(1)
          .select(columns);
  const [row] = rows;
  return row ? { role: row.role, owner: row.owner } : null;
}
