import type { PersonId } from '@/core/ids';
import type { Db } from '../connection';

/** The sum of somebody's picture. */
export const pictureOf = async (db: Db, person: PersonId): Promise<string | null> =>
  (await db('people').where({ id: person }).first('picture'))?.picture ?? null;

export const setPicture = (db: Db, person: PersonId, sum: string | null) =>
  db('people').where({ id: person }).update({ picture: sum });

/** Whether two people are in one course. */
export const sharesACourse = async (db: Db, one: PersonId, other: PersonId): Promise<boolean> =>
  (await db('enrolments as a')
    .join('enrolments as b', 'b.course_id', 'a.course_id')
    .where({ 'a.person_id': one, 'b.person_id': other })
    .first('a.course_id')) !== undefined;

/** What of a picture stands in its address, so that another is another address. */
export const versionOf = (sum: string | null): string | null => (sum === null ? null : sum.slice(0, 12));
