import type { Knex } from 'knex';
import type { Db } from './connection';

/** A question to the database: its query, and what its rows mean. */
export type Ask<T> = {
  query: Knex.QueryBuilder;
  // The rows are whatever the query selects; `read` is the one place that knows.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  read: (rows: any[]) => T;
};

/** Asks one question. */
export const ask = async <T>(asked: Ask<T>): Promise<T> => asked.read(await asked.query);

/**
 * Asks several questions in one trip to the database: each as a list of rows in JSON, beside the others. On a page of
 * many small questions the trips cost more than the answers. In JSON moments come as text: `at` reads both.
 */
export async function askTogether<T extends Record<string, unknown>>(
  db: Db,
  asked: { [K in keyof T]: Ask<T[K]> },
): Promise<T> {
  const names = Object.keys(asked) as (keyof T & string)[];
  const row = await db
    .select(
      names.map((name) =>
        db.select(db.raw(`coalesce(json_agg(t), '[]')`)).from(asked[name].query.clone().as('t')).as(name),
      ),
    )
    .first();
  return Object.fromEntries(names.map((name) => [name, asked[name].read(row[name])])) as T;
}

/** A moment as a column or as JSON gives it, in milliseconds. */
export const at = (value: number | string): number => (typeof value === 'number' ? value : Date.parse(value));
