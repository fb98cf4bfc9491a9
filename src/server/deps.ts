import type { Knex } from 'knex';
import type { Instant, PersonId } from '@/core/ids';
import type { Readers } from './readers/port';

/**
 * What a use-case is given: the database, the one server time of this request, and who reads what people bring (where nobody waits
 * for it, in scripts and tests, the use-case's own thread).
 */
export type Deps = { db: Knex; now: Instant; readers?: Readers };

/** The person a request speaks for. */
export type Actor = {
  id: PersonId;
  name: string;
  timeZone: string;
  previousVisit: Instant | null;
  /** The first day of their week: 1 for Monday, where nothing is said, to 7 for Sunday. */
  weekBegins?: number;
};
