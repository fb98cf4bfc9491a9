import type { Knex } from 'knex';
import type { Instant, PersonId } from '@/core/ids';
import type { Readers } from './readers/readers';

/**
 * What a use-case is given: the database, the one server time of this request, and who reads what people bring (without it
 * the use-case's own thread does).
 */
export type Deps = { db: Knex; now: Instant; readers?: Readers };

/** The person a request speaks for. */
export type Actor = { id: PersonId; name: string; timeZone: string; previousVisit: Instant | null };
