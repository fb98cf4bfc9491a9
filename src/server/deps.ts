import type { Knex } from 'knex';
import type { Instant, PersonId } from '@/core/ids';

/** What a use-case is given: the database and the one server time of this request. */
export type Deps = { db: Knex; now: Instant };

/** The person a request speaks for. */
export type Actor = { id: PersonId; name: string; timeZone: string; previousVisit: Instant | null };
