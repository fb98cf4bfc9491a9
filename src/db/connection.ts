import knex, { type Knex } from 'knex';
import pg from 'pg';
import { storable } from '@/core/document/document';
import { isOutdatedPlan, Prepared } from './prepared';

/** A connection or a transaction: queries take either, the use-case owns the commit. */
export type Db = Knex | Knex.Transaction;

// Times arrive as the core holds them: moments as milliseconds, wall-clock times as text, counts as numbers.
pg.types.setTypeParser(pg.types.builtins.TIMESTAMPTZ, (text) => Date.parse(text));
pg.types.setTypeParser(pg.types.builtins.TIMESTAMP, (text) => text.slice(0, 16).replace(' ', 'T'));
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);
pg.types.setTypeParser(pg.types.builtins.INT8, (text) => Number(text));
pg.types.setTypeParser(pg.types.builtins.NUMERIC, (text) => Number(text));

/**
 * The planner joins in the order in which a query is written, which is from the reader outwards, and compiles nothing:
 * weighing every order of nine tables takes it a hundred times as long as the query itself.
 */
const PLANNING = '-c join_collapse_limit=1 -c jit=off';

/** A query as knex hands it to the connection. */
type Asked = { sql: string; method?: string; options?: object; bindings?: unknown[]; response?: unknown };
type Connection = { __knexTxId?: string };
const prepared = new Prepared();
const READING = new Set(['select', 'first', 'pluck']);

/**
 * The last net for what no text of PostgreSQL can hold (NUL, half a character): without it a name in an address, or a word one
 * looks for, that holds such a thing is an error of the database and not simply a name that nothing has.
 */
const Postgres = knex({ client: 'pg' }).client.constructor as typeof knex.Client;
/** How knex itself sends a query: its types do not name it. */
const plainly = Reflect.get(Postgres.prototype, '_query') as (
  this: unknown,
  connection: Connection,
  asked: Asked,
) => Promise<unknown>;
class StorableClient extends Postgres {
  override prepBindings(bindings: unknown[] | undefined): unknown[] | undefined {
    return bindings?.map((b) => (typeof b === 'string' ? storable(b) : b));
  }

  /** What is only read, and not within a change, is asked under a name once it is asked often. */
  async _query(connection: Connection, asked: Asked): Promise<unknown> {
    const query = (how: Asked) => plainly.call(this, connection, how);
    const name =
      READING.has(asked.method ?? '') && connection.__knexTxId === undefined
        ? prepared.nameOf(asked.sql)
        : undefined;
    if (!name) return query(asked);
    try {
      return await query({ ...asked, options: { ...asked.options, name } });
    } catch (error) {
      if (!isOutdatedPlan(error)) throw error;
      prepared.giveUp(asked.sql);
      return query(asked);
    }
  }
}

/** Whoever waits for a page is told after so long that what keeps everything cannot be reached. */
const TO_CONNECT_MS = 4_000;

export function connect(url: string, options: { poolMax?: number; toConnectMs?: number } = {}): Knex {
  const toConnect = options.toConnectMs ?? TO_CONNECT_MS;
  return knex({
    client: StorableClient,
    connection: {
      connectionString: url,
      application_name: 'pulpit',
      connectionTimeoutMillis: toConnect,
      options: PLANNING,
    },
    pool: { min: 0, max: options.poolMax ?? 10 },
    acquireConnectionTimeout: toConnect + 2_000,
    // Whoever asked gets the error and words it; knex would print its stack as well.
    log: { error: () => {}, warn: () => {} },
  });
}

/** Moments go in as SQL expects them. */
export const timestamptz = (ms: number) => new Date(ms).toISOString();
