import type { Knex } from 'knex';
import type { PersonId } from '@/core/ids';
import type { Db } from '../connection';

/** A post is in sight while it is neither withdrawn nor hidden. */
export const visible = (db: Db, alias: string) =>
  db.raw(`${alias}.withdrawn_at is null and ${alias}.hidden_at is null`);

/**
 * Whether a person may read a post `p` of a discussion that is open to them: the database's own `may_read_post` says so, here and
 * for every query. `staff` is whether they are of its course's staff, or says it in SQL for each post.
 */
export const mayRead = (db: Db, person: PersonId, staff: boolean | Knex.Raw = false) =>
  db.raw('may_read_post(p, ?, ?)', [person, staff]);
