import { personId, type Instant, type PersonId } from '@/core/ids';
import { timestamptz, type Db } from '../connection';

/** Whose account a subject of the college's sign-on is. */
export async function personBySubject(db: Db, issuer: string, subject: string): Promise<PersonId | null> {
  const row = await db('sign_on_subjects').where({ issuer, subject }).first('person_id');
  return row ? personId(row.person_id) : null;
}

/** Links a subject to an account; false where the account is another subject's already. */
export async function linkSubject(
  db: Db,
  link: { issuer: string; subject: string; person: PersonId; now: Instant },
): Promise<boolean> {
  const made = await db('sign_on_subjects')
    .insert({
      issuer: link.issuer,
      subject: link.subject,
      person_id: link.person,
      linked_at: timestamptz(link.now),
    })
    .onConflict()
    .ignore()
    .returning('person_id');
  return made.length > 0;
}

export const hasSubject = async (db: Db, person: PersonId): Promise<boolean> =>
  (await db('sign_on_subjects').where({ person_id: person }).first('person_id')) !== undefined;
